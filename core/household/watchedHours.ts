import { weeksPerMonth } from '../units/week'
import type { WeekCounts } from './weekCounts'

/** Hours a day that count where nothing is entered and there are no habits to follow. */
export const usualWatchedHours = 5

/** Where a number of hours a day comes from. */
export type HoursFrom = 'entered' | 'habits' | 'usual'

/** Hours of a day, and where they come from. */
export interface HoursPerDay {
  readonly perDay: number
  readonly from: HoursFrom
}

/**
 * Hours of a mean day in which anybody does what is counted: the chance that one or more do, added
 * up over the week.
 */
export function hoursAnybody({ minutesAbove }: Pick<WeekCounts, 'minutesAbove'>): number {
  return (minutesAbove[0] ?? 0) / 60 / weeksPerMonth / 7
}

/** Hours by habits are told to the tenth: more would be false precision. */
const toTheTenth = (hours: number) => Math.round(hours * 10) / 10

/**
 * Hours a day: as entered; else by the habits, where there are any; else what is usual.
 * @param byHabits null while no habit is entered
 */
export function hoursPerDay(
  entered: number | null,
  byHabits: number | null,
  usual: number,
): HoursPerDay {
  if (entered !== null) return { perDay: entered, from: 'entered' }
  return byHabits === null
    ? { perDay: usual, from: 'usual' }
    : { perDay: Math.min(24, toTheTenth(byHabits)), from: 'habits' }
}
