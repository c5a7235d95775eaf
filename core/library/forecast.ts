import type { Quality } from '../catalogue/qualities'
import { exactly, type Estimate } from '../figure'
import type { Library } from '../plan/library'
import { recordingGB } from '../units/dataSize'
import { monthsPerYear } from '../units/time'

/** Artwork, previews and index beside the video, as a share of it. */
export const extrasShare = 0.02

/** Longest forecast, in months. */
export const longestForecastMonths = 180

/** Titles of one bitrate: today, and added in a month. */
export interface HoldingSize {
  readonly name: string
  readonly qualityId: string
  readonly bitrateMbps: Estimate
  /** false when the plan gives the bitrate itself */
  readonly usualBitrate: boolean
  /** TB that one Mb/s of mean bitrate makes of all its titles, extras included */
  readonly todayTBPerMbps: number
  /** the same of the titles added in one month */
  readonly addedTBPerMbps: number
}

/** Content month by month from now (index 0) on. */
export interface Forecast { readonly months: readonly Estimate[] }

/** The holdings as sizes per Mb/s, so that a different bitrate is a multiplication. */
export function holdingSizes(library: Library, qualities: readonly Quality[]): HoldingSize[] {
  return library.holdings.flatMap((holding) => {
    const quality = qualities.find(candidate => candidate.id === holding.quality)
    if (!quality) return []
    const tbPerMbps = recordingGB(1, holding.minutes) / 1000 * (1 + extrasShare)
    return [{
      name: holding.name || quality.label,
      qualityId: quality.id,
      bitrateMbps: holding.bitrateMbps === null ? quality.bitrateMbps : exactly(holding.bitrateMbps),
      usualBitrate: holding.bitrateMbps === null,
      todayTBPerMbps: holding.titles * tbPerMbps,
      addedTBPerMbps: holding.addedPerMonth * tbPerMbps,
    }]
  })
}

/**
 * Months' worth of today's additions that have come in after m months: additions are constant within twelve
 * months and × (1 + change) at months 13, 25 ….
 * @param month whole, >= 0
 * @param changePerYear > −1
 * @example additionsAfter(13, 0.5) // 12 + 1.5
 */
export function additionsAfter(month: number, changePerYear: number): number {
  let sum = 0
  let rate = 1
  for (let start = 0; start < month; start += monthsPerYear) {
    sum += rate * Math.min(monthsPerYear, month - start)
    rate *= 1 + changePerYear
  }
  return sum
}

/**
 * Content after some months' worth of additions. Content is linear in each bitrate and in the growth, so their swings
 * are written out here; they add by the root of the sum of squares, as everywhere.
 */
function contentAt(sizes: readonly HoldingSize[], library: Library, addedMonths: number): Estimate {
  let likely = library.otherTB
  let growthTB = library.otherGrowthGBPerMonth / 1000
  let down = 0
  let up = 0
  for (const { bitrateMbps, todayTBPerMbps, addedTBPerMbps } of sizes) {
    const tbPerMbps = todayTBPerMbps + addedMonths * addedTBPerMbps
    likely += bitrateMbps.likely * todayTBPerMbps
    growthTB += bitrateMbps.likely * addedTBPerMbps
    down += ((bitrateMbps.likely - bitrateMbps.low) * tbPerMbps) ** 2
    up += ((bitrateMbps.high - bitrateMbps.likely) * tbPerMbps) ** 2
  }
  const addedTB = addedMonths * growthTB
  likely += addedTB
  down += (addedTB * (1 - library.growthLowFactor)) ** 2
  up += (addedTB * (library.growthHighFactor - 1)) ** 2
  return { low: Math.max(0, likely - Math.sqrt(down)), likely, high: likely + Math.sqrt(up) }
}

/**
 * Content of the library month by month, with its band: the usual bitrates' ranges (unless a holding gives its own)
 * and the growth band together.
 * @param months how far to look, whole, 0..180
 */
export function forecastLibrary(library: Library, qualities: readonly Quality[], months: number): Forecast {
  const sizes = mergeByQuality(holdingSizes(library, qualities))
  return {
    months: Array.from({ length: months + 1 }, (_, month) =>
      contentAt(sizes, library, additionsAfter(month, library.additionsChangePerYear))),
  }
}

/** Holdings that share a bitrate swing together, so they count as one; this also keeps long lists quick. */
function mergeByQuality(sizes: readonly HoldingSize[]): HoldingSize[] {
  const merged = new Map<string, HoldingSize>()
  for (const size of sizes) {
    const key = size.usualBitrate ? size.qualityId : `given ${size.bitrateMbps.likely}`
    const before = merged.get(key)
    merged.set(key, before
      ? { ...before, todayTBPerMbps: before.todayTBPerMbps + size.todayTBPerMbps, addedTBPerMbps: before.addedTBPerMbps + size.addedTBPerMbps }
      : size)
  }
  return [...merged.values()]
}

/**
 * The first month whose content exceeds the room; 0 when it does not fit today.
 * @param contentTB content at month 0, 1, 2 …
 * @returns null when it fits through all of them
 * @example 14 TB now, +0.35 TB a month, room 27.2 TB: 38
 */
export function monthFull(contentTB: readonly number[], roomTB: number): number | null {
  const month = contentTB.findIndex(content => content > roomTB)
  return month < 0 ? null : month
}
