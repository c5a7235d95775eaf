import type { Arrival } from '../../plan/fastStorage'
import { minutesPerDay } from '../../units/week'

/** What arrives by itself on an evening, and what it takes: it is withdrawn first. */
export interface Background {
  /** place in the plan's list */
  readonly at: number
  readonly name: string
  /** chance of an evening */
  readonly chance: number
  /** seconds from the midnight at which its evening's day begins */
  readonly from: number
  readonly to: number
  readonly mbps: number
  readonly link: Arrival['link']
}

/** Wi-Fi's payload that what arrives over it is counted at, Mb/s. */
export const arrivalWifiMbps = 150

/** Arrivals that do not pause while somebody watches. */
export function backgroundsOf(arrivals: readonly Arrival[], cutMinute: number): Background[] {
  return arrivals.flatMap((arrival, at): Background[] => {
    const { pauses, gbPerDay, hours, limitMbps, daysPerWeek, from, link, name } = arrival
    if (pauses || gbPerDay <= 0) return []
    const mean = (gbPerDay * 8000) / (hours * 3600)
    const begins = (from >= cutMinute ? from : from + minutesPerDay) * 60
    return [
      {
        at,
        name,
        chance: Math.min(1, daysPerWeek / 7),
        from: begins,
        to: begins + hours * 3600,
        mbps: Math.min(limitMbps ?? Infinity, mean),
        link,
      },
    ]
  })
}
