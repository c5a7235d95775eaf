import type { Estimate } from './figure'

/**
 * How swings add up: 'log' for products and quotients of positive numbers, 'linear' for sums,
 * 'chance' for chances, measured as ln(−ln(1 − P)), which keeps them within 0 … 1.
 */
export type BandScale = 'linear' | 'log' | 'chance'

const scales: Readonly<
  Record<
    BandScale,
    { readonly forward: (value: number) => number; readonly back: (value: number) => number }
  >
> = {
  linear: { forward: value => value, back: value => value },
  log: { forward: Math.log, back: Math.exp },
  chance: {
    forward: chance => Math.log(-Math.log1p(-chance)),
    back: value => -Math.expm1(-Math.exp(value)),
  },
}

/** Values at an end of their scale have no swing: they are held. */
function isHeld(value: number, scale: BandScale): boolean {
  return scale === 'log' ? value <= 0 : scale === 'chance' && (value <= 0 || value >= 1)
}

/**
 * The band of a computed figure: each input is swung to its low and to its high end with the others
 * at their
 * likely value; on each side the swings of the result are added by the root of the sum of squares
 * (in logarithms for products, in complementary log-logs for chances).
 * @param inputs the uncertain inputs by name
 * @param compute the figure from one value for each input; must be finite, positive where scale is
 *   'log', and within 0 … 1 where it is 'chance';
 *   the values are its own only while it runs
 * @returns the likely figure with its band; not rounded or floored, that comes last
 * @example band({ a: { low: 9, likely: 10, high: 12 } }, ({ a }) => 2 * a, 'linear') // 18, 20, 24
 */
export function band<Name extends string>(
  inputs: Readonly<Record<Name, Estimate>>,
  compute: (values: Record<Name, number>) => number,
  scale: BandScale,
): Estimate {
  const names = Object.keys(inputs) as Name[]
  const values = {} as Record<Name, number>
  for (const name of names) values[name] = inputs[name].likely
  const likely = compute(values)
  if (isHeld(likely, scale)) return { low: likely, likely, high: likely }
  const { forward, back } = scales[scale]
  const middle = forward(likely)
  let down = 0
  let up = 0
  for (const name of names) {
    const { low, likely: centreValue, high } = inputs[name]
    if (low === centreValue && high === centreValue) continue
    // One set of values for all: an edit swings some hundred figures, and copies would cost more
    // than the figures.
    values[name] = low
    const atLow = forward(compute(values)) - middle
    values[name] = high
    const atHigh = forward(compute(values)) - middle
    values[name] = centreValue
    down += Math.min(0, atLow, atHigh) ** 2
    up += Math.max(0, atLow, atHigh) ** 2
  }
  return {
    low: down > 0 ? back(middle - Math.sqrt(down)) : likely,
    likely,
    high: up > 0 ? back(middle + Math.sqrt(up)) : likely,
  }
}

/** Applies a rising function (a floor, a rounding) to all three values of an estimate. */
export function mapEstimate(estimate: Estimate, change: (value: number) => number): Estimate {
  return { low: change(estimate.low), likely: change(estimate.likely), high: change(estimate.high) }
}
