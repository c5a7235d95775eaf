import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chancesAbove, loadRoom, type LoadOutcome } from './compoundLoad'
import { planSchema } from '../plan/planSchema'
import { slotMinutes, weeksPerMonth } from '../units/week'
import { HabitSets } from './habitSets'
import { LoadTransform } from './loadTransform'
import { SlotHabits } from './slotHabits'
import { drawsAt, minutesShort, maxSetsOfSlot } from './minutesShort'
import { watchingWeek } from './watchingWeek'

interface WatcherHabits {
  readonly rest: number
  readonly habits: readonly { readonly at: number; readonly chance: number }[]
}

function slotOf(watchers: readonly WatcherHabits[]): SlotHabits {
  const filled = new SlotHabits(watchers.length, watchers.flatMap(({ habits }) => habits).length)
  for (const { rest, habits } of watchers) {
    for (const { at, chance } of habits) filled.add(at, chance)
    filled.close(rest)
  }
  return filled
}

/** Watchers with up to three habits each, and what sessions of those habits put on. */
const slot = fc
  .array(
    fc.array(
      fc.array(
        fc.record({
          cells: fc.oneof(
            { weight: 5, arbitrary: fc.integer({ min: 0, max: 260 }) },
            { weight: 1, arbitrary: fc.constant(Infinity) },
          ),
          parts: fc.integer({ min: 1, max: 5 }),
        }),
        { minLength: 1, maxLength: 4 },
      ),
      { minLength: 1, maxLength: 3 },
    ),
    { maxLength: 5 },
  )
  .map(people => {
    const outcomes: LoadOutcome[][] = []
    const watchers = people.map((habits): WatcherHabits => {
      const own = habits.map((parts, index) => {
        const at =
          outcomes.push(parts.map(({ cells, parts: chance }) => ({ cells, chance: chance / 20 }))) -
          1
        return { at, chance: (index + 1) / 7 }
      })
      return { habits: own, rest: 1 - own.reduce((sum, { chance }) => sum + chance, 0) }
    })
    return { outcomes, watchers }
  })
const limitsOf = fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 1, maxLength: 3 })

/** The same by convolving the watchers' draws cell by cell. */
function byConvolution(
  { outcomes, watchers }: { outcomes: LoadOutcome[][]; watchers: WatcherHabits[] },
  limits: readonly number[],
): number[] {
  const draws = watchers.map(({ habits }) =>
    habits.flatMap(({ at, chance }) =>
      outcomes[at]!.map(outcome => ({ cells: outcome.cells, chance: outcome.chance * chance })),
    ),
  )
  return chancesAbove(draws, limits, loadRoom(Math.max(...limits)))
}

describe('chances that the loads of a slot exceed limits', () => {
  it('are the same by sets of habits and by convolution', () => {
    fc.assert(
      fc.property(slot, limitsOf, ({ outcomes, watchers }, limits) => {
        const sets = new HabitSets(outcomes, limits, slotOf(watchers))
        const [sums, again] = [limits.map(() => 0), limits.map(() => 0)]
        sets.addTo(sums, 1)
        sets.addTo(again, 2)
        byConvolution({ outcomes, watchers }, limits).forEach((chance, index) => {
          expect(sums[index]).toBeCloseTo(chance, 12)
          expect(again[index]).toBeCloseTo(2 * chance, 12)
        })
      }),
    )
  })
  it('are the same by transforms and by convolution', () => {
    fc.assert(
      fc.property(slot, limitsOf, ({ outcomes, watchers }, limits) => {
        const sums = limits.map(() => 0)
        new LoadTransform(outcomes, limits, slotOf(watchers)).addTo(sums, 1)
        byConvolution({ outcomes, watchers }, limits).forEach((chance, index) =>
          expect(sums[index]).toBeCloseTo(chance, 9),
        )
      }),
    )
  })
  it('of forty watchers are right by transforms, where the sum could be thirty times the limit', () => {
    const outcomes: LoadOutcome[][] = Array.from({ length: 40 }, (_, at) => [
      { cells: 20 + at * 5, chance: 0.5 },
      { cells: 3, chance: 0.3 },
      { cells: Infinity, chance: 0.0001 },
    ])
    const watchers = outcomes.map((_, at): WatcherHabits => ({
      rest: 0.7,
      habits: [{ at, chance: 0.3 }],
    }))
    const limits = [150, 200, 272]
    const sums = [0, 0, 0]
    new LoadTransform(outcomes, limits, slotOf(watchers)).addTo(sums, 1)
    byConvolution({ outcomes, watchers }, limits).forEach((chance, index) =>
      expect(sums[index]).toBeCloseTo(chance, 9),
    )
  })
})

describe('minutes short of a week', () => {
  it.each([3, 8, 9, 14])('are the same as by convolution for %d who watch at once', watchers => {
    const week = watchingWeek(
      planSchema.parse({
        name: 'x',
        household: {
          viewers: Array.from({ length: watchers }, (_, at) => ({ id: `v${at}` })),
          devices: [{ id: 'd' }],
          habits: Array.from({ length: watchers }, (_, at) => ({
            viewer: `v${at}`,
            device: 'd',
            days: ['fri'],
            earliest: 1200,
            latest: 1200 + 10 * at,
            minutes: 60,
            chance: 0.2 + at / 20,
          })),
        },
      }).household,
    )
    const outcomes: LoadOutcome[][] = week.habits.map((_, at) => [
      { cells: 30 + 7 * at, chance: 0.7 },
      { cells: 12, chance: 0.2 },
      { cells: Infinity, chance: 0.01 },
    ])
    // Eight watchers of one habit make as many sets as are still summed; nine are worked out by the
    // transform.
    expect(2 ** 8).toBe(maxSetsOfSlot)
    const limits = [150, 200]
    const expected = limits.map(() => 0)
    for (const slot of week.ordinary.slots) {
      chancesAbove(
        drawsAt({ week, occupancy: week.ordinary, outcomes }, slot),
        limits,
        loadRoom(200),
      ).forEach((chance, index) => {
        expected[index]! += chance * slotMinutes * weeksPerMonth
      })
    }
    minutesShort(
      { week, outcomes },
      limits,
    )(week.ordinary).forEach((minutes, index) => expect(minutes).toBeCloseTo(expected[index]!, 6))
    expect(expected[0]).toBeGreaterThan(0.1)
  })
})
