import { failsMoreOften } from '../../plan/constants'
import type { DriveReport } from '../driveValues'
import { reportBefore } from './growth'
import { isTooHot, signalsOf, type Signal } from './signals'

export type DriveVerdict = 'keep' | 'watch' | 'replace'

/** What the reports of one drive say. */
export interface DriveHealth {
  readonly verdict: DriveVerdict
  /** what speaks against it, the worst first */
  readonly reasons: readonly Signal[]
  /** the way to it, not the disk: change the lead */
  readonly changeLead: boolean
  /** at its limit: cool it today */
  readonly tooHot: boolean
  /** places on its disk cannot be read */
  readonly sectors: boolean
  readonly newest: DriveReport
  readonly before: DriveReport | null
}

const rank = { replace: 0, watch: 1, lead: 2, told: 3 } as const

/**
 * The verdict on a drive by its reports. *Keep* is no promise: half of all drives fail without a
 * sign.
 * @param reports of this drive, in any order; at least one
 * @param hasRedundancy another drive may fail: without it, what speaks of unreadable places is
 *   reason enough to replace
 * @see handbook, drive register: published field studies and planned numbers
 */
export function driveHealth(
  reports: readonly DriveReport[],
  {
    hasRedundancy,
    longTestEveryHours,
  }: { readonly hasRedundancy: boolean; readonly longTestEveryHours: number },
): DriveHealth {
  const newest = reports.reduce((last, report) => (report.day >= last.day ? report : last))
  const before = reportBefore(reports)
  const reasons = signalsOf({ newest, before, longTestEveryHours })
    .map(signal =>
      signal.ofSectors && signal.level === 'watch' && !hasRedundancy
        ? { ...signal, level: 'replace' as const }
        : signal,
    )
    .sort((a, b) => rank[a.level] - rank[b.level])
  const has = (level: Signal['level']) => reasons.some(reason => reason.level === level)
  return {
    verdict: has('replace') ? 'replace' : has('watch') ? 'watch' : 'keep',
    reasons,
    changeLead: has('lead'),
    tooHot: isTooHot(newest),
    sectors: reasons.some(({ ofSectors, level }) => ofSectors && level !== 'told'),
    newest,
    before,
  }
}

/** What a verdict multiplies the failure rate of a drive by. */
export function failureFactor({
  verdict,
  sectors,
}: Pick<DriveHealth, 'verdict' | 'sectors'>): number {
  if (verdict === 'replace') return failsMoreOften.replace
  return verdict === 'watch' && sectors ? failsMoreOften.watch : 1
}
