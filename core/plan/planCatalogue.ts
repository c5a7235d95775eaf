import type { Catalogue } from '../catalogue/catalogue'
import type { DeviceClass } from '../catalogue/deviceClasses'
import { entryOfOwn } from '../catalogue/hardware/entryOfOwn'
import type { OwnPart } from '../catalogue/hardware/ownPart'
import type { SystemKind } from '../catalogue/systemKinds'
import { workTableOf } from '../catalogue/workTable'
import type { OwnSystem } from './ownSystems'
import type { Plan } from './planSchema'

/**
 * What ships, with the plan's own entries merged in. An entry of the plan goes before a shipped one
 * of the same id.
 */
export function planCatalogue(
  {
    calibration,
    household,
    machine: { ownParts },
    system: { ownKinds },
  }: Pick<Plan, 'calibration' | 'household' | 'machine' | 'system'>,
  shipped: Catalogue,
): Catalogue {
  const { workTable } = calibration
  const own: DeviceClass[] = household.capabilitySets.map(set => ({
    ...set,
    label: set.label || 'Own class',
    usualLink: 'wifiGood',
    price: null,
  }))
  if (!workTable && own.length === 0 && ownParts.length === 0 && ownKinds.length === 0)
    return shipped
  return {
    ...shipped,
    ...(workTable ? { workTable: workTableOf(workTable) } : {}),
    ...(ownParts.length ? withOwnParts(ownParts, shipped) : {}),
    ...(ownKinds.length ? { systemKinds: withOwnSystems(ownKinds, shipped.systemKinds) } : {}),
    ...(own.length
      ? {
          deviceClasses: [
            ...own,
            ...shipped.deviceClasses.filter(entry => !own.some(set => set.id === entry.id)),
          ],
        }
      : {}),
  }
}

/** Own parts stand before those that ship; one of the same id takes its place. */
function withOwnParts(
  ownParts: readonly OwnPart[],
  { processors, memoryModules, hardware }: Catalogue,
): Pick<Catalogue, 'processors' | 'memoryModules' | 'hardware'> {
  const entries = ownParts.map(entryOfOwn)
  const ids = new Set(ownParts.map(({ id }) => id))
  const others = <Entry extends { readonly id: string }>(list: readonly Entry[]) =>
    list.filter(({ id }) => !ids.has(id))
  return {
    processors: [
      ...entries.flatMap(entry => ('processor' in entry ? [entry.processor] : [])),
      ...others(processors),
    ],
    memoryModules: [
      ...entries.flatMap(entry => ('memory' in entry ? [entry.memory] : [])),
      ...others(memoryModules),
    ],
    hardware: [
      ...entries.flatMap(entry => ('hardware' in entry ? [entry.hardware] : [])),
      ...others(hardware),
    ],
  }
}

/**
 * The plan's own kinds of system stand before those that ship; one of the same id takes its place.
 */
function withOwnSystems(own: readonly OwnSystem[], shipped: readonly SystemKind[]): SystemKind[] {
  const entries = own.map(
    ({ like, once, perYear, upToDrives, label, help, ...rest }): SystemKind => {
      const model = shipped.find(({ id }) => id === like) ?? shipped[0]!
      return {
        ...model,
        ...rest,
        skill: rest.skill as SystemKind['skill'],
        label: label || 'Own kind',
        what: `Otherwise like: ${model.label}.`,
        help,
        onArm: true,
        onlyOn: null,
        licence: {
          perYear,
          counts: upToDrives === null ? '' : 'drives that are plugged in',
          steps: [{ upToDrives, once }],
        },
      }
    },
  )
  return [...entries, ...shipped.filter(({ id }) => !entries.some(entry => entry.id === id))]
}
