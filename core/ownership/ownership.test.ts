import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { kWhPerYear } from './kWhPerYear'

describe('electricity', () => {
  it('30 W all year are 263 kWh', () => expect(kWhPerYear(30)).toBeCloseTo(263, 0))
  it('counts the hours converting and watching at their own watts', () => {
    const kWh = (convertingHoursPerDay: number, watchingHoursPerDay: number) =>
      assess(
        planSchema.parse({
          name: 'x',
          machine: { boxIdleW: 20, boxLoadW: 68 },
          drives: { lots: [{ count: 4, model: 'sluice-8' }], layout: 'rotating-1' },
          choices: { convertingHoursPerDay, watchingHoursPerDay },
        }),
        catalogue,
      ).figures['ownership.kWhPerYear']!.value!
    const model = catalogue.driveModels.find(({ id }) => id === 'sluice-8')!
    const atWall = (boxW: number, idle: number, active: number) =>
      boxW + (idle * model.idleW + active * model.activeW) / 0.85
    // Three of the four work on one title.
    const [idle, watching, converting] = [atWall(20, 4, 0), atWall(20, 1, 3), atWall(68, 0, 4)]
    const ofDay = (wattHours: number) => (wattHours / 24) * 8.766
    expect(kWh(6, 6)).toBeCloseTo(ofDay(idle * 18 + converting * 6), 6)
    expect(kWh(6, 0)).toBeCloseTo(kWh(6, 6), 9)
    expect(kWh(2, 7)).toBeCloseTo(ofDay(idle * 17 + watching * 5 + converting * 2), 6)
    expect(kWh(24, 24)).toBeCloseTo(ofDay(converting * 24), 6)
  })
  it("has the band of the drives' watts", () => {
    const plan = planSchema.parse({
      name: 'x',
      machine: { boxIdleW: 20, boxLoadW: 20 },
      drives: { lots: [{ count: 2, sizeTB: 8 }] },
      costs: { pricePerKWh: 0.3 },
      choices: { convertingHoursPerDay: 0, watchingHoursPerDay: 0 },
    })
    const { low, value, high } = assess(plan, catalogue).figures['ownership.electricityPerYear']!
    expect([low, value, high].map(money => money!.toFixed(4))).toEqual(
      [3.5, 4.75, 6].map(driveW => ((20 + (2 * driveW) / 0.85) * 8.766 * 0.3).toFixed(4)),
    )
  })
})

describe('purchase', () => {
  it('is box, drives and extras, to the cent', () => {
    const plan = planSchema.parse({
      name: 'x',
      machine: { price: 199.99 },
      drives: { lots: [{ count: 3, sizeTB: 8, priceEach: 164.95 }] },
      costs: { extras: 0.1 },
    })
    expect(assess(plan, catalogue).figures['ownership.purchase']!.value).toBe(694.94)
  })
})
