import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { kWhPerYear as ofStates } from './kWhPerYear'

const kWhPerYear = (idleW: number, loadW: number, hours: number) =>
  ofStates([
    { hoursPerDay: 24 - hours, watts: idleW },
    { hoursPerDay: hours, watts: loadW },
  ])

describe('electricity', () => {
  it('30 W all year are 263 kWh', () => expect(kWhPerYear(30, 30, 0)).toBeCloseTo(263, 0))
  it('counts the hours converting at their own watts', () => {
    expect(kWhPerYear(20, 68, 6)).toBeCloseTo(((20 * 18 + 68 * 6) / 24) * 8.766, 9)
    expect(kWhPerYear(20, 68, 24)).toBeCloseTo(kWhPerYear(68, 68, 0), 9)
  })
  it("has the band of the drives' watts", () => {
    const plan = planSchema.parse({
      name: 'x',
      machine: { boxIdleW: 20, boxLoadW: 20 },
      drives: { lots: [{ count: 2, sizeTB: 8 }] },
      costs: { pricePerKWh: 0.3 },
      choices: { convertingHoursPerDay: 0 },
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
