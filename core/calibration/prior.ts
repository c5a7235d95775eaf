import type { Estimate } from '../figure'

/** 80 % of a normal distribution lie within so many standard deviations of its middle. */
export const tenthAt = 1.28155

/** No side of a range counts as narrower than 5 %, none as wider than five times. */
export const narrowestSide = Math.log(1.05) / tenthAt
export const widestSide = Math.log(5) / tenthAt

/**
 * What the plan knows of a figure, in logarithms of true ÷ likely: a normal distribution whose
 * sides differ, so that low, likely and high are exactly its 10, 50 and 90 % points.
 */
export interface Prior {
  readonly below: number
  readonly above: number
}

/**
 * A side whose end is not known takes the other's width; a figure without a range gets 5 %.
 * @returns null where nothing of it is above 0: such a figure is not calibrated
 */
export function priorOf({ low, likely, high }: Estimate): Prior | null {
  if (!(likely > 0) || (low <= 0 && !(high > 0))) return null
  const side = (ratio: number) =>
    ratio >= 1 && ratio < Infinity ? Math.log(ratio) / tenthAt : null
  const below = low > 0 ? side(likely / low) : null
  const above = side(high / likely)
  const within = (sigma: number) => Math.min(widestSide, Math.max(narrowestSide, sigma))
  return {
    below: within(below ?? above ?? 0),
    above: within(above ?? below ?? 0),
  }
}

/** Logarithm of true ÷ likely at z standard deviations. */
export const atDeviation = ({ below, above }: Prior, z: number): number =>
  z * (z < 0 ? below : above)
