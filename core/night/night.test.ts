import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { hoursWithin, isWithin, longestQuiet } from './quietHours'
import { cutHoursTold } from './tellNight'

const plan = (input: Omit<PlanInput, 'name'>) => planSchema.parse({ name: 'x', ...input })
const evening = (earliest: number, minutes: number, chance = 1): PlanInput['household'] => ({
  viewers: [{ id: 'a' }],
  devices: [{ id: 'd' }],
  habits: [
    { viewer: 'a', device: 'd', days: ['fri'], earliest, latest: earliest, minutes, chance },
  ],
})
const nightOf = (input: Omit<PlanInput, 'name'>) => assess(plan(input), catalogue)
const codes = (input: Omit<PlanInput, 'name'>) =>
  nightOf(input).findings.filter(({ code }) => code.startsWith('OFF_'))

describe('hours off', () => {
  it('are told where they cut watching, with the hours in which nobody watches', () => {
    const household = evening(1380, 120)
    // From 23:00 to 01:00; off from midnight to eight cuts the second hour.
    const found = codes({ household, choices: { offHoursPerDay: 8, offFrom: 0 } })
    expect(found).toMatchObject([{ code: 'OFF_WHILE_WATCHING', severity: 'warning' }])
    expect(found[0]!.sentence).toMatch(
      /^The machine is off from 00:00 to 08:00, and by the habits 1.h of watching a week fall into that. Nothing plays then.$/,
    )
    expect(found[0]!.fixes[0]!.sentence).toContain('off from 01:00 to 09:00')
    // What is offered, applied, cuts nothing.
    expect(codes({ household, choices: { offHoursPerDay: 8, offFrom: 60 } })).toEqual([])
    expect(
      codes({ household, choices: { offHoursPerDay: 8, offFrom: 0, wakesOnCall: true } }),
    ).toMatchObject([{ severity: 'caution' }])
    expect(codes({ household })).toEqual([])
    expect(codes({ choices: { offHoursPerDay: 23 } })).toEqual([])
    // Four minutes a week are not worth a word.
    const seldom = evening(1380, 120, 4 / 60)
    expect(codes({ household: seldom, choices: { offHoursPerDay: 8, offFrom: 0 } })).toEqual([])
    expect(cutHoursTold).toBeCloseTo(5 / 60, 12)
  })
  it('are told where something arrives by itself then', () => {
    const arrivals = [
      { name: 'Phones', source: 'phones' as const, gbPerDay: 2, from: 120, hours: 2 },
      { name: 'Discs', source: 'ripping' as const, gbPerDay: 2, from: 1200, hours: 2 },
    ]
    const off = (offFrom: number, offHoursPerDay: number) =>
      codes({ drives: { arrivals }, choices: { offFrom, offHoursPerDay } }).map(
        ({ sentence }) => sentence,
      )
    expect(off(60, 6)).toEqual([
      'The machine is off from 01:00 to 07:00, and this arrives then: Phones. It waits, or is ' +
        'lost.',
    ])
    expect(off(240, 6)).toEqual([])
    // What is offered, applied, cuts nothing: neither what arrives nor who watches.
    const input = {
      household: evening(1380, 120),
      drives: { arrivals },
      choices: { offFrom: 1380, offHoursPerDay: 6 },
    }
    const told = codes(input)
    expect(told.map(({ code }) => code)).toEqual(['OFF_WHILE_WATCHING', 'OFF_WHILE_ARRIVING'])
    for (const { fixes } of told) expect(fixes[0]!.sentence).toContain('off from 04:00 to 10:00')
    expect(codes({ ...input, choices: { offFrom: 240, offHoursPerDay: 6 } })).toEqual([])
    // Past midnight, and begun before.
    expect(off(1260, 8)[0]).toContain('Phones, Discs')
  })
  it('tell how long the first press of play may wait', () => {
    const wait = (choices: PlanInput['choices']) => {
      const { value, low, high, note } = nightOf({ choices }).figures['night.firstPressS']!
      return { range: [low, value, high], note: note ?? '' }
    }
    expect(wait({}).range).toEqual([0, 0, 0])
    expect(wait({ asleepHoursPerDay: 1 }).range).toEqual([8, 10, 12])
    // Converting all day leaves no hour to sleep in.
    expect(wait({ asleepHoursPerDay: 1, convertingHoursPerDay: 24 }).range).toEqual([0, 0, 0])
    const both = wait({ offHoursPerDay: 8, wakesOnCall: true })
    expect(both.range[1]).toBe(50)
    // Each side as the root of the sum of squares.
    expect(both.range[0]).toBeCloseTo(50 - Math.hypot(2, 20), 9)
    expect(both.note).toBe('')
    expect(wait({ offHoursPerDay: 8 })).toMatchObject({
      range: [0, 0, 0],
      note: expect.stringContaining('no press starts it') as string,
    })
  })
  it('save what they save: watts of the states by their hours', () => {
    const kWh = (choices: PlanInput['choices']) =>
      nightOf({
        choices: { convertingHoursPerDay: 2, ...choices },
        drives: { lots: [{ count: 4 }] },
      }).figures['ownership.kWhPerYear']!.value!
    const whole = kWh({})
    const { figures } = nightOf({ drives: { lots: [{ count: 4 }] } })
    const idleW = figures['machine.idleW']!.value!
    // Eight hours at 1 W instead of idle.
    expect(whole - kWh({ offHoursPerDay: 8 })).toBeCloseTo(((idleW - 1) * 8 * 365.25) / 1000, 6)
    // Asleep, four drives take 0.75 W instead of 4.75 W each, behind a supply of 85 %.
    expect(whole - kWh({ asleepHoursPerDay: 10 })).toBeCloseTo(
      (((4 * 4) / 0.85) * 10 * 365.25) / 1000,
      6,
    )
    // More hours off are never dearer.
    const byHours = [0, 2, 5, 9, 22, 23].map(offHoursPerDay =>
      kWh({ offHoursPerDay, asleepHoursPerDay: 6 }),
    )
    expect(byHours).toEqual([...byHours].sort((a, b) => b - a))
  })
})

describe('a quiet span', () => {
  it('is the longest without a viewer on any day, as going through every span finds it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 2015 }), fc.integer({ min: 1, max: 200 })), {
          maxLength: 6,
        }),
        busy => {
          const expected = new Float64Array(2016)
          for (const [start, slots] of busy)
            for (let at = 0; at < slots; at++) expected[(start + at) % 2016] = 1
          const found = longestQuiet(expected)
          let most = 0
          for (let from = 0; from < 288; from++) {
            let slots = 0
            while (
              slots < 288 &&
              !Array.from({ length: 7 }, (_, day) => ((from + slots) % 288) + day * 288).some(
                slot => expected[slot]! > 0,
              )
            )
              slots++
            most = Math.max(most, slots * 5)
          }
          expect(found?.minutes ?? 0).toBe(most)
          if (found) expect(hoursWithin(expected, found)).toBe(0)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('may run past midnight', () => {
    expect(
      [1380, 0, 59, 60, 1379].map(minute => isWithin(minute, { from: 1380, minutes: 120 })),
    ).toEqual([true, true, true, false, false])
  })
})
