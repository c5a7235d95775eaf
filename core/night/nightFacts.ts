import type { DayHours } from '../machine/power/dayHours'
import type { Arrival } from '../plan/fastStorage'
import { minutesPerDay, slotMinutes } from '../units/week'
import { hoursWithin, isWithin, longestQuiet, type DaySpan } from './quietHours'

/** What the hours off meet. */
export interface NightFacts {
  /** the machine is off in it; null where it runs through */
  readonly off: DaySpan | null
  readonly wakesOnCall: boolean
  /** drives that turn stop for hours of the day */
  readonly asleep: boolean
  /** hours of watching in an ordinary week that fall into it */
  readonly cutHours: number
  /**
   * the same span, or as much of it as there is, where nobody watches and nothing arrives; null
   * where there is none
   */
  readonly quiet: DaySpan | null
  /** what arrives by itself in these hours, by name */
  readonly arrivals: readonly string[]
}

export interface NightSlice {
  readonly hours: DayHours
  readonly offFrom: number
  readonly arrivals: readonly Arrival[]
  /** how many watch, slot by slot over an ordinary week */
  readonly expected: Float64Array
}

/** What the hours off cut of watching, and what arrives in them. */
export function nightFacts({ hours, offFrom, arrivals, expected }: NightSlice): NightFacts {
  const off = hours.off > 0 ? { from: offFrom, minutes: Math.round(hours.off * 60) } : null
  const { wakesOnCall } = hours
  const asleep = hours.asleep > 0
  if (!off) return { off, wakesOnCall, asleep, cutHours: 0, quiet: null, arrivals: [] }
  const longest = longestQuiet(withArrivals(expected, arrivals))
  return {
    off,
    wakesOnCall,
    asleep,
    cutHours: hoursWithin(expected, off),
    quiet: longest && { from: longest.from, minutes: Math.min(longest.minutes, off.minutes) },
    arrivals: arrivals.flatMap(({ name, from, hours: length, gbPerDay }) =>
      gbPerDay > 0 && meets(off, { from, minutes: length * 60 }) ? [name || 'Arrivals'] : [],
    ),
  }
}

/** How many watch, slot by slot, with what arrives by itself as one more. */
function withArrivals(expected: Float64Array, arrivals: readonly Arrival[]): Float64Array {
  const busy = Float64Array.from(expected)
  for (const { gbPerDay, from, hours } of arrivals)
    if (gbPerDay > 0)
      for (let slot = 0; slot < busy.length; slot++)
        if (isWithin((slot * slotMinutes) % minutesPerDay, { from, minutes: hours * 60 }))
          busy[slot]! += 1
  return busy
}

/** Whether two spans of the day have a moment in common. */
function meets(one: DaySpan, other: DaySpan): boolean {
  const after = (later: number, earlier: number) => (((later - earlier) % 1440) + 1440) % 1440
  return after(other.from, one.from) < one.minutes || after(one.from, other.from) < other.minutes
}
