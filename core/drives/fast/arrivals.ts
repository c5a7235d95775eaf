import type { Arrival } from '../../plan/fastStorage'

/** An arrival on its day: when it runs, and whether it gets through in time. */
export interface ArrivalRun {
  readonly arrival: Arrival
  /** minutes of the day; it may run past midnight */
  readonly from: number
  readonly minutes: number
  /** Mb/s that it needs to be done in its hours, and that it can have */
  readonly neededMbps: number
  readonly possibleMbps: number
  readonly inTime: boolean
}

interface ArrivalWays {
  readonly wiredMbps: number
  readonly wifiMbps: number
  readonly downloadMbps: number
  /** MB/s of the data drives */
  readonly drivesMBps: number
  /** minutes of the day in which the household usually watches */
  readonly watching: { readonly from: number; readonly to: number } | null
}

/** Hours of one span of a day that lie within another; both may run past midnight. */
export function overlapHours(
  from: number,
  hours: number,
  other: { readonly from: number; readonly to: number },
): number {
  const [start, end] = [from, from + hours * 60]
  const length = (other.to - other.from + 1440) % 1440 || 1440
  return (
    [-1440, 0, 1440].reduce(
      (sum, shift) =>
        sum +
        Math.max(
          0,
          Math.min(end, other.from + shift + length) - Math.max(start, other.from + shift),
        ),
      0,
    ) / 60
  )
}

/** When arrivals run and whether they get through: what waits for viewers has fewer hours. */
export function arrivalRuns(arrivals: readonly Arrival[], ways: ArrivalWays): ArrivalRun[] {
  const link = {
    wired: ways.wiredMbps,
    wifi: ways.wifiMbps,
    internet: ways.downloadMbps,
    here: ways.drivesMBps * 8,
  }
  return arrivals.map(arrival => {
    const lost =
      arrival.pauses && ways.watching ? overlapHours(arrival.from, arrival.hours, ways.watching) : 0
    const hours = Math.max(0, arrival.hours - lost)
    const neededMbps = hours > 0 ? (arrival.gbPerDay * 8000) / (hours * 3600) : Infinity
    const possibleMbps = Math.min(
      link[arrival.link],
      ways.drivesMBps * 8,
      arrival.limitMbps ?? Infinity,
    )
    const runs =
      possibleMbps > 0 ? (arrival.gbPerDay * 8000) / possibleMbps / 60 : arrival.hours * 60
    return {
      arrival,
      from: arrival.from,
      minutes: Math.min(arrival.hours * 60, runs + lost * 60),
      neededMbps,
      possibleMbps,
      inTime: neededMbps <= possibleMbps + 1e-9,
    }
  })
}
