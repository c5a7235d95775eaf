import { hoursPerDay, type HoursPerDay } from '../household/watchedHours'
import type { Choices } from '../plan/choices'
import { dayHours, type DayHours } from '../machine/power/dayHours'

/** Hours a day that count as converting where nothing is entered and there are no habits. */
export const usualConvertingHours = 2

export interface DaySlice extends Pick<
  Choices,
  'convertingHoursPerDay' | 'offHoursPerDay' | 'asleepHoursPerDay' | 'wakesOnCall'
> {
  readonly watchedHours: number
  /** hours of a day in which anything is converted by the habits; null where none is asked */
  readonly convertingByHabits: number | null
  /** somebody is said to need a conversion, where there are no habits to tell */
  readonly anyConverted: boolean
}

/** How the machine spends its day. */
export interface DayFacts {
  readonly hours: DayHours
  /** hours of a day in which anything is converted */
  readonly converting: HoursPerDay
}

export function dayFacts({
  watchedHours,
  convertingByHabits,
  anyConverted,
  ...choices
}: DaySlice): DayFacts {
  const converting = hoursPerDay(
    choices.convertingHoursPerDay,
    convertingByHabits,
    anyConverted ? usualConvertingHours : 0,
  )
  return {
    converting,
    hours: dayHours(choices, { watched: watchedHours, converting: converting.perDay }),
  }
}
