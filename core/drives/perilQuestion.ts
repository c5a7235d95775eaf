import { usualPerils } from '../plan/constants'
import type { CopyMarks } from '../library/libraryFacts'
import { failureSpans } from './failureRate'
import type { Held, PerilQuestion } from './perilChances'
import type { Pool, PoolDrives } from './poolOf'

/**
 * What the perils of a plan follow from.
 * @param drivesLoss chance of loss of the layout through failing drives in a year
 * @param factor what the planned chances of the other perils are multiplied by
 */
export function perilQuestion(
  { layout, arrangement, conditions }: Pool,
  { drives, copyMarks }: { readonly drives: PoolDrives; readonly copyMarks: CopyMarks },
  { drivesLoss, factor }: { readonly drivesLoss: number; readonly factor: number },
): PerilQuestion {
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
    copies: copiesOf(drives, copyMarks),
    withVersions: drives.copiesWithVersions,
    secondBoxTakesOver: drives.secondBoxTakesOver,
    coverages: drives.coverages,
  }
}

type CopySettings = Pick<PoolDrives, 'secondBox' | 'offlineCopy' | 'awayCopy'>

/** What each copy holds whole, once the marks of single holdings are counted. */
export function copiesOf(
  { secondBox, offlineCopy, awayCopy }: CopySettings,
  marks: CopyMarks,
): Readonly<Record<keyof CopySettings, Held>> {
  const holds = (held: Held): Held => {
    if (held === 'nothing' || marks.irreplaceableNowhere) return 'nothing'
    return (held === 'everything' && !marks.replaceableNowhere) || marks.replaceableEverywhere
      ? 'everything'
      : 'irreplaceable'
  }
  return { secondBox: holds(secondBox), offlineCopy: holds(offlineCopy), awayCopy: holds(awayCopy) }
}

/** Whether anything holds a second copy, of what is irreplaceable at least. */
export function hasCopy(drives: CopySettings, marks: CopyMarks): boolean {
  return Object.values(copiesOf(drives, marks)).some(held => held !== 'nothing')
}
