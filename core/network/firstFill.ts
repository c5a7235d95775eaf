import { requireWithin } from '../errors'
import { band, mapEstimate } from '../band'
import type { Estimate } from '../figure'
import type { Correction } from '../calibration/correction'

/** Many files under 1 MB take so many times as long as their bytes. */
export const smallFilesFactor: Estimate = { low: 2, likely: 3, high: 4 }
/** MB/s of a drive that is plugged in by USB of 5 Gb/s. */
export const usbMBps = 430
const hoursPerDay = 24

/** How fast each way carries: the slowest of what stands in a row. */
export interface FillQuestion {
  /** what has to be copied, TB */
  readonly sizeTB: number
  /** share of the bytes that lie in files under 1 MB */
  readonly smallShare: number
  /** MB/s of the drive that is copied from, and of the pool that is copied to */
  readonly fromMBps: number
  readonly toMBps: number
  /** MB/s of what the pool hangs on; null where nothing stands in between */
  readonly enclosureMBps: number | null
  readonly controllerMBps: number | null
  /** what parity and encryption let through; null where there is neither */
  readonly processorMBps: number | null
  /** payload of the home network, Mb/s */
  readonly homeMbps: number
  readonly downloadMbps: number
  /** GB a day that the line may bring in; null without a cap */
  readonly capGBPerDay: number | null
  /** what measured copies make of the rate over the home network, and of small files */
  readonly copying: Correction | null
  readonly smallFiles: Correction | null
}

export type FillWay = 'home' | 'plugged' | 'store'

export interface Fill {
  readonly way: FillWay
  /** MB/s that it runs at, and what sets that */
  readonly rateMBps: number
  readonly limit:
    | 'source'
    | 'pool'
    | 'enclosure'
    | 'controller'
    | 'processor'
    | 'home network'
    | 'USB'
    | 'internet line'
    | 'cap'
  /** null where nothing gets through */
  readonly hours: Estimate | null
  /** hours to read everything once more at both ends and compare */
  readonly verifyHours: number | null
}

/**
 * Hours to copy so much at so many MB/s, the bytes in small files taking longer.
 * @param copying what measurements make of the rate; its ends swing beside those of small files
 */
export function copyHours(
  sizeTB: number,
  { rateMBps, smallShare, smallFiles = null, copying = null }: CopyRate,
): Estimate {
  requireWithin('FILL_RATE', rateMBps, { min: 1e-9 })
  requireWithin('FILL_SMALL', smallShare, { min: 0, max: 1 })
  const small = smallFiles?.corrected ?? smallFilesFactor
  const at = (factor: number, rate: number) =>
    (sizeTB * 1e6 * (1 - smallShare + smallShare * factor)) / (rateMBps * rate) / 3600
  if (!copying) return mapEstimate(small, factor => at(factor, 1))
  return band({ small, rate: copying.factor }, ({ small: factor, rate }) => at(factor, rate), 'log')
}

interface CopyRate {
  readonly rateMBps: number
  readonly smallShare: number
  readonly smallFiles?: Correction | null
  readonly copying?: Correction | null
}

/**
 * Hours under a daily cap: whole days at the cap, and the last day ends with the last byte.
 * @example 1000 GB at 100 Mb/s with 300 GB a day: 3 days and 100 GB at full rate, 74.2 h
 */
export function cappedHours(
  sizeGB: number,
  { rateMBps, capGBPerDay }: { readonly rateMBps: number; readonly capGBPerDay: number },
): number {
  const perDayGB = (rateMBps * 3600 * hoursPerDay) / 1000
  if (perDayGB <= capGBPerDay) return (sizeGB * 1000) / rateMBps / 3600
  const fullDays = Math.max(0, Math.ceil(sizeGB / capGBPerDay - 1e-9) - 1)
  return fullDays * hoursPerDay + ((sizeGB - fullDays * capGBPerDay) * 1000) / rateMBps / 3600
}

type Link = readonly [Fill['limit'], number]

/**
 * The first fill by each way: over the home network, from a drive that is plugged in, and from an
 * online store.
 */
export function firstFills({
  sizeTB,
  smallShare,
  fromMBps,
  toMBps,
  enclosureMBps,
  controllerMBps,
  processorMBps,
  homeMbps,
  downloadMbps,
  capGBPerDay,
  copying,
  smallFiles,
}: FillQuestion): Fill[] {
  const source: Link = ['source', fromMBps]
  // Whatever way it comes, it goes through all that the pool hangs on.
  const pool: Link[] = [
    ['pool', toMBps],
    ...(enclosureMBps === null ? [] : [['enclosure', enclosureMBps] as const]),
    ...(controllerMBps === null ? [] : [['controller', controllerMBps] as const]),
    ...(processorMBps === null ? [] : [['processor', processorMBps] as const]),
  ]
  const fill = (way: FillWay, links: readonly Link[]): Fill => {
    const [limit, slowestMBps] = links.reduce((slowest, link) =>
      link[1] < slowest[1] ? link : slowest,
    )
    const measured = way === 'home' ? copying : null
    const rateMBps = slowestMBps * (measured?.factor.likely ?? 1)
    if (!(rateMBps > 0)) return { way, rateMBps, limit, hours: null, verifyHours: null }
    // Comparing needs no network, but both ends; what is pulled from a store is compared by its
    // checksums.
    const ends = Math.min(way === 'store' ? Infinity : fromMBps, ...pool.map(([, mbps]) => mbps))
    const verifyHours = (sizeTB * 1e6) / ends / 3600
    const plain = copyHours(sizeTB, {
      rateMBps: slowestMBps,
      smallShare,
      smallFiles,
      copying: measured,
    })
    if (way !== 'store' || capGBPerDay === null)
      return { way, rateMBps, limit, hours: plain, verifyHours }
    const capped = cappedHours(sizeTB * 1000, { rateMBps, capGBPerDay })
    const hours = {
      low: Math.max(plain.low, capped),
      likely: Math.max(plain.likely, capped),
      high: Math.max(plain.high, capped),
    }
    return { way, rateMBps, limit: capped > plain.likely ? 'cap' : limit, hours, verifyHours }
  }
  return [
    fill('home', [['home network', homeMbps / 8], source, ...pool]),
    fill('plugged', [source, ['USB', usbMBps], ...pool]),
    fill('store', [['internet line', downloadMbps / 8], ...pool]),
  ]
}

/** The two orders in which a new pool with parity is filled, by the way that is soonest. */
export interface FillOrders {
  readonly way: FillWay
  /** copying, then computing the parity: nothing is protected until the end */
  readonly copyFirst: Estimate
  /** computing it, then copying: each write writes parity too, so the pool takes less */
  readonly buildFirst: Estimate
}

/**
 * Hours of both orders; null where nothing gets through.
 * @param build hours of the first build, and the share of its rate that the pool writes at after it
 */
export function fillOrders(
  question: FillQuestion,
  { buildHours, writesKept }: { readonly buildHours: number; readonly writesKept: number },
): FillOrders | null {
  const soonest = (fills: readonly Fill[]) =>
    fills.reduce<{ readonly way: FillWay; readonly hours: Estimate } | null>(
      (best, { way, hours }) =>
        hours && (!best || hours.likely < best.hours.likely) ? { way, hours } : best,
      null,
    )
  const after = (hours: Estimate): Estimate => ({
    low: buildHours + hours.low,
    likely: buildHours + hours.likely,
    high: buildHours + hours.high,
  })
  const whole = soonest(firstFills(question))
  if (!whole) return null
  const slower = firstFills({ ...question, toMBps: question.toMBps * writesKept }).find(
    ({ way }) => way === whole.way,
  )!
  return {
    way: whole.way,
    copyFirst: after(whole.hours),
    buildFirst: after(slower.hours!),
  }
}

export interface Ripping {
  readonly discs: number
  readonly minutesEach: number
  readonly drives: number
  readonly hoursPerDay: number
}

/**
 * Ripping discs, as many at a time as there are drives: whole rounds, hours at the bench and days
 * of it. A day has as many whole
 * rounds as fit into its hours, one at least.
 * @example 160 discs of 25 min with 2 drives, 3 h a day: 80 rounds, 33.3 h, 12 days
 */
export function ripping({ discs, minutesEach, drives, hoursPerDay: hours }: Ripping): {
  readonly rounds: number
  readonly benchHours: number
  readonly days: number
} {
  requireWithin('RIP_DRIVES', drives, { min: 1 })
  requireWithin('RIP_MINUTES', minutesEach, { min: 1e-6 })
  const rounds = Math.ceil(discs / drives)
  const perDay = Math.max(1, Math.floor((hours * 60) / minutesEach + 1e-9))
  return { rounds, benchHours: (rounds * minutesEach) / 60, days: Math.ceil(rounds / perDay) }
}
