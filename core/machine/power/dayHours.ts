import type { Choices } from '../../plan/choices'

/** Hours of a day in each state of the machine; they add up to 24. */
export interface DayHours {
  readonly converting: number
  readonly off: number
  /** on, with the drives that turn stopped */
  readonly asleep: number
  /** on, drives turning, nothing to convert */
  readonly idle: number
  /** while it is off its network port listens */
  readonly wakesOnCall: boolean
}

type DayChoices = Pick<
  Choices,
  'convertingHoursPerDay' | 'offHoursPerDay' | 'asleepHoursPerDay' | 'wakesOnCall'
>

/**
 * The hours as they are entered, as far as a day has them: converting first, then off, then asleep;
 * the rest is idle.
 * @example dayHours({ converting 2, off 8, asleep 10 }) // idle 4
 */
export function dayHours({
  convertingHoursPerDay: converting,
  offHoursPerDay,
  asleepHoursPerDay,
  wakesOnCall,
}: DayChoices): DayHours {
  const off = Math.min(offHoursPerDay, 24 - converting)
  const asleep = Math.min(asleepHoursPerDay, 24 - converting - off)
  return { converting, off, asleep, idle: 24 - converting - off - asleep, wakesOnCall }
}
