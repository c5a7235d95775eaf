import { band } from '../band'
import type { Estimate } from '../figure'
import type { Library } from '../plan/library'
import { monthsPerYear } from '../units/time'
import type { HoldingSize } from './holdingSizes'

/** What a month of the first year adds, TB. */
export interface Growth {
  /** additions, growth of its own and deletions, likely */
  readonly addedTB: number
  readonly ownTB: number
  readonly removedTB: number
  readonly total: Estimate
}

/**
 * Growth in a month of the first year: additions + growth in % a year of what is there − deletions.
 * Its band swings the
 * additions and the growth of its own to the ends of the growth band together, and each usual size
 * to its own ends.
 */
export function growthPerMonth(
  { growthLowFactor, growthHighFactor, otherGrowthGBPerMonth }: Library,
  sizes: readonly HoldingSize[],
): Growth {
  const own = (size: HoldingSize, growth: number) =>
    size.todayTB * ((1 + Math.max(-0.999, size.growthPerYear * growth)) ** (1 / monthsPerYear) - 1)
  const sum = (pick: (size: HoldingSize) => number) =>
    sizes.reduce((total, size) => total + size.amount.likely * pick(size), 0)
  const otherTB = otherGrowthGBPerMonth / 1000
  const amounts: Record<string, Estimate> = Object.fromEntries(
    sizes.flatMap(({ usualOf, amount }) => (usualOf === null ? [] : [[usualOf, amount]])),
  )
  const total = band(
    { ...amounts, growth: { low: growthLowFactor, likely: 1, high: growthHighFactor } },
    values =>
      sizes.reduce((tb, size) => {
        const amount =
          size.usualOf === null ? size.amount.likely : values[size.usualOf as keyof typeof values]
        return (
          tb + amount * (size.addedTB * values.growth + own(size, values.growth) - size.removedTB)
        )
      }, otherTB * values.growth),
    'linear',
  )
  return {
    addedTB: sum(size => size.addedTB) + otherTB,
    ownTB: sum(size => own(size, 1)),
    removedTB: sum(size => size.removedTB),
    total,
  }
}
