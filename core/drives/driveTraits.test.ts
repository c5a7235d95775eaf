import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue, entryOf } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { plainFormat } from '../units/format'
import { driveTraits, pooledTraits, sheetWattsBand, usualFailuresPerYear } from './driveTraits'
import { failureRatePerHour } from './failureRate'
import { modelSheet } from './modelSheet'
import { drivesOf, poolOf, type Pool } from './poolOf'
import { poolChoices } from '../../tests/stubs/poolChoices'

const plan = (drives: PlanInput['drives']) => planSchema.parse({ name: 'x', drives })
const assessed = (drives: PlanInput['drives'], changes: Partial<PlanInput> = {}) =>
  assess(planSchema.parse({ name: 'x', drives, ...changes }), catalogue)
const codes = (drives: PlanInput['drives']) => assessed(drives).findings.map(({ code }) => code)

describe('the models that ship', () => {
  it('are at least 25, each as its data sheet must be', () => {
    expect(catalogue.driveModels.length).toBeGreaterThanOrEqual(25)
    for (const {
      id,
      label,
      driveClass,
      standbyW,
      idleW,
      activeW,
      surgeW,
      sizeTB,
      price,
      outerMBps,
      failuresPerYear,
      sheetReadErrorBits,
    } of catalogue.driveModels) {
      expect(id).toMatch(/^[a-z0-9-]+$/)
      expect(label.length, id).toBeGreaterThan(5)
      expect(entryOf(catalogue.driveClasses, driveClass), id).not.toBeNull()
      expect(0 < standbyW && standbyW < idleW && idleW < activeW && activeW < surgeW, id).toBe(true)
      expect(
        sizeTB > 0 &&
          price > 0 &&
          outerMBps >= 100 &&
          failuresPerYear > 0 &&
          failuresPerYear <= 0.1 &&
          sheetReadErrorBits >= 1e14 &&
          sheetReadErrorBits <= 1e18,
        id,
      ).toBe(true)
    }
  })
  it('are of every class, way of writing and way of being sold, and named with their size', () => {
    const all = (of: (model: (typeof catalogue.driveModels)[number]) => string) =>
      new Set(catalogue.driveModels.map(of)).size
    expect([
      all(model => model.driveClass),
      all(model => model.recording),
      all(model => model.sold),
    ]).toEqual([6, 3, 3])
    for (const { label, sizeTB } of catalogue.driveModels) expect(label).toContain(` ${sizeTB} TB`)
  })
  it('fail about as often as the handbook says of their class, and cost about as much', () => {
    for (const { id, failuresPerYear, driveClass, price, sizeTB } of catalogue.driveModels) {
      const { failuresPerYear: usual, pricePerTB } = entryOf(catalogue.driveClasses, driveClass)!
      expect(failuresPerYear / usual, id).toBeGreaterThan(0.7)
      expect(failuresPerYear / usual, id).toBeLessThan(1.5)
      expect(price / sizeTB / pricePerTB, id).toBeGreaterThan(0.7)
      // The smallest are dear by the terabyte, most of all with a case around them.
      expect(price / sizeTB / pricePerTB, id).toBeLessThan(driveClass === 'ownCase' ? 2.7 : 1.9)
    }
  })
  it('are told in a line', () => {
    expect(modelSheet(entryOf(catalogue.driveModels, 'sluice-8')!, plainFormat)).toBe(
      'conventional (CMR), 210 MB/s, 4 W idle, 6.2 W active, 1.5 % fail in a year, an ' +
        'unreadable sector in 10¹⁴ bits',
    )
  })
})

describe('a drive', () => {
  const { drives } = plan({
    driveClass: 'desktop',
    outerMBps: 170,
    sheetReadErrorBits: 1e15,
    shingled: true,
  })
  it('is as its model says, within what data sheets are met by', () => {
    expect(sheetWattsBand).toBe(0.15)
    expect(driveTraits({ model: 'ebb-8', sizeTB: 8 }, drives, catalogue)).toMatchObject({
      failuresPerYear: 0.04,
      outerMBps: 210,
      sheetReadErrorBits: 1e15,
      shingled: false,
      spinning: true,
      idleW: { low: 6.8 * 0.85, likely: 6.8, high: 6.8 * 1.15 },
      usualPrice: 92,
    })
    expect(driveTraits({ model: 'rill-2', sizeTB: 2 }, drives, catalogue).spinning).toBe(false)
    expect(
      driveTraits({ model: 'weir-8', sizeTB: 8 }, { ...drives, shingled: false }, catalogue)
        .shingled,
    ).toBe(true)
  })
  it('without a model is as entered for all', () => {
    const traits = driveTraits({ model: 'own', sizeTB: 8 }, drives, catalogue)
    expect(traits).toMatchObject({
      model: null,
      failuresPerYear: 0.025,
      outerMBps: 170,
      sheetReadErrorBits: 1e15,
      shingled: true,
      usualPrice: 152,
    })
    expect(driveTraits({ model: 'gone', sizeTB: 8 }, drives, catalogue)).toEqual(traits)
    expect(
      driveTraits({ model: 'own', sizeTB: 8 }, drives, { driveClasses: [], driveModels: [] }),
    ).toMatchObject({ failuresPerYear: usualFailuresPerYear, usualPrice: 0 })
    expect(usualFailuresPerYear).toBe(0.015)
  })
  it('fails as often as entered, whatever its model', () => {
    expect(
      driveTraits({ model: 'ebb-8', sizeTB: 8 }, { ...drives, failuresPerYear: 0.07 }, catalogue)
        .failuresPerYear,
    ).toBe(0.07)
  })
})

describe('unlike drives in one pool', () => {
  const one = {
    sizeTB: 8,
    failuresPerYear: 0.015,
    outerMBps: 210,
    shingled: false,
    sheetReadErrorBits: 1e14,
    nvme: false,
    inOwnCase: false,
  }
  it('fail at the mean of their rates, and are as slow as the slowest', () => {
    const pooled = pooledTraits([
      one,
      {
        ...one,
        sizeTB: 24,
        failuresPerYear: 0.04,
        outerMBps: 170,
        shingled: true,
        sheetReadErrorBits: 1e15,
      },
    ])
    expect(failureRatePerHour(pooled.failuresPerYear)).toBeCloseTo(
      (failureRatePerHour(0.015) + failureRatePerHour(0.04)) / 2,
      14,
    )
    expect(pooled).toMatchObject({ outerMBps: 170, shingled: true })
    // A quarter of the terabytes at one in 10¹⁵ bits, three quarters at one in 10¹⁶.
    expect(pooled.readErrorsPerBit).toBeCloseTo(0.25 * 1e-15 + 0.75 * 1e-16, 25)
  })
  it('are like one of them where they are alike', () => {
    expect(pooledTraits([one, one])).toEqual({
      failuresPerYear: 0.015,
      outerMBps: 210,
      sustainedMBps: 157.5,
      shingled: false,
      readErrorsPerBit: 1e-15,
    })
  })
  it('keep up no more than what they hang on carries', () => {
    const fast = { ...one, outerMBps: 3000 }
    const kept = (...drives: Parameters<typeof pooledTraits>[0][number][]) =>
      pooledTraits(drives).sustainedMBps
    expect(kept(fast)).toBe(550)
    expect(kept({ ...fast, nvme: true })).toBe(2250)
    expect(kept({ ...fast, outerMBps: 7000, nvme: true })).toBe(3400)
    expect(kept({ ...fast, inOwnCase: true })).toBe(430)
    expect(kept({ ...fast, nvme: true }, one)).toBe(157.5)
  })
  it('as separate disks are lost as the product over the disks says', () => {
    const figures = assessed({
      lots: [
        { count: 1, sizeTB: 8, model: 'sluice-8' },
        { count: 1, sizeTB: 8, model: 'ebb-8' },
      ],
      layout: 'separate',
    }).figures
    expect(figures['drives.lossChancePerYear']!.value).toBeCloseTo(1 - 0.985 * 0.96, 12)
  })
})

describe('a plan with models', () => {
  it('draws their watts, costs their prices and rebuilds at their speed', () => {
    const { figures, domains } = assessed(
      {
        lots: [
          { count: 2, sizeTB: 8, model: 'sluice-8' },
          { count: 2, sizeTB: 8, model: 'ebb-8', condition: 'refurbished' },
        ],
        layout: 'rotating-1',
      },
      { choices: { watchingHoursPerDay: 0 } },
    )
    expect(domains.drives.idleW.likely).toBeCloseTo(2 * 4 + 2 * 6.8, 9)
    expect(domains.ownership.drivesToPay).toBe(2 * 165 + 2 * 92)
    expect(figures['drives.rebuildHours']!.value).toBeCloseTo(8e6 / (0.75 * 210) / 3600, 6)
  })
  it(
    "is warned of a model that is gone, of a size that is not the model's, and of shingled " +
      'parity',
    () => {
      expect(codes({ lots: [{ count: 2, sizeTB: 8, model: 'gone-1' }] })).toContain(
        'UNKNOWN_DRIVE_MODEL',
      )
      expect(codes({ lots: [{ count: 2, sizeTB: 8, model: 'sluice-12' }] })).toContain(
        'DRIVE_MODEL_SIZE',
      )
      expect(codes({ lots: [{ count: 2, sizeTB: 8, model: 'sluice-8' }] })).not.toContain(
        'DRIVE_MODEL_SIZE',
      )
      expect(
        codes({
          lots: [
            { count: 3, sizeTB: 8, model: 'weir-8' },
            { count: 1, sizeTB: 8 },
          ],
          layout: 'rotating-1',
        }),
      ).toContain('SHINGLED_PARITY')
    },
  )
  it('shakes by its spinning drives only', () => {
    const shaken = (ssds: number) =>
      assessed({
        lots: [
          { count: 4, sizeTB: 8, model: 'sluice-8' },
          { count: ssds, sizeTB: 4, model: 'eddy-4' },
        ],
        unmounted: true,
      }).domains.drives.isShaken
    expect([
      shaken(3),
      assessed({ lots: [{ count: 5, sizeTB: 8, model: 'sluice-8' }], unmounted: true }).domains
        .drives.isShaken,
    ]).toEqual([false, true])
  })
})

describe('groups drawn together', () => {
  const poolFor = (drives: PlanInput['drives']) => {
    const { drives: parsed, choices } = plan(drives)
    return poolOf({
      drives: parsed,
      choices: poolChoices(choices),
      catalogue,
      contentTB: 0,
      layoutId: parsed.layout,
    }) as Pool
  }
  it('are arranged each by itself, and the pool spans them', () => {
    const { arrangement } = poolFor({
      lots: [
        { count: 4, sizeTB: 8, group: 1 },
        { count: 3, sizeTB: 12, group: 2 },
      ],
      layout: 'rotating-1',
    })
    expect([
      arrangement.usableTB,
      arrangement.redundancyTB,
      arrangement.mismatchTB,
      arrangement.survives,
    ]).toEqual([24 + 24, 20, 0, 1])
    expect(arrangement.groups.map(group => group.rebuiltTB).sort()).toEqual([12, 8])
    // Every drive is in the group that it was drawn into, with what that group puts on it.
    const places = arrangement.groups.map(({ members }) =>
      members.map(member => arrangement.memberPlaces[member]!).sort(),
    )
    expect(places).toEqual([
      [0, 1, 2, 3],
      [4, 5, 6],
    ])
    arrangement.parts.forEach((part, member) =>
      expect(part.dataTB + part.copyTB + part.parityTB + part.unusedTB).toBeCloseTo(
        arrangement.memberPlaces[member]! < 4 ? 8 : 12,
        9,
      ),
    )
  })
  it('of two mirrors lose as mirrored pairs do', () => {
    const drawn = assessed({
      lots: [
        { count: 2, sizeTB: 8, group: 1 },
        { count: 2, sizeTB: 8, group: 2 },
      ],
      layout: 'mirror',
    })
    const pairs = assessed({ lots: [{ count: 4, sizeTB: 8 }], layout: 'pairs' })
    for (const id of ['drives.usableTB', 'drives.lossChanceAtHorizon', 'drives.rebuildHours'])
      expect(drawn.figures[id]!.value, id).toBeCloseTo(pairs.figures[id]!.value!, 12)
    expect(drawn.domains.drives.pool!.survives).toBe(1)
  })
  it('survive together what the weakest of them does', () => {
    const { arrangement } = poolFor({
      lots: [
        { count: 3, sizeTB: 8, group: 1 },
        { count: 2, sizeTB: 8, group: 2 },
      ],
      layout: 'mirror',
    })
    expect(arrangement.survives).toBe(1)
  })
  it('lose the whole pool with any of them', () => {
    const one = assessed({ lots: [{ count: 4, sizeTB: 8 }], layout: 'rotating-1' }).figures[
      'drives.lossChanceAtHorizon'
    ]!.value!
    const two = assessed({
      lots: [
        { count: 4, sizeTB: 8, group: 1 },
        { count: 4, sizeTB: 8, group: 2 },
      ],
      layout: 'rotating-1',
    }).figures['drives.lossChanceAtHorizon']!.value!
    expect(two).toBeCloseTo(1 - (1 - one) ** 2, 12)
  })
  it('refuse by their number', () => {
    const { verdicts } = assessed({
      lots: [
        { count: 4, sizeTB: 8, group: 1 },
        { count: 1, sizeTB: 8, group: 2 },
      ],
      layout: 'rotating-1',
    })
    expect(verdicts.find(({ id }) => id === 'space')!.sentence).toContain('Group 2: ')
  })
  it('are told apart only where there are several', () => {
    const drive = { count: 1, sizeTB: 8, role: 'any' as const }
    expect(drivesOf({ lots: [{ ...drive, group: 3 }] })).toEqual([{ sizeTB: 8, role: 'any' }])
    expect(
      drivesOf({
        lots: [
          { ...drive, group: 1 },
          { ...drive, group: 2 },
        ],
      }).map(({ group }) => group),
    ).toEqual([1, 2])
  })
})
