import { commonDriveSizesTB } from '../../catalogue/driveSizes'
import { driveClassOf, type CommonDrives, type DriveCatalogue } from '../driveTraits'

/** A size that drives can be bought in, and what one costs today in the plan's currency. */
export interface DriveOffer {
  readonly sizeTB: number
  readonly price: number
  /** id of its model; null where the price is that of a terabyte of its class */
  readonly model: string | null
}

/**
 * What can be bought of the plan's class of drive: the cheapest model of each size that is not
 * shingled; where the catalogue has
 * no model of the class, the common sizes at its price of a terabyte. Smallest first.
 */
export function driveOffers(drives: CommonDrives, catalogue: DriveCatalogue): DriveOffer[] {
  const driveClass = driveClassOf(drives, catalogue)
  const models = catalogue.driveModels
    .filter(model => model.driveClass === driveClass?.id && model.recording !== 'shingled')
    .toSorted((a, b) => a.sizeTB - b.sizeTB || a.price - b.price)
  if (models.length === 0)
    return commonDriveSizesTB.map(sizeTB => ({
      sizeTB,
      price: sizeTB * (driveClass?.pricePerTB ?? 0),
      model: null,
    }))
  return models.flatMap((model, at) =>
    models[at - 1]?.sizeTB === model.sizeTB
      ? []
      : [{ sizeTB: model.sizeTB, price: model.price, model: model.id }],
  )
}

/** More arrangements than this are not gone through. */
export const maxArrangements = 20_000

/**
 * The offers among which the cheapest purchases can be found exactly: with many bays only those
 * that are cheapest by the
 * terabyte, of equals the larger. Arrangements of s sizes in b bays are at most C(b + s, s).
 */
export function offersWithin(offers: readonly DriveOffer[], bays: number): DriveOffer[] {
  let most = offers.length
  while (most > 1 && choose(bays + most, most) > maxArrangements) most--
  const kept = new Set(
    [...offers]
      .sort((a, b) => a.price / a.sizeTB - b.price / b.sizeTB || b.sizeTB - a.sizeTB)
      .slice(0, most),
  )
  return offers.filter(offer => kept.has(offer))
}

/** n over k. */
function choose(n: number, k: number): number {
  let result = 1
  for (let i = 1; i <= k; i++) result = (result * (n - k + i)) / i
  return result
}
