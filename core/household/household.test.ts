import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { seededRandom } from '../random'
import { slotMinutes, slotsPerWeek, weekTimeText, weeksPerMonth } from '../units/week'
import { cellsOf, chancesAbove, compoundLoad, loadRoom, type LoadOutcome } from './compoundLoad'
import { chanceActive } from './habitChance'
import { habitsFromAnswers } from './habitsFromAnswers'
import { minutesShort, withBusyDays } from './minutesShort'
import { levelOf, poissonBinomial } from './poissonBinomial'
import { watchingWeek } from './watchingWeek'
import { habitSlots } from './weekHabits'
import { busiestQuarter, levelByMinutes, weekCounts } from './weekCounts'

const household = (input: PlanInput['household']) =>
  planSchema.parse({ name: 'x', household: input }).household
describe('chance that a habit goes on', () => {
  const habit = { earliest: 1140, latest: 1260, minutes: 90, chance: 0.6 }
  it('half way through the window: 0.6 · 60 / 120', () =>
    expect(chanceActive(1200, habit)).toBeCloseTo(0.3, 12))
  it('is nothing at the earliest start and at the very end', () => {
    expect(chanceActive(1140, habit)).toBe(0)
    expect(chanceActive(1350, habit)).toBe(0)
  })
  it('is the whole chance while every start is still going on', () =>
    expect(chanceActive(1260, { ...habit, minutes: 130 })).toBeCloseTo(0.6, 12))
  it('with one start is the chance while it lasts', () => {
    const fixed = { earliest: 600, latest: 600, minutes: 30, chance: 0.4 }
    expect([599, 600, 629, 630].map(t => chanceActive(t, fixed))).toEqual([0, 0.4, 0.4, 0])
  })
  it('lasts, summed over time, as long as the habit does', () => {
    fc.assert(
      fc.property(
        fc.nat(1000),
        fc.nat(300),
        fc.integer({ min: 1, max: 600 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (earliest, window, minutes, chance) => {
          const step = 0.5
          let sum = 0
          for (let t = earliest; t <= earliest + window + minutes; t += step)
            sum += chanceActive(t, { earliest, latest: earliest + window, minutes, chance }) * step
          expect(Math.abs(sum - chance * minutes)).toBeLessThan(1.01)
        },
      ),
    )
  })
  it('names what is out of range', () => {
    expect(() => chanceActive(0, { ...habit, latest: 0 })).toThrow('HABIT_WINDOW')
    expect(() => chanceActive(0, { ...habit, minutes: 0 })).toThrow('HABIT_LENGTH')
    expect(() => chanceActive(0, { ...habit, chance: 1.2 })).toThrow('HABIT_CHANCE')
  })
  const slotsOf = (
    days: ('sat' | 'sun' | 'mon')[],
    earliest: number,
    latest: number,
    minutes: number,
  ) => habitSlots({ days, earliest, latest, minutes, chance: 1 })
  it('runs on past midnight, and past Sunday into Monday', () => {
    const night = slotsOf(['sun'], 23 * 60, 23 * 60, 120)
    expect(night[slotsPerWeek - 1]).toBe(1)
    expect(night[0]).toBe(1)
    expect(night[11]).toBe(1)
    expect(night[12]).toBe(0)
    expect(night.reduce((sum, chance) => sum + chance, 0) * slotMinutes).toBe(120)
  })
  it('with the latest start before the earliest begins past midnight', () => {
    const late = slotsOf(['sat'], 23 * 60, 60, 60)
    expect(late.reduce((sum, chance) => sum + chance, 0) * slotMinutes).toBeCloseTo(60, 0)
    expect(late[6 * 288 + 12]).toBeGreaterThan(0)
  })
})

describe('how many at once', () => {
  const worked = poissonBinomial([0.6, 0.5, 0.35, 0.2, 0.1])
  it('of five viewers is 0.0936, 0.3182, 0.3717, 0.1797, 0.0347, 0.0021', () => {
    expect(worked.map(chance => Math.round(chance * 1e4) / 1e4)).toEqual([
      0.0936, 0.3182, 0.3717, 0.1797, 0.0347, 0.0021,
    ])
  })
  it('has the 95 % level 3 and the 99 % level 4', () =>
    expect([levelOf(worked, 0.95), levelOf(worked, 0.99)]).toEqual([3, 4]))
  it('of equal chances is binomial', () => {
    const choose = [1, 6, 15, 20, 15, 6, 1]
    poissonBinomial(Array.from({ length: 6 }, () => 0.3)).forEach((chance, k) =>
      expect(chance).toBeCloseTo(choose[k]! * 0.3 ** k * 0.7 ** (6 - k), 14),
    )
  })
  it('adds up to 1, has the mean of the chances, and agrees with counting every case', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 9 }),
        chances => {
          const cases = new Array<number>(chances.length + 1).fill(0)
          for (let mask = 0; mask < 2 ** chances.length; mask++) {
            let chance = 1
            let count = 0
            chances.forEach((own, bit) => {
              const isOn = (mask >> bit) % 2 === 1
              chance *= isOn ? own : 1 - own
              count += isOn ? 1 : 0
            })
            cases[count]! += chance
          }
          const distribution = poissonBinomial(chances)
          expect(distribution.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 12)
          distribution.forEach((chance, k) => expect(chance).toBeCloseTo(cases[k]!, 12))
        },
      ),
    )
  })
  it('of chances 0 and 1 is certain', () =>
    expect(poissonBinomial([1, 0, 1])).toEqual([0, 0, 1, 0]))
  it('refuses a chance over 1', () => expect(() => poissonBinomial([1.1])).toThrow('CHANCE'))
})

describe('loads together', () => {
  it('are told in cells, rounded up', () => {
    expect([cellsOf(0.631, 0.005), cellsOf(0.63, 0.005), cellsOf(0, 0.005)]).toEqual([127, 126, 0])
  })
  const outcomes = fc
    .array(
      fc.record({
        cells: fc.oneof(fc.integer({ min: 0, max: 40 }), fc.constant(Infinity)),
        parts: fc.integer({ min: 1, max: 5 }),
      }),
      { minLength: 1, maxLength: 3 },
    )
    .map((list): LoadOutcome[] => list.map(({ cells, parts }) => ({ cells, chance: parts / 20 })))
  it('agree with going through every combination', () => {
    fc.assert(
      fc.property(
        fc.array(outcomes, { maxLength: 5 }),
        fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 1, maxLength: 3 }),
        (draws, limits) => {
          const cases = (at: number): [number, number][] =>
            at === draws.length
              ? [[0, 1]]
              : cases(at + 1).flatMap(([sum, chance]) => [
                  ...draws[at]!.map(({ cells, chance: own }): [number, number] => [
                    sum + cells,
                    chance * own,
                  ]),
                  [
                    sum,
                    chance * (1 - draws[at]!.reduce((total, outcome) => total + outcome.chance, 0)),
                  ] as [number, number],
                ])
          const all = cases(0)
          const room = loadRoom(30)
          chancesAbove(draws, limits, room).forEach((chance, index) => {
            expect(chance).toBeCloseTo(
              all.reduce((sum, [cells, own]) => (cells > limits[index]! ? sum + own : sum), 0),
              10,
            )
          })
          const { distribution, top } = compoundLoad(draws, room)
          let sum = distribution[31]!
          for (let cell = 0; cell <= top; cell++) {
            sum += distribution[cell]!
            expect(distribution[cell]).toBeCloseTo(
              all.reduce((total, [cells, own]) => (cells === cell ? total + own : total), 0),
              10,
            )
          }
          expect(sum).toBeCloseTo(1, 12)
        },
      ),
    )
  })
  it('refuse chances over 1 and loads below nothing', () => {
    expect(() =>
      compoundLoad(
        [
          [
            { cells: 1, chance: 0.7 },
            { cells: 2, chance: 0.7 },
          ],
        ],
        loadRoom(5),
      ),
    ).toThrow('LOAD_OUTCOMES')
    expect(() => compoundLoad([[{ cells: -1, chance: 0.7 }]], loadRoom(5))).toThrow('OUTCOME_CELLS')
  })
})

const people = household({
  viewers: [{ id: 'a' }, { id: 'b' }, { id: 'c', place: 'ship' }],
  places: [{ id: 'ship', name: 'Ship' }],
  devices: [{ id: 'tv' }],
  habits: [
    { viewer: 'a', device: 'tv', earliest: 1200, latest: 1260, minutes: 100, chance: 0.8 },
    {
      viewer: 'a',
      device: 'tv',
      days: ['sun'],
      earliest: 1230,
      latest: 1290,
      minutes: 120,
      chance: 0.9,
    },
    {
      viewer: 'b',
      device: 'tv',
      days: ['sat', 'sun'],
      earliest: 1380,
      latest: 1430,
      minutes: 150,
      chance: 0.5,
    },
    { viewer: 'c', device: 'tv', earliest: 1185, latest: 1185, minutes: 60, chance: 0.35 },
    {
      device: 'tv',
      days: ['sat'],
      earliest: 1200,
      latest: 1230,
      minutes: 90,
      chance: 1,
      onBusyDays: true,
    },
  ],
})

const week = watchingWeek(people)

describe('a week of habits', () => {
  it('gives each watcher one draw: at most 1, habits in proportion', () => {
    for (const slot of week.ordinary.slots) {
      const own = [0, 1].map(at => week.ordinary.habits[at]![slot]!)
      expect(own[0]! + own[1]!).toBeCloseTo(week.ordinary.watching[0]![slot]!, 12)
      expect(week.ordinary.watching[0]![slot]).toBeLessThanOrEqual(1)
    }
    const raw = week.habits[0]!.slots[6 * 288 + 260]! + week.habits[1]!.slots[6 * 288 + 260]!
    expect(raw).toBeGreaterThan(1)
    expect(week.ordinary.watching[0]![6 * 288 + 260]).toBe(1)
  })
  it('leaves the habits of busy days to busy days, the guest as a watcher of its own', () => {
    expect(week.watchers.map(watcher => [watcher.listed, watcher.isAway])).toEqual([
      [true, false],
      [true, false],
      [true, true],
      [false, false],
    ])
    expect(week.ordinary.watching[3]!.every(chance => chance === 0)).toBe(true)
    expect(week.busy!.watching[3]![5 * 288 + 250]).toBe(1)
    expect(week.busy!.watching[3]![4 * 288 + 250]).toBe(0)
  })
  it('knows which slots are like those of another day', () => {
    const { alike, slots, habits } = week.ordinary
    expect(alike.flatMap(entry => entry.slots).sort((a, b) => a - b)).toEqual(slots)
    expect(alike.length).toBeLessThan(slots.length / 1.5)
    for (const { first, slots: same } of alike) {
      for (const slot of same) {
        expect(first % 288).toBe(slot % 288)
        habits.forEach(chances => expect(chances[first]).toBe(chances[slot]))
      }
    }
  })
  const weights = [1, 0.5, 1, 0.25, 1]
  it('counts as the plain definition does, slot by slot', () => {
    const counts = weekCounts(week, week.ordinary, weights)
    let [level95, level99] = [0, 0]
    const above = [0, 0, 0]
    for (let slot = 0; slot < slotsPerWeek; slot++) {
      const chances = week.watchers.map((_, watcher) =>
        week.habits.reduce(
          (sum, habit, at) =>
            habit.watcher === watcher ? sum + week.ordinary.habits[at]![slot]! * weights[at]! : sum,
          0,
        ),
      )
      const distribution = poissonBinomial(chances)
      level95 = Math.max(level95, levelOf(distribution, 0.95))
      level99 = Math.max(level99, levelOf(distribution, 0.99))
      for (const n of above.keys())
        above[n]! += distribution.slice(n + 1).reduce((sum, chance) => sum + chance, 0)
      expect(counts.expected[slot]).toBeCloseTo(
        chances.reduce((sum, chance) => sum + chance, 0),
        12,
      )
    }
    expect([counts.level95, counts.level99]).toEqual([level95, level99])
    above.forEach((sum, n) =>
      expect(counts.minutesAbove[n] ?? 0).toBeCloseTo(sum * 5 * weeksPerMonth, 8),
    )
    expect(levelByMinutes(counts, 0)).toBe(above.filter(sum => sum > 0).length)
    expect(levelByMinutes(counts, counts.minutesAbove[1]!)).toBe(1)
    expect(levelByMinutes(counts, 1e9)).toBe(0)
  })
  it('is busiest in an aligned quarter, the earliest of equals', () => {
    const expected = new Float64Array(slotsPerWeek)
    expected.set([1, 2, 3], 300)
    expected.set([3, 2, 1], 600)
    expect(busiestQuarter(expected)).toEqual({ minuteOfWeek: 1500, mean: 2 })
    expect(weekTimeText(1500)).toBe('Tue 01:00')
  })
  it('is short as often as 100 000 simulated weeks of five-minute slots are', () => {
    const outcomes: LoadOutcome[][] = week.habits.map((_, at) => [
      { cells: 90 + 10 * at, chance: 0.6 },
      { cells: 130, chance: 0.3 },
    ])
    const [exact] = minutesShort({ week, outcomes }, [200])(week.ordinary)
    const random = seededRandom(20261125)
    const runs = 100_000
    let sum = 0
    let squares = 0
    for (let run = 0; run < runs; run++) {
      // One week of independent slots would be long; a slot drawn at random stands for it, and is
      // unbiased.
      const slot = Math.floor(random() * slotsPerWeek)
      let load = 0
      week.watchers.forEach((_, watcher) => {
        let draw = random()
        const habit = week.habits.findIndex((entry, at) => {
          if (entry.watcher !== watcher) return false
          draw -= week.ordinary.habits[at]![slot]!
          return draw < 0
        })
        if (habit < 0) return
        const kind = random()
        load += kind < 0.6 ? outcomes[habit]![0]!.cells : kind < 0.9 ? 130 : 0
      })
      const minutes = load > 200 ? slotsPerWeek * 5 * weeksPerMonth : 0
      sum += minutes
      squares += minutes * minutes
    }
    const mean = sum / runs
    const error = Math.sqrt((squares / runs - mean * mean) / runs)
    expect(exact).toBeGreaterThan(100)
    expect(Math.abs(mean - exact!)).toBeLessThan(4 * error)
  })
  it('watches as much as 20 000 weeks of simulated starts do', () => {
    const random = seededRandom(7)
    const runs = 20_000
    const slot = 5 * 288 + 252
    let seen = 0
    for (let run = 0; run < runs; run++) {
      const start = 1200 + random() * 60
      if (random() < 0.8 && start <= 1260 && start > 1260 - 100) seen++
    }
    expect(Math.abs(seen / runs - week.ordinary.habits[0]![slot]!)).toBeLessThan(
      4 * Math.sqrt(0.25 / runs),
    )
  })
  it('weights busy days in by the year', () => expect(withBusyDays(10, 375, 1)).toBeCloseTo(11, 9))
})

describe('findings of a household', () => {
  const codes = (input: PlanInput['household']) =>
    assess(planSchema.parse({ name: 'x', household: input }), catalogue).findings.map(
      finding => finding.code,
    )
  const base = { viewers: [{ id: 'a', name: 'A' }], devices: [{ id: 'tv' }] }
  it('name what does not hold together', () => {
    expect(codes({ ...base, habits: [{ viewer: 'nobody', device: 'tv' }] })).toContain(
      'HABIT_WITHOUT_VIEWER',
    )
    expect(codes({ ...base, habits: [{ viewer: 'a', device: 'gone' }] })).toContain(
      'HABIT_WITHOUT_DEVICE',
    )
    expect(codes({ ...base, viewers: [{ id: 'a', place: 'moon' }] })).toContain(
      'VIEWER_WITHOUT_PLACE',
    )
    expect(codes({ ...base, habits: [{ viewer: 'a', device: 'tv', days: [] }] })).toContain(
      'HABIT_NEVER',
    )
    expect(codes({ ...base, habits: [{ viewer: 'a', device: 'tv', chance: 0 }] })).toContain(
      'HABIT_NEVER',
    )
    expect(codes({ viewers: [{ id: 'a', chooses: 'folders' }] })).toContain('NO_MEDIA_SOFTWARE')
  })
  it('tell overlapping habits, and when they are more than certain', () => {
    const overlap = (chance: number) =>
      assess(
        planSchema.parse({
          name: 'x',
          household: {
            ...base,
            habits: [
              { name: 'One', viewer: 'a', device: 'tv', chance },
              { name: 'Two', viewer: 'a', device: 'tv', chance },
            ],
          },
        }),
        catalogue,
      ).findings.find(finding => finding.code === 'HABITS_OVERLAP')
    expect(overlap(0.3)).toMatchObject({
      severity: 'caution',
      sentence: expect.stringContaining('One and Two overlap'),
    })
    expect(overlap(0.9)).toMatchObject({
      severity: 'warning',
      sentence: expect.stringContaining('more than 100 %'),
    })
    // Each begins between 19:00 and 21:00: most of them go on in the last quarter before the first
    // may have ended.
    expect(overlap(0.3)!.sentence).toBe(
      'A: One and Two overlap, most on Mon 20:45; counted as one or the other.',
    )
  })
  it('a guest without a viewer is none', () => {
    expect(codes({ ...base, habits: [{ device: 'tv', onBusyDays: true }] })).not.toContain(
      'HABIT_WITHOUT_VIEWER',
    )
  })
})

describe('a week out of the answers', () => {
  const plan = planSchema.parse({
    name: 'x',
    household: { watchingHome: 3, watchingAway: 2, converted: 3 },
    library: {
      holdings: [{ titles: 100 }, { kind: 'series', quality: 'hd1080-hevc', titles: 300 }],
    },
    machine: { score: 9000 },
  })
  const filled = habitsFromAnswers(plan)
  it('has a viewer, a device and a habit for each of them', () => {
    expect(filled.household.viewers.map(viewer => viewer.place)).toEqual([
      'home',
      'home',
      'home',
      'away',
      'away',
    ])
    expect(filled.household.habits).toHaveLength(5)
    expect(new Set(filled.household.habits.map(habit => habit.device)).size).toBe(5)
  })
  it('leads to about what was answered', () => {
    const { figures } = assess(filled, catalogue)
    expect(figures['household.watching99']?.value).toBe(5)
    expect(figures['streams.asked99']?.value).toBeGreaterThanOrEqual(2)
    expect(figures['streams.asked99']?.value).toBeLessThanOrEqual(4)
  })
  it('keeps who is there, and gives nobody a second habit', () => {
    expect(habitsFromAnswers(filled)).toEqual(filled)
  })
})
