import { defineDomain } from '../domain'
import { allOf } from '../calibration/heldTrials'
import { hasUps } from '../plan/hasUps'
import type { HouseholdFacts } from '../household/householdFacts'
import type { LibraryFacts } from '../library/libraryFacts'
import { lineKeepsUp } from './backup/backupPlan'
import { drivesFacts } from './drivesFacts'
import { ailingOf } from './ailing'
import { hangsOnUsb } from './hangsOnUsb'
import { poolDrives } from './poolOf'
import type { SharedLink } from './sharedLinks'
import { tellDrives } from './tellDrives'

/** How many, how big, and with which redundancy: space, risk and rebuild. */
export const drives = defineDomain({
  id: 'drives',
  needs: ['household', 'library', 'hanging'],
  read: (
    {
      drives,
      library: kept,
      network,
      machine,
      calibration,
      choices: { survivesAtLeast, readErrorEndsRebuild, horizonYears },
    },
    { driveClasses, driveModels, hardware, qualities, otherQualities },
    {
      library,
      household,
      hanging,
    }: {
      readonly library: LibraryFacts
      readonly household: HouseholdFacts
      readonly hanging: { readonly sharedLinks: readonly SharedLink[] }
    },
  ) => ({
    drives: poolDrives(drives, {
      ups: hasUps({ machine }, hardware),
      onUsb: hangsOnUsb({ machine, drives }, { hardware, driveModels, driveClasses }),
      outageHoursPerYear: machine.outageHoursPerYear,
    }),
    catalogue: { driveClasses, driveModels },
    survivesAtLeast,
    readErrorEndsRebuild,
    watchedHoursPerDay: household.watched.perDay,
    sharedLinks: hanging.sharedLinks,
    rebuilds: allOf(calibration, 'rebuildHours'),
    ailing: ailingOf(drives),
    horizonYears,
    contentTB: library.contentTB,
    contentAtHorizonTB: library.contentAtHorizonTB,
    nothingKept: library.empty,
    irreplaceableTB: library.irreplaceableTB,
    copyMarks: library.copyMarks,
    allMayBeLost: library.allMayBeLost,
    lineKeepsUp: lineKeepsUp(
      { library: kept, drives, network, calibration },
      { qualities, otherQualities },
    ),
  }),
  facts: drivesFacts,
  tell: tellDrives,
})
