import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { seededRandom } from '../random'
import { planSchema, type PlanInput } from '../plan/planSchema'

const demoPlan = planSchema.parse(tideMillHouse)
const told = (plan: Partial<PlanInput>) =>
  assess(planSchema.parse({ name: 'x', ...plan }), catalogue)
const hoursOf = (plan: Partial<PlanInput>) => {
  const { figures, domains } = told(plan)
  return {
    watched: figures['household.watchedHours']!,
    converting: figures['day.convertingHours']!,
    day: domains.day.hours,
  }
}
const viewers = [
  { id: 'a', name: 'A' },
  { id: 'b', name: 'B' },
]

describe('hours of the day', () => {
  it('follow from the habits: an evening of two hours every day', () => {
    const habit = { viewer: 'a', earliest: 1200, latest: 1200, minutes: 120, chance: 1 }
    const { watched } = hoursOf({ household: { viewers, habits: [habit] } })
    expect(watched.value).toBeCloseTo(2, 9)
    expect(watched.basis).toBe('computed')
    const twice = [habit, { ...habit, viewer: 'b', earliest: 1260, latest: 1260 }]
    // The second hour of one is the first of the other.
    expect(hoursOf({ household: { viewers, habits: twice } }).watched.value).toBeCloseTo(3, 9)
    const rare = twice.map(each => ({ ...each, chance: 0.5 }))
    // One hour by either, one where either of the two may watch, 1 − 0.5²: 1.75, to the tenth.
    expect(hoursOf({ household: { viewers, habits: rare } }).watched.value).toBeCloseTo(1.8, 9)
  })
  it('are those of a simulated year of the demo', () => {
    const { domains } = assess(demoPlan, catalogue)
    const { week } = domains.household
    const { convertingShares } = domains.playback.demand
    const random = seededRandom(7)
    const weeks = 1500
    let [watching, converting] = [0, 0]
    for (let at = 0; at < weeks; at++)
      for (const slot of week.ordinary.slots) {
        let [anybody, anything] = [false, false]
        week.watchers.forEach((_, watcher) => {
          let left = random()
          week.habits.forEach((habit, index) => {
            if (habit.watcher !== watcher || left < 0) return
            left -= week.ordinary.habits[index]![slot]!
            if (left >= 0) return
            anybody = true
            if (random() < convertingShares[index]!) anything = true
          })
        })
        watching += Number(anybody)
        converting += Number(anything)
      }
    const perDay = (slots: number) => (slots * 5) / 60 / 7 / weeks
    expect(domains.household.watched.from).toBe('habits')
    expect(domains.day.converting.from).toBe('habits')
    // Told to the tenth.
    expect(Math.abs(domains.household.watched.perDay - perDay(watching))).toBeLessThan(0.06)
    expect(Math.abs(domains.day.converting.perDay - perDay(converting))).toBeLessThan(0.06)
    expect(domains.day.hours.watching).toBeCloseTo(
      domains.household.watched.perDay - domains.day.converting.perDay,
      9,
    )
  }, 30_000)
  it('are planning values without habits, as entered where they are, and none where nobody watches', () => {
    const { watched, converting, day } = hoursOf({ household: { watchingHome: 1, converted: 1 } })
    expect([watched.value, watched.basis]).toEqual([5, 'default'])
    expect([converting.value, converting.basis]).toEqual([2, 'default'])
    expect(day).toMatchObject({ converting: 2, watching: 3, idle: 19, off: 0, asleep: 0 })
    const entered = hoursOf({ choices: { watchingHoursPerDay: 7, convertingHoursPerDay: 0 } })
    expect([entered.watched.value, entered.watched.basis]).toEqual([7, 'entered'])
    expect(entered.day).toMatchObject({ converting: 0, watching: 7, idle: 17 })
    const nobody = hoursOf({ household: { watchingHome: 0, watchingAway: 0, converted: 0 } })
    expect([nobody.watched.value, nobody.converting.value]).toEqual([0, 0])
    expect(nobody.watched.formula).toContain('nobody is said to watch')
  })
  it('follow from the habits under the rule of the busy evening too, and not from the machine', () => {
    const hours = (plan: typeof demoPlan) => assess(plan, catalogue).domains.day.hours
    const { choices, machine } = demoPlan
    expect(hours({ ...demoPlan, choices: { ...choices, school: 'atOnce' } })).toEqual(
      hours(demoPlan),
    )
    expect(
      hours({
        ...demoPlan,
        machine: { ...machine, processor: 'own', score: 300, engine: 'none' },
      }),
    ).toEqual(hours(demoPlan))
  })
  it('of habits that never happen, or of a library that needs no converting, are none', () => {
    const habit = { viewer: 'a', earliest: 1200, latest: 1200, minutes: 120, chance: 0 }
    const { watched, converting } = hoursOf({ household: { viewers, habits: [habit] } })
    expect([watched.value, converting.value]).toEqual([0, 0])
  })
  it('cost more the longer anybody watches or converts', () => {
    const kWh = (watchingHoursPerDay: number, convertingHoursPerDay: number) =>
      told({
        machine: { base: 'clerk-17' },
        drives: { lots: [{ count: 3 }] },
        choices: { watchingHoursPerDay, convertingHoursPerDay },
      }).figures['ownership.kWhPerYear']!.value!
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        (watched, converting, more) => {
          expect(kWh(watched + more, converting)).toBeGreaterThanOrEqual(
            kWh(watched, converting) - 1e-9,
          )
          expect(kWh(watched, converting + more)).toBeGreaterThanOrEqual(
            kWh(watched, converting) - 1e-9,
          )
        },
      ),
      { numRuns: 40 },
    )
  }, 60_000)
})
