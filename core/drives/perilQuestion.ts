import { failureSpans } from './failureRate'
import type { PerilQuestion } from './perilChances'
import type { Pool, PoolDrives } from './poolOf'

/**
 * What the perils of a plan follow from.
 * @param drivesLoss chance of loss of the layout through failing drives in a year
 * @param factor what the planned chances of the other perils are multiplied by
 */
export function perilQuestion({ layout, arrangement, conditions }: Pool, { drives }: { readonly drives: PoolDrives }, { drivesLoss, factor }: { readonly drivesLoss: number, readonly factor: number }): PerilQuestion {
  const each = (chance: number) => Math.min(1, chance * factor)
  const hazard = failureSpans(conditions, 1).reduce((sum, span) => sum + span.failureRatePerHour * span.hours, 0)
  return {
    drivesLoss, anyDriveFails: -Math.expm1(-arrangement.members * hazard * factor), drives: arrangement.members,
    runsOn: layout.runsOn, hasRedundancy: layout.survives(arrangement.members) > 0, checksummed: drives.fileSystem === 'copyOnWrite',
    perYear: { sectorOfDrive: each(drives.sectorChance), deletion: each(drives.deletionChance), malware: each(drives.malwareChance), surge: each(drives.surgeChance), theft: each(drives.theftChance), board: each(drives.boardChance) },
    snapshots: drives.snapshotMonths > 0, ups: drives.ups,
    copies: { secondBox: drives.secondBox, offlineCopy: drives.offlineCopy, awayCopy: drives.awayCopy },
    withVersions: drives.copiesWithVersions, secondBoxTakesOver: drives.secondBoxTakesOver,
  }
}

/** Whether anything holds a second copy, of what is irreplaceable at least. */
export function hasCopy({ secondBox, offlineCopy, awayCopy }: Pick<PoolDrives, 'secondBox' | 'offlineCopy' | 'awayCopy'>): boolean {
  return [secondBox, offlineCopy, awayCopy].some(held => held !== 'nothing')
}
