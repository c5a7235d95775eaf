import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type Plan, type PlanInput } from '../plan/planSchema'
import { appliancePremium, lookAtBuild, unitPrices } from './buildWorth'

const plan = (machine: PlanInput['machine'], rest: Partial<PlanInput> = {}): Plan =>
  planSchema.parse({
    name: 'x',
    drives: { lots: [{ count: 2, sizeTB: 8, priceEach: 100 }], layout: 'mirror' },
    ...rest,
    machine,
  })

describe('what a build is worth', () => {
  it('by bay, port and TB: the machine without drives, and everything by its room', () => {
    const wherry = plan({ base: 'wherry-4' })
    const base = catalogue.machineBases.find(({ id }) => id === 'wherry-4')!
    const { figures } = assess(wherry, catalogue)
    const ports = base.inside.board.places.filter(({ kind }) => kind === 'data').length
    expect(unitPrices(wherry, catalogue)).toEqual({
      perBay: base.price / 4,
      perPort: base.price / ports,
      perTB: (base.price + 200) / figures['drives.roomTB']!.value!,
    })
    expect(unitPrices(plan({ base: 'pebble-23' }, { drives: { lots: [] } }), catalogue)).toEqual({
      perBay: null,
      perPort: null,
      perTB: null,
    })
  })
  it('of an appliance beyond another: now, by the month, and by the hour that it spares', () => {
    const costs = { pricePerKWh: 0 }
    const dear = plan({ base: 'wherry-4', price: 900 }, { costs })
    const cheap = plan({ base: 'clerk-17', price: 300 }, { costs })
    // Built in 10 hours, and in 12; the maker's own system asks 5 hours a year, a plain server 16.
    expect(appliancePremium(dear, cheap, catalogue)).toEqual({
      now: 600,
      perMonth: 10,
      overYears: expect.closeTo(600, 6),
      hoursSaved: 2 + 55,
      evenPerHour: expect.closeTo(600 / 57, 6),
    })
    expect(appliancePremium(cheap, cheap, catalogue).evenPerHour).toBe(null)
    expect(appliancePremium(cheap, dear, catalogue)).toMatchObject({ now: -600, evenPerHour: null })
    const alike = { ...costs, upkeepHoursPerYear: 3 }
    const kit = plan({ base: 'parts', price: 300 }, { costs: alike })
    expect(
      appliancePremium(
        plan({ base: 'wherry-4', price: 900 }, { costs: alike }),
        plan({ base: 'clerk-17', price: 300 }, { costs: alike }),
        catalogue,
      ),
    ).toMatchObject({ hoursSaved: 2 })
    expect(
      appliancePremium(kit, plan({ base: 'wherry-4' }, { costs: alike }), catalogue).hoursSaved,
    ).toBe(-8)
    // Hours that were entered are the same for both, and as much upkeep: dearer for no hour.
    const asLong = { ...alike, buildHours: 9 }
    expect(
      appliancePremium(
        plan({ base: 'wherry-4', price: 900 }, { costs: asLong }),
        plan({ base: 'clerk-17', price: 300 }, { costs: asLong }),
        catalogue,
      ),
    ).toMatchObject({ hoursSaved: 0, evenPerHour: null })
  })
  it(
    'is looked at with its figures, the limit that binds next, and the worst that is found ' +
      'of it',
    () => {
      const demo = assess(planSchema.parse(tideMillHouse), catalogue)
      const look = lookAtBuild(demo)
      expect(look.figures.map(({ id }) => id)).toEqual([
        'ownership.purchase',
        'ownership.horizonTotal',
        'streams.possible',
        'drives.roomTB',
        'drives.monthFull',
        'drives.lossChanceAtHorizon',
        'machine.idleW',
        'machine.noiseDb',
        'machine.freeBays',
        'machine.freePorts',
      ])
      for (const figure of look.figures) expect(figure).toBe(demo.figures[figure.id])
      expect(look.binds?.id).toBe('space')
      expect(look.findings.length).toBeGreaterThan(0)
      const said = (of: 'fail' | 'warning') =>
        demo.findings.filter(({ severity }) => severity === of).map(({ sentence }) => sentence)
      expect(look.findings).toEqual([...said('fail'), ...said('warning')].slice(0, 3))
      const many = Array.from({ length: 5 }, (_, at) => ({
        ...demo.findings[0]!,
        severity: 'warning' as const,
        sentence: `${at}`,
      }))
      expect(lookAtBuild({ ...demo, findings: many }).findings).toEqual(['0', '1', '2'])
      // What is plenty binds nothing.
      const plentiful = demo.verdicts.map(verdict => ({
        ...verdict,
        asked: { low: 1, likely: 1, high: 1 },
        possible: { low: 5, likely: 5, high: 5 },
      }))
      expect(lookAtBuild({ ...demo, verdicts: plentiful }).binds).toBe(null)
      expect(
        lookAtBuild({
          ...demo,
          verdicts: plentiful.map((verdict, at) =>
            at === 1 ? { ...verdict, possible: { low: 4.9, likely: 4.9, high: 4.9 } } : verdict,
          ),
        }).binds?.id,
      ).toBe(plentiful[1]!.id)
    },
  )
  it('counts own time in hours only, whatever an hour is worth', () => {
    const withHours = (hourValue: number) =>
      appliancePremium(
        plan({ base: 'wherry-4' }, { costs: { hourValue } }),
        plan({ base: 'clerk-17' }, { costs: { hourValue } }),
        catalogue,
      )
    expect(withHours(50)).toEqual(withHours(0))
  })
})
