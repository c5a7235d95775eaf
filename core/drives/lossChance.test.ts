import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { yardsticks } from '../../tests/yardstick'
import { ageFactor, failureRatePerHour, failureSpans } from './failureRate'
import { anyLost, lossChance as lossOver, type FailureChain } from './lossChance'
import { readErrorChance } from './readError'

const fiveYears = 5 * 8766
/** A chain with one failure rate all the time. */
type SteadyChain = FailureChain & { readonly failureRatePerHour: number }
const lossChance = ({ failureRatePerHour: rate, ...chain }: SteadyChain, hours: number) =>
  lossOver(chain, [{ failureRatePerHour: rate, hours }])
const chain = (drives: number, survives: number, batchFactor = 1): SteadyChain => ({
  drives,
  survives,
  batchFactor,
  failureRatePerHour: failureRatePerHour(0.02),
  repairRatePerHour: 1 / 78,
})

describe('the chance of losing a group', () => {
  it.each([
    [2, 1, 1, 3.62e-5],
    [4, 1, 1, 2.17e-4],
    [6, 1, 1, 5.43e-4],
    [6, 2, 1, 3.9e-7],
    [2, 1, 3, 1.09e-4],
    [4, 1, 3, 6.51e-4],
    [6, 1, 3, 1.62e-3],
    [6, 2, 3, 3.5e-6],
  ])(
    '%d drives that survive %d, batch factor %d: %d in five years',
    (drives, survives, factor, expected) => {
      const result = lossChance(chain(drives, survives, factor), fiveYears)
      expect(Math.abs(result / expected - 1)).toBeLessThan(0.004)
    },
  )

  // The table that the literature on redundant arrays begins with: 100 data disks, MTTF 30 000 h,
  // MTTR 1 h.
  it.each([
    ['mirrors', 2, 100, 4_500_000],
    ['groups of ten and a check disk', 11, 10, 820_000],
    ['groups of 25 and a check disk', 26, 4, 346_000],
  ])(
    'of a hundred disks in %s comes to the mean time to loss of the literature',
    (_, drives, groups, hoursToLoss) => {
      const hours = 10_000
      const one = lossChance(
        { drives, survives: 1, failureRatePerHour: 1 / 30_000, repairRatePerHour: 1 },
        hours,
      )
      const all = anyLost(Array<number>(groups).fill(one))
      // The first loss comes as often at any time, so the mean time follows from any stretch of it.
      expect(Math.abs(-hours / Math.log1p(-all) / hoursToLoss - 1)).toBeLessThan(0.005)
    },
  )

  it('without redundancy equals 1 − (1 − AFR)^(n·years)', () => {
    expect(lossChance(chain(4, 0), fiveYears)).toBeCloseTo(1 - 0.98 ** 20, 12)
  })

  /** Follows the chain by small steps: a second, slow way to the same number. */
  function byStepping(
    {
      drives,
      survives,
      failureRatePerHour: rate,
      repairRatePerHour: repair,
      batchFactor = 1,
      rebuildEndsChance = 0,
    }: SteadyChain,
    hours: number,
  ): number {
    const step = 0.05
    let states = [1, ...Array<number>(survives + 1).fill(0)]
    for (let hour = 0; hour < hours; hour += step) {
      const next = [...states]
      for (let dead = 0; dead <= survives; dead++) {
        const fails = states[dead]! * (drives - dead) * rate * (dead > 0 ? batchFactor : 1) * step
        next[dead]! -= fails
        next[dead + 1]! += fails
        if (dead === 0) continue
        const repaired = states[dead]! * repair * step
        const ends = dead === survives ? rebuildEndsChance : 0
        next[dead]! -= repaired
        next[dead - 1]! += repaired * (1 - ends)
        next[survives + 1]! += repaired * ends
      }
      states = next
    }
    return states.at(-1)!
  }
  it.each([
    [chain(3, 1), 2000],
    [chain(5, 2, 3), 2000],
    [{ ...chain(4, 1), rebuildEndsChance: 0.4 }, 2000],
    [{ ...chain(3, 1), failureRatePerHour: 1e-3, repairRatePerHour: 0.01 }, 3000],
  ] as const)('agrees with stepping through the hours (%j)', (input, hours) => {
    expect(Math.abs(lossChance(input, hours) / byStepping(input, hours) - 1)).toBeLessThan(0.01)
  })

  it('agrees with a simulation within its interval', () => {
    const input: SteadyChain = {
      drives: 4,
      survives: 1,
      failureRatePerHour: 2e-4,
      repairRatePerHour: 1 / 60,
    }
    const hours = 8766
    let seed = 20261125
    const random = () => {
      seed = (seed * 1664525 + 1013904223) >>> 0
      return (seed + 0.5) / 2 ** 32
    }
    const runs = 40_000
    let lost = 0
    for (let run = 0; run < runs; run++) {
      let time = 0
      let dead = 0
      for (;;) {
        const fail = (input.drives - dead) * input.failureRatePerHour
        const repair = dead > 0 ? input.repairRatePerHour : 0
        time += -Math.log(random()) / (fail + repair)
        if (time > hours) break
        if (random() * (fail + repair) < fail) dead++
        else dead--
        if (dead > input.survives) {
          lost++
          break
        }
      }
    }
    const expected = lossChance(input, hours)
    expect(Math.abs(lost / runs - expected)).toBeLessThan(
      3.3 * Math.sqrt((expected * (1 - expected)) / runs),
    )
  })

  it(
    'stays a probability, grows with time and with every more drive, and shrinks with ' +
      'redundancy',
    () => {
      fc.assert(
        fc.property(
          fc.integer({ min: 2, max: 12 }),
          fc.integer({ min: 0, max: 3 }),
          fc.double({ min: 0.001, max: 0.3, noNaN: true }),
          fc.double({ min: 1, max: 500, noNaN: true }),
          (drives, survives, afr, repairHours) => {
            if (survives >= drives - 1) return
            const base: SteadyChain = {
              drives,
              survives,
              failureRatePerHour: failureRatePerHour(afr),
              repairRatePerHour: 1 / repairHours,
            }
            const p = lossChance(base, 8766)
            expect(p).toBeGreaterThanOrEqual(0)
            expect(p).toBeLessThanOrEqual(1)
            expect(lossChance(base, 2 * 8766)).toBeGreaterThanOrEqual(p)
            expect(lossChance({ ...base, drives: drives + 1 }, 8766)).toBeGreaterThanOrEqual(p)
            expect(lossChance({ ...base, survives: survives + 1 }, 8766)).toBeLessThanOrEqual(
              p + 1e-15,
            )
          },
        ),
        { numRuns: 60 },
      )
    },
  )

  it('is quick and the same whichever way it is worked out', () => {
    // Slow repairs are stepped through, quick ones squared; around the change-over both give the
    // same.
    for (const repairHours of [0.2, 1, 5, 25, 125, 600]) {
      const input = { ...chain(5, 3), failureRatePerHour: 1e-4, repairRatePerHour: 1 / repairHours }
      const half = lossChance(input, 4383)
      const whole = lossChance(input, 8766)
      expect(whole).toBeGreaterThan(half * 1.9)
      expect(whole).toBeLessThan(half * 3)
    }
    const longest = () => expect(lossChance(chain(60, 59), fiveYears)).toBeLessThan(1e-100)
    expect(yardsticks(longest)).toBeLessThan(10)
  })

  it.each([
    [{ ...chain(0, 0) }, 'CHAIN_DRIVES'],
    [{ ...chain(2, 2) }, 'CHAIN_SURVIVES'],
    [{ ...chain(2, 1), failureRatePerHour: -1 }, 'CHAIN_FAILURE_RATE'],
    [{ ...chain(2, 1), repairRatePerHour: 0 }, 'CHAIN_REPAIR_RATE'],
    [{ ...chain(2, 1), rebuildEndsChance: 2 }, 'CHAIN_READ_ERROR'],
  ] as const)('names what is wrong with %j', (input, code) =>
    expect(() => lossChance(input, 1)).toThrow(code),
  )
})

describe('failure rates that change with age', () => {
  const conditions = { failuresPerYear: 0.02, causesFactor: 1, ageYears: 0 }
  it(
    'follow the bathtub: the first year × 1.3, two to four × 1, five and six × 1.5, then × ' +
      '2.5',
    () => {
      expect([0, 1, 3, 4, 5, 6, 12].map(ageFactor)).toEqual([1.3, 1, 1, 1.5, 1.5, 2.5, 2.5])
    },
  )
  it('are steady where age does not count, and multiplied by their causes', () => {
    expect(failureSpans({ ...conditions, ageYears: null, causesFactor: 2.25 }, 5)).toEqual([
      { failureRatePerHour: 2.25 * failureRatePerHour(0.02), hours: fiveYears },
    ])
  })
  it('without redundancy are the product of the years', () => {
    const rate = failureRatePerHour(0.02) * 8766
    expect(
      lossOver({ drives: 3, survives: 0, repairRatePerHour: 1 }, failureSpans(conditions, 5)),
    ).toBeCloseTo(1 - Math.exp(-3 * rate * (1.3 + 1 + 1 + 1 + 1.5)), 12)
    expect(
      lossOver(
        { drives: 1, survives: 0, repairRatePerHour: 1 },
        failureSpans({ ...conditions, ageYears: 5 }, 2),
      ),
    ).toBeCloseTo(1 - Math.exp(-rate * (1.5 + 2.5)), 12)
  })
  it('carry the state of the group from one year to the next', () => {
    const group = { drives: 4, survives: 1, repairRatePerHour: 1 / 78 }
    const rate = failureRatePerHour(0.02)
    const halves = [
      { failureRatePerHour: rate, hours: fiveYears / 2 },
      { failureRatePerHour: rate * (1 + 1e-12), hours: fiveYears / 2 },
    ]
    expect(
      lossOver(group, halves) / lossOver(group, [{ failureRatePerHour: rate, hours: fiveYears }]),
    ).toBeCloseTo(1, 6)
    const [young, aged] = [
      lossOver(group, failureSpans({ ...conditions, ageYears: 1 }, 1)),
      lossOver(group, failureSpans({ ...conditions, ageYears: 7 }, 1)),
    ]
    expect(aged / young).toBeCloseTo(2.5 ** 2, 1)
  })
})

describe('reading without an error', () => {
  it('4 × 16 TB at 1 in 10¹⁴ bits fail with 0.994, at 10¹⁵ with 0.401', () => {
    expect(readErrorChance(64, 1e-14)).toBeCloseTo(0.994, 3)
    expect(readErrorChance(64, 1e-15)).toBeCloseTo(0.401, 3)
  })
})

describe('several groups', () => {
  it('are lost when any is', () => {
    expect(anyLost([0.1, 0.2])).toBeCloseTo(1 - 0.9 * 0.8, 12)
    expect(anyLost([1e-12, 1e-12])).toBeCloseTo(2e-12, 20)
    expect(anyLost([])).toBe(0)
  })
})
