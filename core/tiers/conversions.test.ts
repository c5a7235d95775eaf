import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { processors } from '../catalogue/processors'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import { meetsNeed } from '../verdict'
import { capacityCurve } from './capacityCurve'
import { withProcessor } from '../machine/partChanges'
import { compareProcessors } from './compareProcessors'
import { conversionFixes } from './conversionFixes'

const demo = planSchema.parse(tideMillHouse)
const weak = planSchema.parse({
  ...tideMillHouse,
  machine: { ...tideMillHouse.machine, score: 2200 },
})

describe("processors in the plan's machine", () => {
  const rows = compareProcessors(demo, catalogue)
  it('are all of the catalogue, weakest first, each through the very same assessment', () => {
    expect(rows).toHaveLength(processors.length)
    const possible = rows.map(row => row.possible!.likely)
    expect(possible).toEqual([...possible].sort((a, b) => a - b))
    for (const row of rows.slice(0, 5))
      expect(row.possible!.likely).toBe(
        assess(row.plan, catalogue).figures['streams.possible']!.value,
      )
  })
  it('keep the box, the drives and the need', () => {
    const plan = {
      ...demo,
      machine: withProcessor(
        demo.machine,
        processors.find(entry => entry.id === 'leat-17')!,
        catalogue,
      ),
    }
    expect(planSchema.parse(plan)).toEqual(plan)
    expect(plan.machine).toMatchObject({
      name: demo.machine.name,
      base: 'parts',
      score: null,
      engine: 'byProcessor',
    })
    expect(plan.machine.parts.map(({ ref }) => ref)).toEqual([
      ...demo.machine.parts.map(({ ref }) => ref).filter(ref => ref !== 'leat-13w'),
      'leat-17',
    ])
    const { hardware } = assess(plan, catalogue).domains.machine
    expect(hardware).toMatchObject({
      cores: 4,
      processor: { score: 6300 },
      builtIn: { id: 'builtInD' },
    })
  })
  it('with an engine do far more than the same without', () => {
    const of = (id: string) => rows.find(row => row.processor.id === id)!.possible!.likely
    expect(of('leat-22')).toBeGreaterThan(2 * of('leat-22n'))
  })
})

describe('capacity against demand', () => {
  const curve = capacityCurve(demo, catalogue)!
  it('has the whole chance of the load at the worst moment', () => {
    expect(curve.load.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 9)
    expect(curve.slot).toBeGreaterThan(0)
    expect(curve.loadStep).toBe(0.05)
  })
  it("falls with capacity, through today's minutes short at today's machine", () => {
    curve.points
      .slice(1)
      .forEach((point, at) =>
        expect(point.minutes).toBeLessThanOrEqual(curve.points[at]!.minutes + 1e-9),
      )
    expect(curve.points.map(({ times }) => times)).toEqual([
      ...Array.from({ length: 33 }, (_, at) => 0.25 * 2 ** (at / 8)).map(times =>
        expect.closeTo(times, 9),
      ),
    ])
    const today = curve.points.find(point => Math.abs(point.times - 1) < 1e-9)!
    expect(today.minutes).toBeCloseTo(
      assess(demo, catalogue).figures['streams.minutesShortPerMonth']!.value!,
      9,
    )
  })
  it('needs habits and a processor', () => {
    expect(
      capacityCurve(
        { ...demo, machine: { ...demo.machine, base: 'own', parts: [], score: null } },
        catalogue,
      ),
    ).toBeNull()
    expect(
      capacityCurve({ ...demo, household: { ...demo.household, habits: [] } }, catalogue),
    ).toBeNull()
  })
})

describe('what would fix a lack of conversions', () => {
  const fixes = conversionFixes(weak, catalogue)
  it('is the case here', () =>
    expect(meetsNeed(assess(weak, catalogue).verdicts[0]!.state)).toBe(false))
  it('names a device or a copy, a card and a processor, each with its effect', () => {
    expect(fixes.some(fix => fix.id.startsWith('card-'))).toBe(true)
    expect(fixes.some(fix => fix.id.startsWith('processor-'))).toBe(true)
    expect(fixes.some(fix => /^(replace|copies|text)/.test(fix.id))).toBe(true)
    for (const fix of fixes) expect(planSchema.parse(fix.plan)).toEqual(fix.plan)
    // Only copies kept beside take space.
    for (const { id, extraTB } of fixes)
      if (/^(processor|card|replace)/.test(id)) expect(extraTB, id).toBe(0)
  })
  it('brings the price and the watts of a part with it', () => {
    const card = fixes.find(fix => fix.id === 'card-cardModern')!
    const [before, after] = [assess(weak, catalogue).figures, assess(card.plan, catalogue).figures]
    const added = (id: string) => after[id]!.value! - before[id]!.value!
    expect(added('ownership.purchase')).toBe(260)
    // A card of 12 to 40 W, behind a supply that is 75 to 82 % efficient there.
    expect(added('machine.idleW')).toBeGreaterThan(12)
    expect(added('machine.idleW')).toBeLessThan(12 / 0.7)
    expect(added('machine.loadW')).toBeCloseTo(40 / 0.815, 6)
  })
  it('puts what meets the need first, and the cheaper before the dearer', () => {
    const met = fixes.map(fix => meetsNeed(fix.state))
    expect(met).toEqual([...met].sort((a, b) => Number(b) - Number(a)))
    const costs = fixes
      .filter(fix => meetsNeed(fix.state))
      .map(fix => (fix.price ?? 0) + 20 * fix.extraTB)
    expect(costs).toEqual([...costs].sort((a, b) => a - b))
  })
  it('takes a weak card out, and an unused engine in', () => {
    const ids = (machine: object, choices = {}) =>
      conversionFixes(
        planSchema.parse({
          ...tideMillHouse,
          machine: { ...tideMillHouse.machine, ...machine },
          choices,
        }),
        catalogue,
      ).map(fix => fix.id)
    expect(ids({ engine: 'builtInF', parts: [{ ref: 'cardOldGaming' }] })).toContain('no-card')
    expect(ids({ engine: 'builtInF' }, { hardwareConversion: false })).toContain('engine-on')
  })
})
