import { levelOf, poissonBinomial } from '../household/poissonBinomial'
import type { WatchingWeek } from '../household/weekHabits'
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

/** The busiest moment at home, where each viewer may watch a title of any rate. */
export interface HomeLoad extends WatchingLoad {
  /** what all of them take together */
  readonly sums: RateDistribution
}

/**
 * What watching puts on the home network at its busiest moment: who watches by their chances, and
 * each a title by the shares of the library, at its average rate.
 */
export function homeLoad(week: WatchingWeek, rates: readonly TitleRate[]): HomeLoad | null {
  const meanMbps = rates.reduce((sum, { mbps, share }) => sum + mbps * share, 0)
  const load = watchingLoad(week, false, viewers => viewers * meanMbps)
  if (!load) return null
  const sums = rateDistribution(load.chances, rates)
  return { ...load, sums, level99Mbps: levelOf(sums.chances, 0.99) * sums.stepMbps }
}

/** Chance that all viewers at home together ask for more than the network carries. */
export function homeShortChance({ sums }: HomeLoad, capacityMbps: number): number {
  return sums.chances.reduce(
    (sum, chance, at) => (at * sums.stepMbps > capacityMbps + 1e-9 ? sum + chance : sum),
    0,
  )
}

/** Chance that more is asked of a link than it carries, each viewer taking the same. */
export function shortChance({ rows }: WatchingLoad, capacityMbps: number): number {
  return rows.reduce(
    (sum, { chance, mbps }) => (mbps > capacityMbps + 1e-9 ? sum + chance : sum),
    0,
  )
}
