import { usualPerils } from '../plan/constants'
import { copiesOf, type CopyQuestion } from './copies'
import { failureSpans } from './failureRate'
import type { PerilQuestion } from './perilChances'
import type { Pool, PoolDrives } from './poolOf'

/**
 * What the perils of a plan follow from.
 * @param drivesLoss chance of loss of the layout through failing drives in a year
 * @param factor what the planned chances of the other perils are multiplied by
 */
export function perilQuestion(
  { layout, arrangement, conditions }: Pool,
  slice: CopyQuestion & { readonly drives: PoolDrives },
  { drivesLoss, factor }: { readonly drivesLoss: number; readonly factor: number },
): PerilQuestion {
  const { drives } = slice
  const each = (chance: number) => Math.min(1, chance * factor)
  const hazard = failureSpans(conditions, 1).reduce(
    (sum, span) => sum + span.failureRatePerHour * span.hours,
    0,
  )
  return {
    drivesLoss,
    anyDriveFails: -Math.expm1(-arrangement.members * hazard * factor),
    drives: arrangement.members,
    runsOn: layout.runsOn,
    hasRedundancy: arrangement.survives > 0,
    checksummed: drives.fileSystem === 'copyOnWrite',
    perYear: {
      sectorOfDrive: each(drives.sectorChance),
      deletion: each(drives.deletionChance),
      malware: each(drives.malwareChance),
      surge: each(drives.surgeChance),
      theft: each(drives.theftChance),
      board: each(drives.boardChance),
      several: each(
        drives.severalChance ??
          (drives.onUsb ? usualPerils.severalOnUsbChance : usualPerils.severalChance),
      ),
    },
    snapshots: drives.snapshotMonths > 0,
    ups: drives.ups ?? false,
    outageHoursPerYear: (drives.outageHoursPerYear ?? 0) * factor,
    copies: copiesOf(slice),
    withVersions: drives.copiesWithVersions,
    secondBoxTakesOver: drives.secondBoxTakesOver,
    coverages: drives.coverages,
  }
}
