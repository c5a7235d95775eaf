import { driveLoads } from '../drives/driveLoads'
import { driveClassOf, type DriveCatalogue } from '../drives/driveTraits'
import { traitsOf } from '../drives/poolOf'
import { boughtModels } from '../drives/usualPrice'
import type { FitSlice } from '../machine/fit/fitSlice'
import { maxDrives, ownEntry } from '../plan/constants'
import { failingWith, newlyFailing } from './plannedFit'
import type { PlannedLot } from './plannedCourse'
import type { PlannedDrives } from './roomFacts'

/**
 * How many more drives of a plan's class have a bay, a port and power in its machine, those that it
 * has staying where they are. Looked at with the largest that are sold, which take most.
 */
export function placesForMore(
  fit: FitSlice,
  drives: PlannedDrives,
  catalogue: DriveCatalogue,
): number {
  const model = boughtModels(driveClassOf(drives, catalogue), catalogue.driveModels).at(-1)
  const withMore = (count: number) => {
    const more: PlannedLot[] =
      count > 0
        ? [
            {
              count,
              sizeTB: model?.sizeTB ?? 1,
              role: 'any',
              model: model?.id ?? ownEntry,
              group: 1,
            },
          ]
        : []
    return failingWith(
      fit,
      driveLoads(traitsOf({ ...drives, lots: [...drives.lots, ...more] }, catalogue)),
    )
  }
  const before = withMore(0)
  const present = drives.lots.reduce((sum, { count }) => sum + count, 0)
  let [fits, most] = [0, Math.max(0, maxDrives - present)]
  while (fits < most) {
    const middle = Math.ceil((fits + most) / 2)
    if (newlyFailing(before, withMore(middle)) === null) fits = middle
    else most = middle - 1
  }
  return fits
}
