import type { Format } from '../units/format'
import type { DrivesFacts, DrivesSlice } from './drivesFacts'

/** What telling the drives takes: the facts, what they follow from, and how numbers are written. */
export interface DrivesTale {
  readonly facts: DrivesFacts
  readonly slice: DrivesSlice
  readonly format: Format
}
