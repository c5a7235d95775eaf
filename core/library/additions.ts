import type { Library } from '../plan/library'
import { holdingSizes, type Qualities } from './holdingSizes'

/**
 * GB that are added in a month of the first year, likely; what is deleted, and growth in per cent,
 * apart.
 */
export function addedGBPerMonth(library: Library, qualities: Qualities): number {
  return holdingSizes(library, qualities).reduce(
    (sum, { amount, addedTB }) => sum + amount.likely * addedTB * 1000,
    library.otherGrowthGBPerMonth,
  )
}

/**
 * A library to which so much is added in a month: all additions by the same factor; where there are
 * none yet, as anything else.
 * @example 40 films and 10 GB a month that make 400 GB, at 200: 20 films and 5 GB
 */
export function withAddedGBPerMonth(
  library: Library,
  gbPerMonth: number,
  qualities: Qualities,
): Library {
  const now = addedGBPerMonth(library, qualities)
  if (now <= 0) return { ...library, otherGrowthGBPerMonth: gbPerMonth }
  const factor = gbPerMonth / now
  return {
    ...library,
    otherGrowthGBPerMonth: library.otherGrowthGBPerMonth * factor,
    holdings: library.holdings.map(holding => ({
      ...holding,
      addedPerMonth: holding.addedPerMonth * factor,
      addedGBPerMonth: holding.addedGBPerMonth * factor,
    })),
  }
}
