import { requireWithin } from '../errors'

/** When a habit happens on one day. */
export interface HabitTimes {
  /** earliest start, minutes on an endless line of time */
  readonly earliest: number
  /** latest start, >= earliest; the start is uniform between the two */
  readonly latest: number
  /** length in minutes, > 0 */
  readonly minutes: number
  /** chance that it happens at all on such a day, 0..1 */
  readonly chance: number
}

/**
 * Chance that a habit is going on at a moment.
 * With the start uniform on [a, b] and length L: c · max(0, min(b, t) − max(a, t − L)) ÷ (b − a);
 * with one possible start a: c while a ≤ t < a + L.
 * @param t the moment, in the same minutes as the times
 * @throws {CoreRangeError} HABIT_WINDOW, HABIT_LENGTH, HABIT_CHANCE
 * @example chanceActive(1200, { earliest: 1140, latest: 1260, minutes: 90, chance: 0.6 }) // 0.6 ·
 *   60 / 120 = 0.3
 */
export function chanceActive(t: number, { earliest, latest, minutes, chance }: HabitTimes): number {
  requireWithin('HABIT_WINDOW', latest - earliest, { min: 0 })
  requireWithin('HABIT_LENGTH', minutes, { min: Number.MIN_VALUE })
  requireWithin('HABIT_CHANCE', chance, { min: 0, max: 1 })
  if (latest === earliest) return t >= earliest && t < earliest + minutes ? chance : 0
  return (
    (chance * Math.max(0, Math.min(latest, t) - Math.max(earliest, t - minutes))) /
    (latest - earliest)
  )
}
