import { describe, expect, it } from 'vitest'
import { yardsticks } from '../../tests/yardstick'
import { failureRatePerHour } from './failureRate'
import { anyLost, lossChance, type FailureChain } from './lossChance'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import {
  addedUp,
  lossInterval,
  simulateLoss,
  simulatePlanLoss,
  standardErrors95,
} from './simulateLoss'

const steady = (afr: number, years: number) => [
  { failureRatePerHour: failureRatePerHour(afr), hours: years * 8766 },
]
const chain = (
  drives: number,
  survives: number,
  more: Partial<FailureChain> = {},
): FailureChain => ({ drives, survives, repairRatePerHour: 1 / 78, ...more })
const ageing = [
  { failureRatePerHour: failureRatePerHour(0.02) * 1.3, hours: 8766 },
  { failureRatePerHour: failureRatePerHour(0.02) * 2.5, hours: 2 * 8766 },
]

describe('simulated arrays', () => {
  it.each([
    ['a mirror', [chain(2, 1)], steady(0.02, 5)],
    ['four and one parity', [chain(4, 1)], steady(0.02, 5)],
    ['six and one', [chain(6, 1)], steady(0.02, 5)],
    ['six and two', [chain(6, 2)], steady(0.02, 5)],
    ['one batch', [chain(6, 2, { batchFactor: 3 })], steady(0.02, 5)],
    [
      'a read error that ends the rebuild',
      [chain(4, 1, { rebuildEndsChance: 0.4 })],
      steady(0.02, 5),
    ],
    ['no redundancy', [chain(3, 0)], steady(0.02, 5)],
    ['three pairs', [chain(2, 1), chain(2, 1), chain(2, 1)], steady(0.04, 5)],
    ['three parities', [chain(8, 3)], steady(0.04, 5)],
    ['slow repairs', [chain(5, 1, { repairRatePerHour: 1 / 500 })], steady(0.04, 5)],
    ['drives that age', [chain(4, 1)], ageing],
    ['a great many drives', [chain(40, 2)], steady(0.05, 5)],
  ])('of %s agree with the chain within their interval', (_, chains, spans) => {
    const exact = anyLost(chains.map(one => lossChance(one, spans)))
    const simulated = simulateLoss({
      chains,
      spans: chains.map(() => spans),
      count: 60_000,
      seed: 7,
    })
    const { low, likely, high } = lossInterval(simulated)
    // Four standard errors: of a dozen cases none lies further away by chance.
    expect(Math.abs(likely - exact)).toBeLessThan(((high - low) / 2 / standardErrors95) * 4)
    expect((high - low) / likely).toBeLessThan(0.25)
  })
  it('of groups of unlike drives agree with the product over the groups', () => {
    const chains = [chain(3, 1), chain(2, 1, { repairRatePerHour: 1 / 300 })]
    const spans = [steady(0.02, 5), steady(0.06, 5)]
    const exact = anyLost(chains.map((one, at) => lossChance(one, spans[at]!)))
    const { low, likely, high } = lossInterval(
      simulateLoss({ chains, spans, count: 60_000, seed: 7 }),
    )
    expect(Math.abs(likely - exact)).toBeLessThan(((high - low) / 2 / standardErrors95) * 4)
  })
  it('are the same for the same seed, and add up', () => {
    const ask = (seed: number) =>
      simulateLoss({ chains: [chain(4, 1)], spans: [steady(0.02, 5)], count: 500, seed })
    expect(ask(3)).toEqual(ask(3))
    expect(ask(3)).not.toEqual(ask(4))
    expect(addedUp(ask(3), ask(4))).toEqual({
      arrays: 1000,
      sum: ask(3).sum + ask(4).sum,
      sumOfSquares: ask(3).sumOfSquares + ask(4).sumOfSquares,
    })
  })
  it('have an interval of 1.96 standard errors', () => {
    // A hundred arrays of which twenty are lost: 0.2 ± 1.96 · √(0.16 ÷ 100).
    expect(lossInterval({ arrays: 100, sum: 20, sumOfSquares: 20 })).toEqual({
      low: expect.closeTo(0.2 - 0.0784, 9),
      likely: 0.2,
      high: expect.closeTo(0.2784, 9),
    })
    expect(lossInterval({ arrays: 10, sum: 0, sumOfSquares: 0 })).toEqual({
      low: 0,
      likely: 0,
      high: 0,
    })
  })
  it('are a million years in a moment', () => {
    const question = { chains: [chain(6, 2)], spans: [steady(0.02, 5)], count: 200_000, seed: 1 }
    expect(yardsticks(() => simulateLoss(question))).toBeLessThan(60)
  })
  it('are at least one', () =>
    expect(() => simulateLoss({ chains: [], spans: [], count: 0, seed: 1 })).toThrow(
      'SIMULATED_ARRAYS',
    ))
})

describe('a simulated plan', () => {
  it.each(['journalled', 'copyOnWrite'] as const)(
    'agrees with its figure on a %s file system',
    fileSystem => {
      const plan = planSchema.parse({
        ...tideMillHouse,
        drives: {
          ...tideMillHouse.drives,
          lots: [{ count: 5, sizeTB: 16 }],
          layout: 'rotating-1',
          fileSystem,
          oneBatch: true,
          ageYears: 3,
        },
      })
      const { figures } = assess(plan, catalogue)
      const simulated = simulatePlanLoss(plan, {
        catalogue,
        watchedHoursPerDay: 5,
        sharedLinks: [],
        rebuilds: [],
        ailing: [],
        layoutId: 'rotating-1',
        contentTB: figures['library.contentAtHorizonTB']!.value!,
        count: 60_000,
        seed: 11,
      })
      const { low, likely, high } = lossInterval(simulated!)
      expect(Math.abs(likely - figures['drives.lossChanceAtHorizon']!.value!)).toBeLessThan(
        ((high - low) / 2 / standardErrors95) * 4,
      )
    },
  )
  it('is none where the drives do not make the layout', () => {
    const plan = planSchema.parse({ name: 'x' })
    expect(
      simulatePlanLoss(plan, {
        catalogue,
        layoutId: 'mirror',
        contentTB: 0,
        watchedHoursPerDay: 5,
        sharedLinks: [],
        rebuilds: [],
        ailing: [],
        count: 10,
        seed: 1,
      }),
    ).toBe(null)
  })
})
