import type { Estimate } from './figure'

/** How swings add up: 'log' for products and quotients of positive numbers, 'linear' for sums. */
export type BandScale = 'linear' | 'log'

/**
 * The band of a computed figure: each input is swung to its low and to its high end with the others at their
 * likely value; on each side the swings of the result are added by the root of the sum of squares
 * (in logarithms for products).
 * @param inputs the uncertain inputs by name
 * @param compute the figure from one value for each input; must be finite, and positive where scale is 'log'
 * @returns the likely figure with its band; not rounded or floored, that comes last
 * @example band({ a: { low: 9, likely: 10, high: 12 } }, ({ a }) => 2 * a, 'linear') // 18, 20, 24
 */
export function band<Name extends string>(
  inputs: Readonly<Record<Name, Estimate>>,
  compute: (values: Record<Name, number>) => number,
  scale: BandScale,
): Estimate {
  const names = Object.keys(inputs) as Name[]
  const centre = Object.fromEntries(names.map(name => [name, inputs[name].likely])) as Record<Name, number>
  const likely = compute(centre)
  if (scale === 'log' && likely <= 0) return { low: likely, likely, high: likely }
  const forward = scale === 'log' ? Math.log : (value: number) => value
  const back = scale === 'log' ? Math.exp : (value: number) => value
  const middle = forward(likely)
  let down = 0
  let up = 0
  for (const name of names) {
    const { low, likely: centreValue, high } = inputs[name]
    if (low === centreValue && high === centreValue) continue
    const ends = [low, high].map(value => forward(compute({ ...centre, [name]: value })) - middle)
    down += Math.min(0, ...ends) ** 2
    up += Math.max(0, ...ends) ** 2
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
