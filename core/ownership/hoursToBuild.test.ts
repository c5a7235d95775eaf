import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { hoursToBuild } from './hoursToBuild'

const hoursOf = (machine: PlanInput['machine'], costs: PlanInput['costs'] = {}) =>
  assess(planSchema.parse({ name: 'x', machine, costs }), catalogue).domains.years.question
    .buildHours

describe('own hours to build', () => {
  it('go by the way of building, where nobody entered them', () => {
    for (const [base, hours] of [
      ['wherry-4', 10],
      ['clerk-17', 12],
      ['pebble-23', 12],
      ['coracle', 12],
      ['folio-18', 10],
      ['culvert-20', 10],
      ['crane-10', 20],
      ['parts', 18],
      ['own', 12],
    ] as const)
      expect(hoursOf({ base }), base).toBe(hours)
  })
  it('are those that were entered, whatever is built', () => {
    for (const base of ['wherry-4', 'crane-10', 'parts'])
      expect(hoursOf({ base }, { buildHours: 3 })).toBe(3)
    expect(hoursOf({ base: 'crane-10' }, { buildHours: 0 })).toBe(0)
  })
  it('cost what an hour is worth, once', () => {
    const { flow } = assess(
      planSchema.parse({
        name: 'x',
        machine: { base: 'crane-10' },
        costs: { hourValue: 15, upkeepHoursPerYear: 0 },
      }),
      catalogue,
    ).domains.years
    expect(flow.byKind.ownTime).toBe(20 * 15)
    expect(hoursToBuild({ base: null, isFromParts: true })).toBe(18)
  })
})
