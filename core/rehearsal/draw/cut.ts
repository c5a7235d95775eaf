import type { WatchingWeek } from '../../household/weekHabits'
import { minutesPerDay, slotMinutes, slotsPerWeek } from '../../units/week'

/** Of equals the first one at or after this minute of the day. */
const fromMinute = 4 * 60
const slotsPerDay = minutesPerDay / slotMinutes
const tolerance = 1e-9

/**
 * The minute of the day at which one evening ends and the next begins: the five minutes in which
 * fewest are expected to watch, by ordinary habits alone, summed over the week.
 * @see handbook 10, How an evening is drawn
 */
export function cutOf({ ordinary }: Pick<WatchingWeek, 'ordinary'>): number {
  const sums = new Float64Array(slotsPerDay)
  for (const watching of ordinary.watching)
    for (let slot = 0; slot < slotsPerWeek; slot++) sums[slot % slotsPerDay]! += watching[slot]!
  const first = fromMinute / slotMinutes
  let best = first
  for (let step = 1; step < slotsPerDay; step++) {
    const slot = (first + step) % slotsPerDay
    if (sums[slot]! < sums[best]! - tolerance) best = slot
  }
  return best * slotMinutes
}
