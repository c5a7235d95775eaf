import { defineDomain } from '../domain'
import { hasUps } from '../plan/hasUps'
import type { LibraryFacts } from '../library/libraryFacts'
import { drivesFacts } from './drivesFacts'
import { poolDrives } from './poolOf'
import { tellDrives } from './tellDrives'

/** How many, how big, and with which redundancy: space, risk and rebuild. */
export const drives = defineDomain({
  id: 'drives',
  needs: ['library'],
  read: (
    {
      drives,
      machine,
      choices: { survivesAtLeast, readErrorEndsRebuild, watchingHoursPerDay, horizonYears },
    },
    { driveClasses, driveModels, hardware },
    { library }: { readonly library: LibraryFacts },
  ) => ({
    drives: poolDrives(drives, {
      ups: hasUps({ machine }, hardware),
      outageHoursPerYear: machine.outageHoursPerYear,
    }),
    catalogue: { driveClasses, driveModels },
    survivesAtLeast,
    readErrorEndsRebuild,
    watchingHoursPerDay,
    horizonYears,
    forecast: library.forecast,
    contentTB: library.contentTB,
    contentAtHorizonTB: library.contentAtHorizonTB,
    nothingKept: library.empty,
    irreplaceableTB: library.irreplaceableTB,
    copyMarks: library.copyMarks,
  }),
  facts: drivesFacts,
  tell: tellDrives,
})
