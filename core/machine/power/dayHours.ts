import type { Choices } from '../../plan/choices'

/** Hours of a day in each state of the machine; they add up to 24. */
export interface DayHours {
  readonly converting: number
  /** somebody watches, and nothing is converted */
  readonly watching: number
  readonly off: number
  /** on, with the drives that turn stopped */
  readonly asleep: number
  /** on, drives turning, nothing to do */
  readonly idle: number
  /** while it is off its network port listens */
  readonly wakesOnCall: boolean
}

type DayChoices = Pick<Choices, 'offHoursPerDay' | 'asleepHoursPerDay' | 'wakesOnCall'>

/**
 * Hours of a day in which anybody watches, converted or not, and in which anything is converted.
 */
export interface BusyHours {
  readonly watched: number
  readonly converting: number
}

/**
 * The hours of a day as far as it has them: converting first, then watching, off, and asleep; the
 * rest is idle.
 * @example dayHours({ off 8, asleep 10 }, { watched 5, converting 2 }) // watching 3, idle 1
 */
export function dayHours(
  { offHoursPerDay, asleepHoursPerDay, wakesOnCall }: DayChoices,
  { watched, converting }: BusyHours,
): DayHours {
  const watching = Math.max(0, watched - converting)
  const off = Math.min(offHoursPerDay, 24 - converting - watching)
  const asleep = Math.min(asleepHoursPerDay, 24 - converting - watching - off)
  return {
    converting,
    watching,
    off,
    asleep,
    idle: 24 - converting - watching - off - asleep,
    wakesOnCall,
  }
}
