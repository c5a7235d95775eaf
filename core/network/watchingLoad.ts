import { levelOf, poissonBinomial } from '../household/poissonBinomial'
import type { WatchingWeek } from '../household/weekHabits'

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
    rows: distribution.map((chance, viewers) => ({ viewers, chance, mbps: mbpsOf(viewers) })),
    meanMbps: distribution.reduce((sum, chance, viewers) => sum + chance * mbpsOf(viewers), 0),
    level99Mbps: mbpsOf(levelOf(distribution, 0.99)),
  }
}

/** Chance that more is asked of a link than it carries. */
export function shortChance({ rows }: WatchingLoad, capacityMbps: number): number {
  return rows.reduce(
    (sum, { chance, mbps }) => (mbps > capacityMbps + 1e-9 ? sum + chance : sum),
    0,
  )
}
