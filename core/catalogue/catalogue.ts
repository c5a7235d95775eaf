import { deviceClasses, type DeviceClass } from './deviceClasses'
import { driveClasses, type DriveClass } from './driveClasses'
import { driveModels, type DriveModel } from './driveModels'
import { hardware } from './hardware/hardware'
import type { HardwarePart } from './hardware/hardwarePart'
import { otherQualities, type OtherQuality } from './holdingKinds'
import { machineBases, type MachineBase } from './machineBases'
import { memoryModules, type MemoryModule } from './memoryModules'
import { processors, type Processor } from './processors'
import { qualities, type Quality } from './qualities'
import { systemKinds, type SystemKind } from './systemKinds'
import { videoEngines, type VideoEngine } from './videoEngines'
import { waysOfBuilding, type WayOfBuilding } from './waysOfBuilding'
import { workTable, type WorkTable } from './workTable'

/**
 * The generic classes and invented models that an assessment draws on. It is handed to whoever
 * needs it; a plan refers to
 * its entries by their id, and an id that stands in none of the lists is a finding, never an error.
 */
export interface Catalogue {
  readonly qualities: readonly Quality[]
  readonly otherQualities: readonly OtherQuality[]
  readonly deviceClasses: readonly DeviceClass[]
  readonly driveClasses: readonly DriveClass[]
  readonly driveModels: readonly DriveModel[]
  readonly machineBases: readonly MachineBase[]
  readonly processors: readonly Processor[]
  readonly videoEngines: readonly VideoEngine[]
  readonly memoryModules: readonly MemoryModule[]
  readonly hardware: readonly HardwarePart[]
  readonly systemKinds: readonly SystemKind[]
  readonly waysOfBuilding: readonly WayOfBuilding[]
  readonly workTable: WorkTable
}

/** What ships with Numeron. */
export const catalogue: Catalogue = {
  qualities,
  otherQualities,
  deviceClasses,
  driveClasses,
  driveModels,
  machineBases,
  processors,
  videoEngines,
  memoryModules,
  hardware,
  systemKinds,
  waysOfBuilding,
  workTable,
}

/**
 * Lists of more entries than this are looked up by an index: with thousands of own parts, going
 * through them costs more than the rest.
 */
const longList = 60
const indexes = new WeakMap<readonly object[], ReadonlyMap<string, object>>()

/** The entry of a list with this id; of several the first. */
export function entryOf<Entry extends { readonly id: string }>(
  list: readonly Entry[],
  id: string,
): Entry | null {
  if (list.length <= longList) return list.find(entry => entry.id === id) ?? null
  let index = indexes.get(list)
  if (!index) {
    index = new Map(list.map((entry): [string, Entry] => [entry.id, entry]).reverse())
    indexes.set(list, index)
  }
  return (index.get(id) as Entry | undefined) ?? null
}
