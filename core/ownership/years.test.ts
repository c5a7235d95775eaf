import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { gridKinds } from '../catalogue/gridKinds'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { breakEvenWithRise, breakEvenYears, crossingYears } from './breakEven'
import { carbonAfter, carbonBreakEven, manufactureKg } from './carbon'
import {
  cashFlow,
  cashKinds,
  costOverYears,
  kWhPerWattMonth,
  toCents,
  upsBatteryMonths,
  type CashQuestion,
} from './cashFlow'
import { cloudCourse, usualCloudSteps } from './cloud'
import { averagePricePerKWh } from '../plan/energyPrice'
import { licenceCrossing, neverUsed } from './neverUsed'
import { failingLots } from './failingDrives'
import { planCarbon } from '../tiers/planCarbon'
import { upsMinutes, upsRows } from '../machine/power/upsChoice'

const nothing: CashQuestion = {
  months: 12,
  purchase: 0,
  staged: [],
  averageW: 0,
  pricePerKWh: 0.3,
  electricityRisePerYear: 0,
  drives: [],
  driveFallPerYear: 0,
  licenceOnce: 0,
  licencePerYear: 0,
  copiesNow: 0,
  copiesOnce: 0,
  copiesEveryMonths: 60,
  copiesPerMonth: 0,
  upsBatteryPrice: null,
  buildHours: 0,
  upkeepHoursPerYear: 0,
  hourValue: 0,
  savedPerMonth: 0,
  resale: 0,
  discountRate: 0,
}
const anyQuestion: fc.Arbitrary<CashQuestion> = fc.record({
  months: fc.integer({ min: 1, max: 180 }),
  purchase: fc.integer({ min: 0, max: 400_000 }).map(cents => cents / 100),
  staged: fc.array(
    fc.record({
      month: fc.nat(180),
      price: fc.integer({ min: 0, max: 90_000 }).map(cents => cents / 100),
    }),
    { maxLength: 5 },
  ),
  averageW: fc.double({ min: 0, max: 500, noNaN: true }),
  pricePerKWh: fc.double({ min: 0, max: 1, noNaN: true }),
  electricityRisePerYear: fc.double({ min: -0.2, max: 0.3, noNaN: true }),
  drives: fc.array(
    fc.record({
      count: fc.integer({ min: 1, max: 12 }),
      failuresPerHour: fc.double({ min: 0, max: 3e-5, noNaN: true }),
      ageYears: fc.option(fc.nat(9)),
      price: fc.double({ min: 0, max: 400, noNaN: true }),
      fromMonth: fc.nat(100),
      warrantyMonths: fc.nat(60),
    }),
    { maxLength: 3 },
  ),
  driveFallPerYear: fc.double({ min: -0.1, max: 0.15, noNaN: true }),
  licenceOnce: fc.nat(200),
  licencePerYear: fc.nat(100),
  copiesNow: fc.nat(300),
  copiesOnce: fc.nat(300),
  copiesEveryMonths: fc.constant(60),
  copiesPerMonth: fc.nat(40),
  upsBatteryPrice: fc.option(fc.nat(60)),
  buildHours: fc.nat(20),
  upkeepHoursPerYear: fc.nat(20),
  hourValue: fc.nat(40),
  savedPerMonth: fc.nat(30),
  resale: fc.nat(300),
  discountRate: fc.double({ min: 0, max: 0.2, noNaN: true }),
})

describe('the years in money', () => {
  it('reconcile to the cent: the total is the sum of the lines, by kind and by month', () => {
    fc.assert(
      fc.property(anyQuestion, question => {
        const { lines, total, byKind, cumulative, perMonth } = cashFlow(question)
        const cents = lines.reduce((sum, { amount }) => sum + Math.round(amount * 100), 0)
        expect(Math.round(total * 100)).toBe(cents)
        expect(cashKinds.reduce((sum, kind) => sum + Math.round(byKind[kind] * 100), 0)).toBe(cents)
        expect(cumulative).toHaveLength(question.months + 1)
        expect(Math.round(cumulative.at(-1)! * 100)).toBe(cents)
        expect(perMonth).toBe(toCents(total / question.months) / 100)
        expect(cashFlow({ ...question, discountRate: 0 }).netPresentValue).toBe(total)
        for (const { amount } of lines)
          expect(Math.abs(amount * 100 - Math.round(amount * 100))).toBeLessThan(1e-6)
        expect(Math.abs(total - costOverYears(question))).toBeLessThanOrEqual(
          0.005 * (lines.length + 10 * question.months) + 1e-6,
        )
      }),
      { numRuns: 200 },
    )
  })
  it('take 30 W as 263 kWh a year, and 6.57 a month at 0.3', () => {
    const { byKind, lines } = cashFlow({ ...nothing, averageW: 30 })
    expect(lines.every(({ amount, kind }) => kind === 'electricity' && amount === 6.57)).toBe(true)
    expect(lines.map(({ month }) => month)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12])
    expect(byKind.electricity).toBe(78.84)
    expect(kWhPerWattMonth).toBeCloseTo(0.7305, 10)
  })
  it('raise electricity from month 13 on, and every year after', () => {
    const at = (month: number) =>
      cashFlow({ ...nothing, months: 36, averageW: 100, electricityRisePerYear: 0.1 }).lines.find(
        line => line.month === month,
      )!.amount
    expect([at(12), at(13), at(24), at(25)]).toEqual([21.92, 24.11, 24.11, 26.52])
  })
  it('replace drives after their warranty only, at the price of that month, by their age', () => {
    const lot = {
      count: 4,
      // 3 % a year: 0.25 % and a little a month, of four drives at 200.
      failuresPerHour: -Math.log(0.97) / 8766,
      ageYears: null,
      price: 200,
      fromMonth: 0,
      warrantyMonths: 24,
    }
    const lines = (
      change: Partial<Omit<typeof lot, 'ageYears'>> & { readonly ageYears?: number },
      fall = 0,
    ) =>
      cashFlow({
        ...nothing,
        months: 36,
        driveFallPerYear: fall,
        drives: [{ ...lot, ...change }],
      }).lines
    expect(lines({}).map(({ month }) => month)).toEqual(
      Array.from({ length: 12 }, (_, index) => 25 + index),
    )
    // 4 · 0.030459 ÷ 12 · 200 = 2.03.
    expect(lines({ warrantyMonths: 0 })[0]).toEqual({
      month: 1,
      kind: 'replacements',
      amount: 2.03,
    })
    // Prices fall month by month: 2.03 · 0.9^(25 ÷ 12) = 1.63, and 1.48 at the end.
    const falling = lines({}, 0.1)
    expect([falling[0]!.amount, falling.at(-1)!.amount]).toEqual([1.63, 1.48])
    expect(lines({ fromMonth: 6 })[0]!.month).toBe(31)
    // First year 1.3 times, the second to fourth once, the fifth 1.5 times.
    const aged = (ageYears: number) => lines({ ageYears, warrantyMonths: 0 })
    expect([0, 12, 35].map(at => aged(0)[at]!.amount)).toEqual([2.64, 2.03, 2.03])
    expect([11, 12].map(at => aged(3)[at]!.amount)).toEqual([2.03, 3.05])
    expect(aged(6)[0]!.amount).toBe(5.08)
  })
  it('know the warranty of a lot: entered, else by how it came into the house', () => {
    const lots = [
      { count: 1, sizeTB: 8, condition: 'new' as const },
      { count: 1, sizeTB: 8, condition: 'refurbished' as const },
      { count: 1, sizeTB: 8, condition: 'owned' as const },
      { count: 1, sizeTB: 8, condition: 'owned' as const, warrantyMonths: 36 },
    ]
    const of = (drives: object, costs = {}) =>
      failingLots(planSchema.parse({ name: 'x', drives: { lots, ...drives }, costs }), catalogue)
    expect(of({}).map(({ warrantyMonths }) => warrantyMonths)).toEqual([24, 12, 0, 36])
    expect(of({}, { warrantyMonths: 60 })[0]!.warrantyMonths).toBe(60)
    // Heat and vibration count, as they do for the chance of loss.
    const rate = (drives: object) => of(drives)[0]!.failuresPerHour
    expect(rate({})).toBeCloseTo(-Math.log(1 - 0.015) / 8766, 12)
    expect(rate({ above45C: true }) / rate({})).toBeCloseTo(1.5, 9)
    const many = { unmounted: true, lots: [{ count: 6, sizeTB: 8 }], above45C: true }
    expect(rate(many) / rate({})).toBeCloseTo(2.25, 9)
  })
  it(
    'pay by the year in advance, a battery every four years, and nothing but the month in ' +
      'the last month',
    () => {
      const { lines } = cashFlow({
        ...nothing,
        months: 48,
        licencePerYear: 20,
        licenceOnce: 5,
        upsBatteryPrice: 35,
        savedPerMonth: 10,
        resale: 100,
        copiesNow: 3,
        copiesOnce: 7,
        copiesEveryMonths: 24,
      })
      expect(
        lines.filter(({ kind }) => kind === 'licences').map(({ month, amount }) => [month, amount]),
      ).toEqual([
        [0, 5],
        [0, 20],
        [12, 20],
        [24, 20],
        [36, 20],
      ])
      expect(lines.filter(({ kind }) => kind === 'upsBattery')).toEqual([])
      expect(
        lines.filter(({ kind }) => kind === 'copies').map(({ month, amount }) => [month, amount]),
      ).toEqual([
        [0, 3],
        [24, 7],
      ])
      expect(
        lines.filter(({ month }) => month === 48).map(({ kind, amount }) => [kind, amount]),
      ).toEqual([
        ['saved', -10],
        ['resale', -100],
      ])
      expect(
        cashFlow({ ...nothing, months: 60, upsBatteryPrice: 35 }).lines.map(({ month }) => month),
      ).toEqual([48])
      expect(upsBatteryMonths).toBe(48)
    },
  )
  it('round halves away from zero, and the present value once', () => {
    expect([toCents(0.125), toCents(-0.125), toCents(1.004), toCents(-1.006)]).toEqual([
      13, -13, 100, -101,
    ])
    expect(
      cashFlow({ ...nothing, purchase: 100, licencePerYear: 100, months: 24, discountRate: 0.1 })
        .netPresentValue,
    ).toBe(290.91)
    expect(
      cashFlow({ ...nothing, purchase: 100, licencePerYear: 100, months: 24 }).netPresentValue,
    ).toBe(300)
  })
  it('count own time by what an hour is worth', () => {
    expect(
      cashFlow({ ...nothing, buildHours: 8, upkeepHoursPerYear: 12, hourValue: 20 }).byKind.ownTime,
    ).toBe(400)
    expect(cashFlow({ ...nothing, buildHours: 8, upkeepHoursPerYear: 12 }).byKind.ownTime).toBe(0)
  })
  it('of a plan are told with their working, and follow from every part of it', () => {
    const total = (input: Omit<PlanInput, 'name'>) =>
      assess(planSchema.parse({ ...tideMillHouse, ...input }), catalogue).figures[
        'ownership.horizonTotal'
      ]!.value!
    const base = total({})
    const demo = planSchema.parse(tideMillHouse)
    const with_ = (costs: object) => total({ costs: { ...tideMillHouse.costs, ...costs } }) - base
    expect(with_({ licenceOnce: 50 })).toBeCloseTo(50, 6)
    expect(with_({ licencePerYear: 10 })).toBeCloseTo(50, 6)
    expect(with_({ savedPerMonth: 5 })).toBeCloseTo(-300, 6)
    // What services cost is paid in advance each year, like a licence.
    expect(
      total({ system: { services: [{ pricePerYear: 12 }, { pricePerYear: 8.5 }, {}] } }) - base,
    ).toBeCloseTo(5 * 20.5, 6)
    expect(with_({ solarShare: 1, solarPricePerKWh: 0 })).toBeLessThan(-500)
    expect(with_({ resaleShare: 0.5 })).toBeCloseTo(-0.5 * (415 - 85), 6)
    expect(with_({ warrantyMonths: 60 })).toBeLessThan(0)
    // A UPS in the list of parts: its price, and its battery.
    const withUps = (part: object) =>
      total({
        machine: {
          ...tideMillHouse.machine,
          parts: [...demo.machine.parts, { ref: 'weight-650', ...part }],
        },
      }) - base
    expect(withUps({ condition: 'owned' })).toBeCloseTo(35, 6)
    expect(withUps({})).toBeCloseTo(92 + 35, 6)
    expect(withUps({ condition: 'owned', purpose: 'spare' })).toBeCloseTo(0, 6)
    expect(
      total({ drives: { ...demo.drives, purchases: [{ month: 12, count: 1, sizeTB: 8 }] } }),
    ).toBeGreaterThan(base + 100)
    expect(
      total({ drives: { ...demo.drives, awayCopy: 'everything', awayBy: 'store' } }),
    ).toBeGreaterThan(base + 3000)
    // Three drives are free; a system disk and four more make eight, at 45.
    const stick = (input: Omit<PlanInput, 'name'>) =>
      total({ ...input, system: { kind: 'stick' } }) - total(input)
    expect(stick({})).toBeCloseTo(0, 6)
    const more = [...demo.drives.lots, { ...demo.drives.lots[0]!, count: 4 }]
    expect(
      stick({
        machine: { ...demo.machine, parts: [{ ref: 'flint-250' }] },
        drives: { ...demo.drives, lots: more },
      }),
    ).toBeCloseTo(45, 6)
    const { figures } = assess(demo, catalogue)
    expect(figures['ownership.horizonTotal']!.inputs).toContain('ownership.horizonElectricity')
    expect(figures['ownership.horizonElectricity']!.formula).toMatch(
      /60 monthly payments for 60\.7.W on average \(0\.7305 kWh/,
    )
    expect(figures['ownership.costPerMonth']!.value).toBeCloseTo(base / 60, 2)
  })
})

describe('electricity', () => {
  it('costs what its hours and its own roof make of it', () => {
    const prices = {
      pricePerKWh: 0.3,
      nightShare: 0.5,
      nightPricePerKWh: 0.2,
      solarShare: 0.2,
      solarPricePerKWh: 0.1,
    }
    expect(averagePricePerKWh(prices)).toBeCloseTo(0.22, 12)
    expect(averagePricePerKWh({ ...prices, nightPricePerKWh: null })).toBeCloseTo(0.26, 12)
  })
})

describe('break-even', () => {
  it('takes 1.86 years for 220 more and 45 W less at 0.3', () => {
    expect(breakEvenYears({ extraPrice: 220, savedW: 45, pricePerKWh: 0.3 })).toBeCloseTo(1.859, 3)
    expect(breakEvenYears({ extraPrice: 0, savedW: -5, pricePerKWh: 0.3 })).toBe(0)
    expect(breakEvenYears({ extraPrice: 10, savedW: 0, pricePerKWh: 0.3 })).toBe(null)
  })
  it('is the same month by month while the price stays, and sooner when it rises', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 200 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (extraPrice, savedW, pricePerKWh) => {
          const flat = breakEvenYears({ extraPrice, savedW, pricePerKWh })!
          fc.pre(flat < 90)
          expect(
            breakEvenWithRise({ extraPrice, savedW, pricePerKWh, risePerYear: 0 }),
          ).toBeCloseTo(flat, 9)
          expect(
            breakEvenWithRise({ extraPrice, savedW, pricePerKWh, risePerYear: 0.1 })!,
          ).toBeLessThanOrEqual(flat + 1e-9)
        },
      ),
    )
    expect(
      breakEvenWithRise({ extraPrice: 1e6, savedW: 1, pricePerKWh: 0.1, risePerYear: 0 }),
    ).toBe(null)
  })
  it('lies within the month in which one line comes down to the other', () => {
    expect(crossingYears(month => 100 - 30 * month)).toBeCloseTo((3 + 1 / 3) / 12, 12)
    expect(crossingYears(() => 5, 24)).toBe(null)
    expect(crossingYears(() => -1)).toBe(0)
  })
})

describe('a UPS', () => {
  it('of 84 Wh and lead holds 50 W for 41.6 minutes, 150 W for 11.7 and 300 W for 5.7', () => {
    const lead = { energyWh: 84, battery: 'lead' } as const
    expect([50, 150, 300].map(watts => Number(upsMinutes(lead, watts).toFixed(1)))).toEqual([
      41.6, 11.7, 5.7,
    ])
    expect(upsMinutes({ ...lead, battery: 'lithium' }, 50)).toBeCloseTo(68.54, 2)
    expect(upsMinutes(lead, 0.5)).toBeCloseTo(2 * 60 * 84 * 0.85 * 0.8, 6)
    expect(upsMinutes(lead, 5000)).toBeCloseTo((0.5 * 60 * 84 * 0.85 * 0.8) / 5000, 6)
  })
  it('has to be strong and long enough, the router counted', () => {
    const unit = (id: string, ratingVA: number, energyWh: number, price: number) => ({
      kind: 'ups' as const,
      id,
      label: id,
      ratingVA,
      ratingW: ratingVA * 0.6,
      energyWh,
      battery: 'lead' as const,
      price,
      idleW: 0,
      loadW: 0,
    })
    const rows = upsRows(
      [
        unit('weak', 99, 200, 10),
        unit('short', 400, 8, 20),
        unit('dear', 800, 200, 90),
        unit('right', 400, 84, 50),
      ],
      50,
      10,
    )
    expect(rows.map(row => row.unit.id)).toEqual(['right', 'dear', 'weak', 'short'])
    expect(rows.find(row => row.unit.id === 'weak')).toMatchObject({
      strongEnough: false,
      longEnough: true,
    })
    expect(rows.find(row => row.unit.id === 'short')).toMatchObject({
      strongEnough: true,
      longEnough: false,
    })
  })
})

describe('a cloud store', () => {
  const steps = [
    { sizeTB: 2, pricePerMonth: 10 },
    { sizeTB: 1, pricePerMonth: 5 },
  ]
  it('has usual steps, from a little to what a collector keeps', () =>
    expect(usualCloudSteps.map(({ sizeTB, pricePerMonth }) => [sizeTB, pricePerMonth])).toEqual([
      [0.2, 3],
      [2, 10],
      [6, 30],
      [12, 60],
      [24, 120],
      [60, 300],
    ]))
  it('takes the smallest step that holds the library, and crosses where it has cost as much', () => {
    const course = cloudCourse({
      steps,
      contentTB: [1, 1, 1, 1.5, 1.5, 1.5],
      egressPerTB: 4,
      risePerYear: 0,
      own: [30, 30, 30, 30, 30, 30],
    })
    expect(course.cumulative).toEqual([0, 5, 10, 20, 30, 40])
    expect(course.crossesMonth).toBe(4)
    expect(course.egress[5]).toBe(6)
    expect(course.outgrownMonth).toBe(null)
  })
  it('never crosses while it stays cheaper, and ends where nothing holds the library', () => {
    expect(
      cloudCourse({ steps, contentTB: [1, 1], egressPerTB: 0, risePerYear: 0, own: [30, 30] })
        .crossesMonth,
    ).toBe(null)
    const outgrown = cloudCourse({
      steps,
      contentTB: [1, 3, 1],
      egressPerTB: 0,
      risePerYear: 0,
      own: [0, 0, 0],
    })
    expect(outgrown.outgrownMonth).toBe(1)
    expect(outgrown.cumulative).toEqual([0, null, null])
    expect(usualCloudSteps.map(({ sizeTB }) => sizeTB)).toEqual(
      [...usualCloudSteps.map(({ sizeTB }) => sizeTB)].sort((a, b) => a - b),
    )
  })
  it('gets dearer from month 13 on', () => {
    const { cumulative } = cloudCourse({
      steps: [{ sizeTB: 1, pricePerMonth: 10 }],
      contentTB: Array<number>(15).fill(1),
      egressPerTB: 0,
      risePerYear: 0.5,
      own: Array<number>(15).fill(1e9),
    })
    expect([cumulative[12], cumulative[13]]).toEqual([120, 135])
  })
})

describe('carbon', () => {
  it('is what was made and what is used since, its parts swung one by one', () => {
    const { low, likely, high } = carbonAfter(
      {
        made: { machine: manufactureKg.miniPc },
        averageW: 30,
        kgPerKWh: { low: 0.25, likely: 0.325, high: 0.4 },
      },
      4,
    )
    const kWh = 30 * 8.766 * 4
    expect(likely).toBeCloseTo(165 + kWh * 0.325, 6)
    expect(likely - low).toBeCloseTo(Math.hypot(85, kWh * 0.075), 6)
    expect(high - likely).toBeCloseTo(Math.hypot(85, kWh * 0.075), 6)
  })
  it('of a new machine is made up for by the watts it saves, within decades', () => {
    const years = carbonBreakEven({ machine: manufactureKg.desktop }, 20, {
      low: 0.25,
      likely: 0.325,
      high: 0.4,
    })!
    expect(years.likely).toBeCloseTo(275 / (20 * 8.766 * 0.325), 6)
    expect(years.low).toBeLessThan(years.likely)
    expect(years.high).toBeGreaterThan(years.likely)
    expect(
      carbonBreakEven({ machine: manufactureKg.desktop }, 0, { low: 1, likely: 1, high: 1 }),
    ).toBe(null)
  })
  it('stands on these planning values', () => {
    const ends = Object.fromEntries(
      Object.entries(manufactureKg).map(([id, { low, high }]) => [id, [low, high]]),
    )
    expect(ends).toEqual({
      miniPc: [80, 250],
      desktop: [200, 350],
      appliance: [100, 250],
      boardSwap: [60, 100],
      drive: [20, 30],
      ssdPerTB: [60, 160],
      used: [0, 0],
    })
    for (const { low, likely, high } of Object.values(manufactureKg))
      expect(likely).toBe((low + high) / 2)
    expect(
      Object.fromEntries(Object.entries(gridKinds).map(([id, { kgPerKWh }]) => [id, kgPerKWh])),
    ).toEqual({
      mixed: { low: 0.25, likely: 0.325, high: 0.4 },
      gas: { low: 0.41, likely: 0.49, high: 0.65 },
      coal: { low: 0.74, likely: 0.82, high: 0.91 },
      wind: { low: 0.011, likely: 0.011, high: 0.011 },
    })
  })
  it('of a board that is exchanged is less than of a whole machine', () => {
    const made = (parts: string[]) =>
      planCarbon(
        planSchema.parse({
          name: 'x',
          machine: { base: 'parts', parts: parts.map(ref => ({ ref })) },
        }),
        catalogue,
      ).made.machine?.likely ?? 0
    expect([made(['postern-22']), made(['postern-22', 'coffer-6'])]).toEqual([80, 275])
    // A board that is made no more was made for somebody else; its new case was not.
    expect([made(['lych-15']), made(['lych-15', 'coffer-6'])]).toEqual([0, 275 - 80])
  })
  it('counts what is made new, and nothing of what is owned or bought used', () => {
    const of = (input: Omit<PlanInput, 'name'>) =>
      Object.values(planCarbon(planSchema.parse({ name: 'x', ...input }), catalogue).made).reduce(
        (sum, { likely }) => sum + likely,
        0,
      )
    const lots = (condition: 'new' | 'owned', extra = {}) => ({
      drives: { lots: [{ count: 2, sizeTB: 8, condition }], ...extra },
    })
    expect(of({ machine: { base: 'wherry-4' }, ...lots('new') })).toBe(175 + 50)
    expect(of({ machine: { base: 'wherry-4', condition: 'owned' }, ...lots('owned') })).toBe(0)
    for (const base of ['clerk-17', 'punt-2u', 'pebble-16', 'pebble-18', 'folio-18', 'crane-10'])
      expect(of({ machine: { base } }), base).toBe(0)
    expect(of({ machine: { base: 'punt-2' } })).toBe(175)
    expect(of({ machine: { base: 'pebble-21' } })).toBe(165)
    expect(
      of({ machine: { base: 'clerk-17' }, ...lots('new', { driveClass: 'refurbished' }) }),
    ).toBe(0)
    expect(of({ machine: { base: 'clerk-17' }, ...lots('new', { driveClass: 'ssd' }) })).toBe(
      2 * 8 * 110,
    )
    const coal = planCarbon(
      planSchema.parse({ name: 'x', costs: { grid: 'coal' } }),
      catalogue,
    ).kgPerKWh
    expect(coal).toEqual({ low: 0.74, likely: 0.82, high: 0.91 })
    expect(
      planCarbon(planSchema.parse({ name: 'x', costs: { gridKgPerKWh: 0.1 } }), catalogue).kgPerKWh,
    ).toEqual({ low: 0.1, likely: 0.1, high: 0.1 })
  })
})

describe('what was paid for', () => {
  it('and is never used is the share beyond the need, of price and watts', () => {
    expect(neverUsed([{ id: 'room', possible: 40, needed: 30, price: 800, watts: 20 }])).toEqual([
      {
        id: 'room',
        possible: 40,
        needed: 30,
        price: 800,
        watts: 20,
        share: 0.25,
        unusedPrice: 200,
        unusedWatts: 5,
      },
    ])
    expect(neverUsed([{ id: 'room', possible: 0, needed: 3, price: 8, watts: 2 }])[0]!.share).toBe(
      0,
    )
    expect(
      neverUsed([{ id: 'room', possible: 2, needed: 3, price: 8, watts: 2 }])[0]!.unusedPrice,
    ).toBe(0)
  })
  it('once is reached by the month in which payments come to its price', () => {
    expect([
      licenceCrossing(100, 9),
      licenceCrossing(99, 9),
      licenceCrossing(0, 9),
      licenceCrossing(10, 0),
    ]).toEqual([12, 11, 0, null])
  })
})

describe('what is held beside the money', () => {
  const of = (input: object) => assess(planSchema.parse({ ...tideMillHouse, ...input }), catalogue)
  it('tells the month in which a cloud store has cost as much, or why there is none', () => {
    const { figures, domains } = of({})
    const own = domains.years.flow.cumulative
    const content = domains.library.forecast.months
    // Slowly: month by month the smallest step that holds the library.
    let [sum, crosses] = [0, null as number | null]
    for (let month = 1; month < own.length; month++) {
      const step = [0.2, 2, 6, 12, 24, 60].findIndex(size => size >= content[month]!.likely)
      if (step < 0) break
      const rise = 1 + planSchema.parse(tideMillHouse).costs.cloudRisePerYear
      sum += [3, 10, 30, 60, 120, 300][step]! * rise ** Math.floor((month - 1) / 12)
      if (crosses === null && sum >= own[month]!) crosses = month
    }
    expect(figures['ownership.cloudCrossingMonths']!.value).toBe(crosses)
    const free = of({ costs: { cloudSteps: [{ sizeTB: 1000, pricePerMonth: 0 }] } })
    const never = free.figures['ownership.cloudCrossingMonths']!
    expect([never.value, never.note]).toEqual([null, expect.stringContaining('costs less')])
  })
  it('tells carbon as Carbon does, and that a break-even compares two plans', () => {
    const plan = planSchema.parse(tideMillHouse)
    const { figures } = of({})
    const { byYear } = planCarbon(plan, catalogue)
    expect(figures['ownership.carbonAtHorizonKg']!.value).toBeCloseTo(
      byYear[plan.choices.horizonYears]!.likely,
      9,
    )
    expect(figures['ownership.breakEvenYears']).toMatchObject({ value: null })
  })
})
