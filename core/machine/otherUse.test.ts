import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { machineAtHand } from '../tiers/machineAtHand'
import { cutOffPerMonth } from './machineFacts'

const told = (machine: PlanInput['machine'], rest: Partial<PlanInput> = {}) =>
  assess(
    planSchema.parse({
      name: 'x',
      household: { converted: 1 },
      library: { otherTB: 1 },
      ...rest,
      machine: { base: 'pebble-21', condition: 'owned', ...machine },
    }),
    catalogue,
  )
const processor = (result: ReturnType<typeof told>) =>
  result.domains.streams.converter.processor!.likely

describe('a computer on which somebody also works or plays', () => {
  const alone = told({})
  it('converts with what is left of its processor, and without its engine', () => {
    const used = told({ usedHoursPerDay: 3, usedShare: 0.4 })
    expect(processor(used)).toBeCloseTo(processor(alone) * 0.6, 9)
    expect(alone.domains.streams.converter.engines).toHaveLength(1)
    expect(used.domains.streams.converter.engines).toEqual([])
    expect(used.figures['streams.softwareReference']!.formula).toContain(
      '× (1 − 0.4 taken by work or games)',
    )
    expect(used.figures['streams.softwareReference']!.inputs).toEqual(
      expect.arrayContaining(['machine.usedHoursPerDay', 'machine.usedShare']),
    )
    expect(used.domains.streams.possible!.likely).toBeLessThan(
      alone.domains.streams.possible!.likely,
    )
  })
  it('keeps the engine where work leaves it, and everything where nobody uses it', () => {
    expect(
      told({ usedHoursPerDay: 3, usedEngineToo: false }).domains.streams.converter.engines,
    ).toHaveLength(1)
    const idle = told({ usedHoursPerDay: 0, usedShare: 1 })
    expect(processor(idle)).toBe(processor(alone))
    expect(idle.domains.streams.possible).toEqual(alone.domains.streams.possible)
    expect(told({ usedHoursPerDay: 1, usedShare: 1 }).domains.streams.possible!.likely).toBe(0)
  })
  it('leaves services what work leaves, and never less than nothing', () => {
    const busy = told(
      { usedHoursPerDay: 3, usedShare: 0.5 },
      { system: { services: [{ name: 'index', load: 1 }] } },
    )
    expect(processor(busy)).toBeCloseTo(processor(alone) * 0.5 - 1, 9)
    expect(
      processor(
        told(
          { usedHoursPerDay: 3, usedShare: 1 },
          { system: { services: [{ name: 'index', load: 1 }] } },
        ),
      ),
    ).toBe(0)
  })
  it('is told of with its hours and with the restarts that come while somebody watches', () => {
    const finding = (machine: PlanInput['machine'], watching = 6) =>
      told(machine, { choices: { watchingHoursPerDay: watching } }).findings.find(
        ({ code }) => code === 'ALSO_USED',
      )
    // 2 a week are 8.7 a month, a quarter of them in six hours of a day.
    expect(cutOffPerMonth(2, 6)).toBeCloseTo((2 * 365.25) / 7 / 12 / 4, 9)
    expect(finding({ usedHoursPerDay: 3, usedShare: 0.4, restartsPerWeek: 2 })!.sentence).toMatch(
      /3 h a day.+60\s?% of the processor is left, and no video engine\. Restarts that come while somebody watches: about 2\.2 a month\./,
    )
    expect(
      finding({ usedHoursPerDay: 3, usedShare: 0.4, usedEngineToo: false, restartsPerWeek: 0 })!
        .sentence,
    ).toMatch(/is left\. It hardly restarts while somebody watches\.$/)
    expect(finding({ usedHoursPerDay: 0 })).toBe(undefined)
  })
  it(
    'serves alone unless it is said otherwise; then half of the processor and the engine are ' +
      'taken, with two restarts a week',
    () => {
      expect(planSchema.parse({ name: 'x' }).machine).toMatchObject({
        usedHoursPerDay: 0,
        usedShare: 0.5,
        usedEngineToo: true,
        restartsPerWeek: 2,
      })
      expect(planSchema.parse({ name: 'x' }).costs.linkBetween).toBe(25)
    },
  )
  it('keeps its hours when it is taken from what is at hand', () => {
    const { machine } = planSchema.parse({
      name: 'x',
      machine: {
        atHand: [
          {
            name: 'Desk',
            ref: 'clerk-17',
            usedHoursPerDay: 8,
            usedShare: 0.3,
            usedEngineToo: false,
            restartsPerWeek: 5,
          },
        ],
      },
    })
    expect(machineAtHand(machine.atHand[0]!)).toMatchObject({
      usedHoursPerDay: 8,
      usedShare: 0.3,
      usedEngineToo: false,
      restartsPerWeek: 5,
    })
  })
})
