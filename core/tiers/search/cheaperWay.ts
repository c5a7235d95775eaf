import type { BestBuilds } from './bestBuilds'
import { yearsCost, type WayBuild } from './wayBuild'

/** A way that costs less over the years by this share is told beside staying. Handbook 09. */
export const muchCheaper = 0.1

/**
 * The best build over the years where it costs a tenth less than staying does; null where staying
 * is as good, or nothing is found yet.
 * @param staysOverYears what staying costs over the years, with what has to be changed for it
 */
export function cheaperWay(
  { builds }: Pick<BestBuilds, 'builds'>,
  staysOverYears: number,
): WayBuild | null {
  const best = builds.find(({ because }) => because.includes('years'))?.build
  if (!best || best.way === 'stay') return null
  return yearsCost(best) <= (1 - muchCheaper) * staysOverYears + 1e-9 ? best : null
}
