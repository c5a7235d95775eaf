import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { assess } from '../assess'
import { levelOf } from '../household/poissonBinomial'
import { planSchema } from '../plan/planSchema'
import { rateDistribution } from './rateDistribution'
import { shortChance } from './watchingLoad'

/** Every way in which viewers watch or not, and what each watches, gone through. */
function enumerated(
  chances: readonly number[],
  rates: readonly { readonly mbps: number; readonly share: number }[],
): { readonly mbps: number; readonly chance: number }[] {
  const [first, ...rest] = chances
  if (first === undefined) return [{ mbps: 0, chance: 1 }]
  return enumerated(rest, rates).flatMap(({ mbps, chance }) => [
    { mbps, chance: chance * (1 - first) },
    ...rates.map(rate => ({ mbps: mbps + rate.mbps, chance: chance * first * rate.share })),
  ])
}
const half = [
  { mbps: 60, share: 0.5 },
  { mbps: 1.8, share: 0.5 },
]

describe('what several viewers take together', () => {
  it('three who watch for sure, half at 60 and half at 1.8 Mb/s: 92.7 on average, 180 at most', () => {
    const { stepMbps, chances } = rateDistribution([1, 1, 1], half)
    const mean = chances.reduce((sum, chance, at) => sum + chance * at * stepMbps, 0)
    expect(mean).toBeCloseTo(92.7, 9)
    expect(chances[1800]).toBeCloseTo(1 / 8, 12)
    expect(levelOf(chances, 0.99) * stepMbps).toBeCloseTo(180, 9)
    expect(levelOf(chances, 0.8) * stepMbps).toBeCloseTo(121.8, 9)
  })
  it('equals all ways gone through, to a step for each viewer', () => {
    const chance = fc.double({ min: 0, max: 1, noNaN: true })
    fc.assert(
      fc.property(
        fc.array(chance, { maxLength: 4 }),
        fc.array(fc.record({ mbps: fc.integer({ min: 1, max: 480 }), weight: fc.nat(9) }), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.double({ min: 0, max: 200, noNaN: true }),
        (chances, drawn, above) => {
          const all = drawn.reduce((sum, { weight }) => sum + weight + 1, 0)
          const rates = drawn.map(({ mbps, weight }) => ({
            mbps: mbps / 10,
            share: (weight + 1) / all,
          }))
          const found = rateDistribution(chances, rates)
          expect(found.stepMbps).toBeCloseTo(0.1, 12)
          const ways = enumerated(chances, rates)
          const over = ways.reduce(
            (sum, { mbps, chance }) => (mbps > above + 1e-6 ? sum + chance : sum),
            0,
          )
          expect(
            found.chances.reduce(
              (sum, chance, at) => (at * 0.1 > above + 1e-6 ? sum + chance : sum),
              0,
            ),
          ).toBeCloseTo(over, 9)
        },
      ),
      { numRuns: 200 },
    )
  })
  it('stays within its steps for a large household, never below what is right', () => {
    const rates = Array.from({ length: 50 }, (_, at) => ({ mbps: 3 + at * 1.7, share: 1 / 50 }))
    const { stepMbps, chances } = rateDistribution(Array<number>(20).fill(0.5), rates)
    expect(chances.length).toBeLessThan(2100)
    const mean = chances.reduce((sum, chance, at) => sum + chance * at * stepMbps, 0)
    const right = 10 * (3 + 24.5 * 1.7)
    expect(mean).toBeGreaterThanOrEqual(right)
    expect(mean).toBeLessThanOrEqual(right + 10 * stepMbps)
  })
})

describe('the busiest moment at home', () => {
  const demand = (titles: readonly (readonly [number, number])[], viewers = 3) =>
    assess(
      planSchema.parse({
        name: 'x',
        household: {
          viewers: Array.from({ length: viewers }, (_, at) => ({ id: `v${at}` })),
          devices: [{ id: 'd' }],
          habits: Array.from({ length: viewers }, (_, at) => ({
            viewer: `v${at}`,
            device: 'd',
            chance: 1,
            earliest: 1200,
            latest: 1200,
            minutes: 120,
          })),
        },
        library: {
          holdings: titles.map(([bitrateMbps, titles], at) => ({
            id: `h${at}`,
            quality: 'hd1080-h264',
            bitrateMbps,
            titles,
          })),
        },
      }),
      catalogue,
    )
  it('counts each viewer by the titles of the library, at their average rates', () => {
    const { figures, domains } = demand([
      [60, 10],
      [1.8, 10],
    ])
    expect(figures['network.homeMeanMbps']!.value).toBeCloseTo(92.7, 9)
    expect(figures['network.home99Mbps']!.value).toBeCloseTo(180, 9)
    expect(shortChance(domains.network.homeLoad!, 150)).toBeCloseTo(1 / 8, 12)
    expect(shortChance(domains.network.homeLoad!, 180)).toBe(0)
  })
  it('takes a plain stream while there are no titles', () => {
    expect(demand([]).figures['network.homeMeanMbps']!.value).toBeCloseTo(24, 9)
    expect(demand([[60, 0]]).figures['network.homeMeanMbps']!.value).toBeCloseTo(24, 9)
  })
})
