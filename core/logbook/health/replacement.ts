import { daysBetween } from '../../units/calendarDay'
import type { DriveVerdict } from './verdict'

/** A warranty that ends within so many days is claimed first. */
export const claimDays = 60

/** What decides which drive goes next. */
export interface Candidate {
  readonly verdict: DriveVerdict
  /** drives that may still fail in its group */
  readonly redundancyLeft: number
  /** '' where it is not known */
  readonly warrantyUntil: string
  readonly hours: number | null
  readonly sizeTB: number | null
}

const rank = { replace: 0, watch: 1, keep: 2 } as const

/**
 * Drives in the order in which they are replaced: *replace* before *watch*; among them the group
 * with the least redundancy left, then a warranty that ends soon, then the most hours, then the
 * smallest. Those to keep are left out.
 */
export function orderOfReplacement<Drive extends Candidate>(
  drives: readonly Drive[],
  today: string,
): Drive[] {
  const endsSoon = ({ warrantyUntil }: Candidate) => {
    const days = warrantyUntil === '' ? Infinity : daysBetween(today, warrantyUntil)
    return days >= 0 && days <= claimDays ? 0 : 1
  }
  return drives
    .filter(({ verdict }) => verdict !== 'keep')
    .sort(
      (a, b) =>
        rank[a.verdict] - rank[b.verdict] ||
        a.redundancyLeft - b.redundancyLeft ||
        endsSoon(a) - endsSoon(b) ||
        (b.hours ?? 0) - (a.hours ?? 0) ||
        (a.sizeTB ?? 0) - (b.sizeTB ?? 0),
    )
}
