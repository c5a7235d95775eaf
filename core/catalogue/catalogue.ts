import { deviceClasses, type DeviceClass } from './deviceClasses'
import { driveClasses, type DriveClass } from './driveClasses'
import { driveModels, type DriveModel } from './driveModels'
import { otherQualities, type OtherQuality } from './holdingKinds'
import { machineBases, type MachineBase } from './machineBases'
import { memoryModules, type MemoryModule } from './memoryModules'
import { processors, type Processor } from './processors'
import { qualities, type Quality } from './qualities'
import { videoEngines, type VideoEngine } from './videoEngines'
import { waysOfBuilding, type WayOfBuilding } from './waysOfBuilding'
import { workTable, type WorkTable } from './workTable'

/**
 * The generic classes and invented models that an assessment draws on. It is handed to whoever needs it; a plan refers to
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
  readonly waysOfBuilding: readonly WayOfBuilding[]
  readonly workTable: WorkTable
}

/** What ships with Numeron. */
export const catalogue: Catalogue = {
  qualities, otherQualities, deviceClasses, driveClasses, driveModels, machineBases, processors, videoEngines, memoryModules, waysOfBuilding, workTable,
}

/** The entry of a list with this id. */
export function entryOf<Entry extends { readonly id: string }>(list: readonly Entry[], id: string): Entry | null {
  return list.find(entry => entry.id === id) ?? null
}
