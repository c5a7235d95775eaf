import type { DriveClass } from '../catalogue/driveClasses'
import type { DriveModel } from '../catalogue/driveModels'

/**
 * What drives of a class are bought as: the cheapest model of each size, smallest first. Models
 * whose tracks overlap count only where the class has no others.
 */
export function boughtModels(
  driveClass: Pick<DriveClass, 'id'> | null,
  models: readonly DriveModel[],
): readonly DriveModel[] {
  const id = driveClass?.id ?? null
  const known = bought.get(models)?.get(id)
  if (known) return known
  const ofClass = models.filter(model => model.driveClass === id)
  const conventional = ofClass.filter(model => model.recording !== 'shingled')
  const inOrder = (conventional.length > 0 ? conventional : ofClass).toSorted(
    (a, b) => a.sizeTB - b.sizeTB || a.price - b.price,
  )
  const found = inOrder.filter((model, at) => inOrder[at - 1]?.sizeTB !== model.sizeTB)
  if (!bought.has(models)) bought.set(models, new Map())
  bought.get(models)!.set(id, found)
  return found
}

/** Each drive of each assessment is priced: what a catalogue sells is looked up once. */
const bought = new WeakMap<readonly DriveModel[], Map<string | null, readonly DriveModel[]>>()

/**
 * Price of a drive of which nothing but its class and size is known: on the line between the
 * neighbouring sizes that its class is bought in; beyond them a terabyte costs what it does at the
 * nearest. A class without models costs its price of a terabyte. Handbook 05.
 * @param sizeTB above 0
 * @returns in the plan's currency, not rounded
 * @example usualPrice(9, NAS-class) // 185, between 165 for 8 TB and 205 for 10
 */
export function usualPrice(
  sizeTB: number,
  driveClass: DriveClass | null,
  driveModels: readonly DriveModel[],
): number {
  const models = boughtModels(driveClass, driveModels)
  const above = models.find(model => model.sizeTB >= sizeTB)
  const below = models.findLast(model => model.sizeTB <= sizeTB)
  const nearest = above ?? below
  if (!nearest) return sizeTB * (driveClass?.pricePerTB ?? 0)
  if (!above || !below) return (sizeTB * nearest.price) / nearest.sizeTB
  if (above === below) return above.price
  const share = (sizeTB - below.sizeTB) / (above.sizeTB - below.sizeTB)
  return below.price + share * (above.price - below.price)
}
