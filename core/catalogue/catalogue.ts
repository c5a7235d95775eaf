import { driveClasses, type DriveClass } from './driveClasses'
import { qualities, type Quality } from './qualities'
import { waysOfBuilding, type WayOfBuilding } from './waysOfBuilding'
import { workTable, type WorkTable } from './workTable'

/** The generic classes and invented models that an assessment draws on. */
export interface Catalogue {
  readonly qualities: readonly Quality[]
  readonly driveClasses: readonly DriveClass[]
  readonly workTable: WorkTable
  readonly waysOfBuilding: readonly WayOfBuilding[]
}

/** What ships with Numeron. */
export const catalogue: Catalogue = { qualities, driveClasses, workTable, waysOfBuilding }
