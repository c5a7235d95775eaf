import { posterior } from '../calibration/posterior'
import { priorOf } from '../calibration/prior'
import type { Estimate } from '../figure'
import { daysBetween } from '../units/calendarDay'
import { daysPerMonth } from '../units/time'

/** A reading of the used space: how much came since the one before that will not come again. */
export interface SpaceReading {
  /** '2026-11-24' */
  readonly day: string
  readonly usedTB: number
  readonly onceTB: number
}

/** Between two readings, growth scatters by so much of what was planned for a month. */
export const monthlyScatter = 0.5
/** A reading is good to this share of what is used. */
export const readingError = 0.002

/**
 * The last reading of each month, the oldest first; what came once into those left out is added to
 * the next.
 */
export function lastOfEachMonth(readings: readonly SpaceReading[]): SpaceReading[] {
  const inOrder = [...readings].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))
  const kept: SpaceReading[] = []
  let onceTB = 0
  inOrder.forEach((reading, at) => {
    onceTB += reading.onceTB
    const next = inOrder[at + 1]
    if (next && next.day.slice(0, 7) === reading.day.slice(0, 7)) return
    kept.push({ ...reading, onceTB })
    onceTB = 0
  })
  return kept
}

export interface GrowthQuestion {
  readonly readings: readonly SpaceReading[]
  /** first day of the month from which the forecast counts */
  readonly from: string
  /** likely content month by month from then on, TB */
  readonly forecastTB: readonly number[]
  /** what comes in a month by the plan, TB */
  readonly perMonthTB: Estimate
  /** what fits; null where no drives make a pool */
  readonly roomTB: readonly number[] | null
}

export interface FittedGrowth {
  /** growth against the plan's */
  readonly factor: Estimate
  /** pairs of readings that it stands on */
  readonly pairs: number
  readonly now: { readonly month: number; readonly usedTB: number }
  /** content in a month from now on, by the factor */
  readonly contentTB: (month: number) => Estimate
  /** first month whose content exceeds the room; null where none of the forecast does */
  readonly monthFull: {
    readonly likely: number | null
    readonly soonest: number | null
    readonly latest: number | null
  }
  /** used space fell between so many readings running, up to the last */
  readonly falls: number
}

/** Months of a day since another, fractions too. */
export const monthsSince = (from: string, day: string): number =>
  daysBetween(from, day) / daysPerMonth

/**
 * A forecast between its months, on straight lines; before its first month as it begins, so that
 * readings from before the plan count too; behind its last as at the end.
 */
function forecastAt(forecastTB: readonly number[], month: number): number {
  const last = forecastTB.length - 1
  if (month < 0 && last > 0) return forecastTB[0]! + month * (forecastTB[1]! - forecastTB[0]!)
  const inside = Math.min(last, Math.max(0, month))
  const before = Math.floor(inside)
  const [a, b] = [forecastTB[before] ?? 0, forecastTB[Math.min(last, before + 1)] ?? 0]
  return a + (inside - before) * (b - a)
}

interface Pair {
  readonly grewTB: number
  readonly plannedTB: number
  readonly sd: number
}

function pairsOf({ from, forecastTB }: GrowthQuestion, kept: readonly SpaceReading[]): Pair[] {
  return kept.slice(1).flatMap((reading, at): Pair[] => {
    const before = kept[at]!
    const months = daysBetween(before.day, reading.day) / daysPerMonth
    const plannedTB =
      forecastAt(forecastTB, monthsSince(from, reading.day)) -
      forecastAt(forecastTB, monthsSince(from, before.day))
    if (plannedTB <= 0 || months <= 0) return []
    return [
      {
        grewTB: reading.usedTB - before.usedTB - reading.onceTB,
        plannedTB,
        sd: Math.sqrt(
          (monthlyScatter * plannedTB) ** 2 / months + 2 * (readingError * reading.usedTB) ** 2,
        ),
      },
    ]
  })
}

/**
 * Growth refitted to readings of the used space: between two, what came is a factor times what was
 * planned, with an error; the factor's prior is the plan's range.
 * @returns null with fewer than two months of readings, or where the plan grows by nothing
 */
export function fitGrowth(question: GrowthQuestion): FittedGrowth | null {
  const { perMonthTB, forecastTB, from, roomTB } = question
  const kept = lastOfEachMonth(question.readings)
  const newest = kept.at(-1)
  const prior = priorOf(perMonthTB)
  const pairs = pairsOf(question, kept)
  if (!newest || !prior || pairs.length === 0) return null
  const points = posterior(
    prior,
    pairs.map(({ grewTB, plannedTB, sd }) => ({
      additive: grewTB,
      planned: plannedTB,
      spread: sd,
    })),
  )
  const factor = {
    low: Math.exp(points.low),
    likely: Math.exp(points.likely),
    high: Math.exp(points.high),
  }
  const now = { month: monthsSince(from, newest.day), usedTB: newest.usedTB }
  const planned = (month: number) =>
    forecastAt(forecastTB, month) - forecastAt(forecastTB, now.month)
  const contentTB = (month: number): Estimate => ({
    low: now.usedTB + factor.low * planned(month),
    likely: now.usedTB + factor.likely * planned(month),
    high: now.usedTB + factor.high * planned(month),
  })
  const fullAt = (end: keyof Estimate): number | null => {
    if (!roomTB) return null
    for (let month = Math.max(0, Math.ceil(now.month)); month < forecastTB.length; month++)
      if (contentTB(month)[end] > (roomTB[month] ?? roomTB.at(-1) ?? 0)) return month
    return null
  }
  let falls = 0
  while (falls < kept.length - 1 && kept.at(-1 - falls)!.usedTB < kept.at(-2 - falls)!.usedTB)
    falls++
  return {
    factor,
    pairs: pairs.length,
    now,
    contentTB,
    monthFull: { likely: fullAt('likely'), soonest: fullAt('high'), latest: fullAt('low') },
    falls,
  }
}
