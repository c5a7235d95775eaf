import { describe, expect, it } from 'vitest'
import type { Estimate } from '../figure'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { likelihood, type Observation } from './noise'
import { normalAbove, normalBetween, normalDensity } from './normal'
import { posterior } from './posterior'
import { atDeviation, narrowestSide, priorOf, tenthAt, widestSide, type Prior } from './prior'

const capacity: Estimate = { low: 2.48, likely: 3.1, high: 3.1 * (4 / 3) }
const within = (from: number, to: number, spread = 0.1): Observation => ({
  from: from > 0 ? Math.log(from / 3.1) : -Infinity,
  to: to < Infinity ? Math.log(to / 3.1) : Infinity,
  spread,
})
const at = (ratio: number, spread: number): Observation => ({ at: Math.log(ratio), spread })

/** Adaptive Simpson: the slow second method. */
function integral(of: (x: number) => number, from: number, to: number, eps: number): number {
  const simpson = (a: number, fa: number, b: number, fb: number, fm: number) =>
    ((b - a) / 6) * (fa + 4 * fm + fb)
  const deeper = (
    a: number,
    fa: number,
    b: number,
    fb: number,
    fm: number,
    whole: number,
    tolerance: number,
    depth: number,
  ): number => {
    const m = (a + b) / 2
    const [fl, fr] = [of((a + m) / 2), of((m + b) / 2)]
    const [left, right] = [simpson(a, fa, m, fm, fl), simpson(m, fm, b, fb, fr)]
    return depth === 0 || Math.abs(left + right - whole) < 15 * tolerance
      ? left + right + (left + right - whole) / 15
      : deeper(a, fa, m, fm, fl, left, tolerance / 2, depth - 1) +
          deeper(m, fm, b, fb, fr, right, tolerance / 2, depth - 1)
  }
  let sum = 0
  const parts = 64
  for (let part = 0; part < parts; part++) {
    const a = from + ((to - from) * part) / parts
    const b = from + ((to - from) * (part + 1)) / parts
    const [fa, fb, fm] = [of(a), of(b), of((a + b) / 2)]
    sum += deeper(a, fa, b, fb, fm, simpson(a, fa, b, fb, fm), eps / parts, 30)
  }
  return sum
}

/** Points of the posterior by integration and bisection. */
function integrated(prior: Prior, observations: readonly Observation[]) {
  const weight = (z: number) =>
    observations.reduce(
      (product, observation) => product * likelihood(observation, atDeviation(prior, z)).whole,
      Math.exp((-z * z) / 2),
    )
  const peak = Array.from({ length: 1601 }, (_, i) => weight(-8 + i / 100)).reduce((a, b) =>
    Math.max(a, b),
  )
  const scaled = (z: number) => weight(z) / peak
  // The two sides meet at 0: neither is integrated across it.
  const below = (z: number) =>
    integral(scaled, -8, Math.min(0, z), 1e-9) + (z > 0 ? integral(scaled, 0, z, 1e-9) : 0)
  const total = below(8)
  return ([0.1, 0.5, 0.9] as const).map(share => {
    let [low, high] = [-8, 8]
    for (let step = 0; step < 40; step++) {
      const middle = (low + high) / 2
      if (below(middle) < share * total) low = middle
      else high = middle
    }
    return atDeviation(prior, (low + high) / 2)
  })
}

describe('the normal distribution', () => {
  it.each([
    [0, 0.5],
    [1, 0.15865525393145707],
    [1.28155, 0.1000002746],
    [-1, 0.8413447460685429],
    [2.4999, 0.006211419093],
    [2.5, 0.006209665325776132],
    [6, 9.865876450376946e-10],
    [10, 7.619853024160489e-24],
    [30, 4.906713927148187e-198],
  ])('above %f: %f', (z, expected) => {
    expect(normalAbove(z) / expected).toBeCloseTo(1, 6)
  })
  it('is the integral of its density, in the tails too', () => {
    for (const [from, to] of [
      [-1, 2],
      [3, 3.5],
      [-5, -4.5],
    ] as const)
      expect(integral(normalDensity, from, to, 1e-13) / normalBetween(from, to)).toBeCloseTo(1, 8)
    expect(normalBetween(-Infinity, Infinity)).toBe(1)
  })
})

describe('a prior', () => {
  it('has the low, likely and high of the plan as its 10, 50 and 90 % points', () => {
    const prior = priorOf(capacity)!
    expect(prior.below).toBeCloseTo(0.1741, 4)
    expect(prior.above).toBeCloseTo(0.2245, 4)
    expect(3.1 * Math.exp(atDeviation(prior, -tenthAt))).toBeCloseTo(2.48, 9)
    const { low, likely, high } = posterior(prior, [])
    expect(3.1 * Math.exp(low)).toBeCloseTo(2.48, 4)
    expect(likely).toBeCloseTo(0, 9)
    expect(3.1 * Math.exp(high)).toBeCloseTo(4.1333, 3)
  })
  it('is 5 % wide where nothing is said, five times at most, and takes a missing side from the other', () => {
    expect(priorOf({ low: 900, likely: 900, high: 900 })).toEqual({
      below: narrowestSide,
      above: narrowestSide,
    })
    expect(narrowestSide).toBeCloseTo(0.0381, 4)
    expect(priorOf({ low: 1, likely: 100, high: 1e6 })).toEqual({
      below: widestSide,
      above: widestSide,
    })
    expect(widestSide).toBeCloseTo(1.256, 3)
    const oneSided = priorOf({ low: 0, likely: 10, high: 12 })!
    expect(oneSided.below).toBe(oneSided.above)
    const open = priorOf({ low: 8, likely: 10, high: Infinity })!
    expect(open.above).toBe(open.below)
    expect(priorOf({ low: 0, likely: 0, high: 0 })).toBeNull()
    expect(priorOf({ low: -1, likely: 3, high: -1 })).toBeNull()
  })
})

describe('a posterior', () => {
  const cases: readonly (readonly [string, Estimate, readonly Observation[]])[] = [
    ['nothing', capacity, []],
    ['an interval', capacity, [within(6 * 0.604, 7 * 0.604)]],
    ['a bound', capacity, [within(5 * 0.648, Infinity)]],
    ['not even one', capacity, [within(0, 3.4)]],
    ['unlike ones', capacity, [within(3.6, 4.2), within(3.6, 4.2), within(1.8, 2.4)]],
    ['exact ones', { low: 49.89, likely: 54.06, high: 58.09 }, [at(61 / 54.06, 0.03)]],
    ['a wide range', { low: 6, likely: 10, high: 17 }, [at(1.3, 0.1), at(1.2, 0.1)]],
  ]
  it.each(cases)('of %s agrees with adaptive integration', (_, range, observations) => {
    const prior = priorOf(range)!
    const found = posterior(prior, observations)
    const slow = integrated(prior, observations)
    ;[found.low, found.likely, found.high].forEach((point, which) =>
      expect(Math.abs(point - slow[which]!)).toBeLessThan(2e-4),
    )
  })

  it('weighs a measurement by the chance that nothing else ran', () => {
    const { weights } = posterior(priorOf(capacity)!, [
      within(6 * 0.604, 7 * 0.604),
      within(6 * 0.604, 7 * 0.604),
      within(3 * 0.604, 4 * 0.604),
    ])
    expect(weights.map(weight => Math.round(weight * 100) / 100)).toEqual([0.98, 0.98, 0.03])
  })

  it('follows a single disturbed one among six by less than a tenth of its width', () => {
    const prior = priorOf({ low: 50, likely: 60, high: 72 })!
    const five = Array.from({ length: 5 }, (_, k) => at(1.05 + k * 0.01, 0.05))
    const [without, withOne] = [posterior(prior, five), posterior(prior, [...five, at(0.6, 0.05)])]
    const width = without.high - without.low
    expect(Math.abs(withOne.likely - without.likely)).toBeLessThan(width / 10)
    expect(Math.abs(withOne.low - without.low)).toBeLessThan(width / 10)
    expect(Math.abs(withOne.high - without.high)).toBeLessThan(width / 10)
  })

  it('holds the truth in 80 of 100 households drawn from the model', () => {
    const generator = xoroshiro128plus(20261201)
    const uniform = () => uniformFloat64(generator)
    const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
    const prior = priorOf(capacity)!
    const spread = 0.1
    const households = 1200
    let held = 0
    for (let household = 0; household < households; household++) {
      const x = atDeviation(prior, normal())
      const noisy = () => x + normal() * spread * (uniform() < 0.05 ? 5 : 1)
      const [exact, counted, bound] = [noisy(), Math.exp(noisy()) * 3.1, noisy()]
      const runs = Math.floor(counted / 0.6)
      const { low, high } = posterior(prior, [
        { at: exact, spread },
        within(runs * 0.6, (runs + 1) * 0.6),
        bound < 0 ? { from: -Infinity, to: 0, spread } : { from: 0, to: Infinity, spread },
      ])
      if (low <= x && x <= high) held++
    }
    // Three standard errors of a share of 0.8 among so many.
    expect(Math.abs(held / households - 0.8)).toBeLessThan(3 * Math.sqrt(0.16 / households))
  }, 60_000)
})
