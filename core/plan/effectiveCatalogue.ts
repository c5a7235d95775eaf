import type { Catalogue } from '../catalogue/catalogue'
import type { DeviceClass } from '../catalogue/deviceClasses'
import { entryOfOwn, type OwnPart } from '../catalogue/hardware/ownPart'
import { workTableOf } from '../catalogue/workTable'
import type { Plan } from './planSchema'

/**
 * The catalogue that a plan is assessed with: what ships, with the plan's own entries merged in. An entry of the plan goes
 * before a shipped one of the same id.
 */
export function effectiveCatalogue({ calibration, household, machine: { ownParts } }: Pick<Plan, 'calibration' | 'household' | 'machine'>, shipped: Catalogue): Catalogue {
  const { workTable } = calibration
  const own: DeviceClass[] = household.capabilitySets.map(set => ({ ...set, label: set.label || 'Own class', usualLink: 'wifiGood', price: null }))
  if (!workTable && own.length === 0 && ownParts.length === 0) return shipped
  return {
    ...shipped,
    ...(workTable ? { workTable: workTableOf(workTable) } : {}),
    ...(ownParts.length ? withOwnParts(ownParts, shipped) : {}),
    ...(own.length ? { deviceClasses: [...own, ...shipped.deviceClasses.filter(entry => !own.some(set => set.id === entry.id))] } : {}),
  }
}

/** Own parts stand before those that ship; one of the same id takes its place. */
function withOwnParts(ownParts: readonly OwnPart[], { processors, memoryModules, hardware }: Catalogue): Pick<Catalogue, 'processors' | 'memoryModules' | 'hardware'> {
  const entries = ownParts.map(entryOfOwn)
  const ids = new Set(ownParts.map(({ id }) => id))
  const others = <Entry extends { readonly id: string }>(list: readonly Entry[]) => list.filter(({ id }) => !ids.has(id))
  return {
    processors: [...entries.flatMap(entry => 'processor' in entry ? [entry.processor] : []), ...others(processors)],
    memoryModules: [...entries.flatMap(entry => 'memory' in entry ? [entry.memory] : []), ...others(memoryModules)],
    hardware: [...entries.flatMap(entry => 'hardware' in entry ? [entry.hardware] : []), ...others(hardware)],
  }
}
