import { levelOf, poissonBinomial } from '../household/poissonBinomial'
import type { WatchingWeek } from '../household/weekHabits'
import { overheadFactor } from './awayStreams'
import { rateDistribution, type RateDistribution } from './rateDistribution'
import type { TitleRate } from './titleRates'

/** How many watch at one moment, and what that puts on a link. */
export interface LoadRow {
  readonly viewers: number
  readonly chance: number
  readonly mbps: number
}

/** The busiest moment of one side of the house, as a distribution. */
export interface WatchingLoad {
  /** slot of the week in which most are expected to watch */
  readonly slot: number
  /** of those who ever watch then, the chance of each */
  readonly chances: readonly number[]
  readonly rows: readonly LoadRow[]
  readonly meanMbps: number
  /** not exceeded with 99 % */
  readonly level99Mbps: number
}

/**
 * Chances of each watcher on one side at the moment at which most of them are expected; null where
 * none ever watches.
 */
export function busiestChances(
  { watchers, ordinary }: WatchingWeek,
  isAway: boolean,
): { readonly slot: number; readonly chances: readonly number[] } | null {
  const side = watchers.flatMap((watcher, index) =>
    watcher.isAway === isAway ? [ordinary.watching[index]!] : [],
  )
  let best: { readonly slot: number; readonly sum: number } | null = null
  for (const { first: slot } of ordinary.alike) {
    const sum = side.reduce((total, chances) => total + chances[slot]!, 0)
    if (sum > (best?.sum ?? 0) + 1e-12) best = { slot, sum }
  }
  return (
    best && {
      slot: best.slot,
      chances: side.map(chances => Math.min(1, chances[best.slot]!)).filter(chance => chance > 0),
    }
  )
}

/**
 * What watching puts on a link at the busiest moment: how many watch is a Poisson-binomial, and
 * each count takes its own rate.
 * @param mbpsOf Mb/s that so many viewers take
 */
export function watchingLoad(
  week: WatchingWeek,
  isAway: boolean,
  mbpsOf: (viewers: number) => number,
): WatchingLoad | null {
  const busiest = busiestChances(week, isAway)
  if (!busiest) return null
  const distribution = poissonBinomial(busiest.chances)
  return {
    slot: busiest.slot,
    chances: busiest.chances,
    rows: distribution.map((chance, viewers) => ({ viewers, chance, mbps: mbpsOf(viewers) })),
    meanMbps: distribution.reduce((sum, chance, viewers) => sum + chance * mbpsOf(viewers), 0),
    level99Mbps: mbpsOf(levelOf(distribution, 0.99)),
  }
}

/** The busiest moment of a side, where each viewer may watch a title of any rate. */
export interface RatedLoad extends WatchingLoad {
  /** what all of them take together */
  readonly sums: RateDistribution
}

/**
 * What watching puts on a link at its busiest moment: who watches by their chances, and each a
 * title by the shares of the library, at its rate.
 */
export function ratedLoad(
  week: WatchingWeek,
  isAway: boolean,
  rates: readonly Pick<TitleRate, 'mbps' | 'share'>[],
): RatedLoad | null {
  const meanMbps = rates.reduce((sum, { mbps, share }) => sum + mbps * share, 0)
  const load = watchingLoad(week, isAway, viewers => viewers * meanMbps)
  if (!load) return null
  const sums = rateDistribution(load.chances, rates)
  return { ...load, sums, level99Mbps: levelOf(sums.chances, 0.99) * sums.stepMbps }
}

/**
 * Rates at which titles are sent away: what has more than the quality that is sent comes down to
 * it, what has less goes as it is; each with what headers and resent packets add.
 */
export function awayRates(rates: readonly TitleRate[], rungMbps: number): TitleRate[] {
  return rates.map(rate => ({ ...rate, mbps: Math.min(rate.mbps, rungMbps) * overheadFactor }))
}

/** Chance that all viewers of a side together ask for more than a link carries. */
export function shortChance({ sums }: RatedLoad, capacityMbps: number): number {
  return sums.chances.reduce(
    (sum, chance, at) => (at * sums.stepMbps > capacityMbps + 1e-9 ? sum + chance : sum),
    0,
  )
}
