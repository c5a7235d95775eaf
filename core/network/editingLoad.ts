import { overlapHours } from '../drives/fast/arrivals'
import { viewingSpan } from '../household/viewingSpan'
import type { Arrival } from '../plan/fastStorage'

/**
 * What people away who edit take of the upload while the household watches, Mb/s: what each fetches
 * over the hours that it has, at most its limit. One that pauses while somebody watches takes
 * nothing then.
 * @example 5 GB in 4 h of the evening: 2.78
 */
export function editingMbps(
  arrivals: readonly Pick<
    Arrival,
    'link' | 'pauses' | 'fetchedGBPerDay' | 'from' | 'hours' | 'limitMbps'
  >[],
  watchedHoursPerDay: number,
): number {
  const watching = viewingSpan(watchedHoursPerDay)
  return arrivals
    .filter(
      ({ link, pauses, from, hours }) =>
        link === 'internet' &&
        !pauses &&
        watching !== null &&
        overlapHours(from, hours, watching) > 0,
    )
    .reduce(
      (sum, { fetchedGBPerDay, hours, limitMbps }) =>
        sum + Math.min(limitMbps ?? Infinity, (fetchedGBPerDay * 8000) / (hours * 3600)),
      0,
    )
}
