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
  /** the same of what is fetched; both 0 where nothing is */
  readonly neededOutMbps: number
  readonly possibleOutMbps: number
  readonly inTime: boolean
}

interface ArrivalWays {
  readonly wiredMbps: number
  readonly wifiMbps: number
  readonly downloadMbps: number
  readonly uploadMbps: number
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
  const here = ways.drivesMBps * 8
  const link = {
    wired: ways.wiredMbps,
    wifi: ways.wifiMbps,
    internet: ways.downloadMbps,
    here,
  }
  const out = { ...link, internet: ways.uploadMbps }
  return arrivals.map(arrival => {
    const lost =
      arrival.pauses && ways.watching ? overlapHours(arrival.from, arrival.hours, ways.watching) : 0
    const hours = Math.max(0, arrival.hours - lost)
    const needed = (gb: number) =>
      gb === 0 ? 0 : hours > 0 ? (gb * 8000) / (hours * 3600) : Infinity
    const most = (mbps: number) => Math.min(mbps, here, arrival.limitMbps ?? Infinity)
    const { gbPerDay, fetchedGBPerDay } = arrival
    const neededMbps = needed(gbPerDay)
    const possibleMbps = most(link[arrival.link])
    const neededOutMbps = needed(fetchedGBPerDay)
    const possibleOutMbps = fetchedGBPerDay > 0 ? most(out[arrival.link]) : 0
    const minutesFor = (gb: number, mbps: number) =>
      gb === 0 ? 0 : mbps > 0 ? (gb * 8000) / mbps / 60 : arrival.hours * 60
    // An internet line carries both ways at once; so does a cable.
    const runs = Math.max(
      minutesFor(gbPerDay, possibleMbps),
      minutesFor(fetchedGBPerDay, possibleOutMbps),
    )
    return {
      arrival,
      from: arrival.from,
      minutes: Math.min(arrival.hours * 60, runs + lost * 60),
      neededMbps,
      possibleMbps,
      neededOutMbps,
      possibleOutMbps,
      inTime: neededMbps <= possibleMbps + 1e-9 && neededOutMbps <= possibleOutMbps + 1e-9,
    }
  })
}
