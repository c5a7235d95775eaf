import { describe, expect, it } from 'vitest'
import { poolChoices } from '../../tests/stubs/poolChoices'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { compareLayouts } from './compareLayouts'
import { placePrice } from './usablePrice'

const planOf = (drives: PlanInput['drives']) => planSchema.parse({ name: 'x', drives })
const figure = (drives: PlanInput['drives']) =>
  assess(planOf(drives), catalogue).figures['ownership.pricePerUsableTB']!

describe('the price of a usable terabyte', () => {
  it('of a bay with its port is that of the cheapest enclosure of several bays', () => {
    const each = catalogue.hardware.flatMap(part =>
      part.kind === 'enclosure' && part.bays > 1 ? [part.price / part.bays] : [],
    )
    expect(placePrice(catalogue.hardware)).toBe(Math.min(...each))
    expect(placePrice(catalogue.hardware)).toBe(32.5)
    expect(placePrice([])).toBe(0)
  })
  it('counts every drive as bought, spares too, each with its place', () => {
    const drives = {
      layout: 'rotating-1',
      hotSpares: 1,
      lots: [{ count: 5, sizeTB: 8, priceEach: 160, condition: 'owned' as const }],
    }
    // Four drives hold data and parity, so 24 TB are usable: (5 × 160 + 5 × 32.5) ÷ 24.
    expect(figure(drives).value).toBeCloseTo((5 * 160 + 5 * 32.5) / 24, 9)
    const none = { ...catalogue, hardware: [] }
    expect(assess(planOf(drives), none).figures['ownership.pricePerUsableTB']!.value).toBeCloseTo(
      800 / 24,
      9,
    )
  })
  it('counts no place for a drive in a case of its own, and is absent without a pool', () => {
    expect(
      figure({ layout: 'separate', lots: [{ count: 2, sizeTB: 5, model: 'rivulet-5' }] }).value,
    ).toBeCloseTo(catalogue.driveModels.find(({ id }) => id === 'rivulet-5')!.price / 5, 9)
    expect(figure({ lots: [] }).value).toBe(null)
    expect(figure({ layout: 'mirror', lots: [{ count: 1, sizeTB: 8 }] }).value).toBe(null)
  })
  it('is the same in the comparison of layouts as once a layout is chosen', () => {
    const drives = {
      lots: [
        { count: 3, sizeTB: 8 },
        { count: 2, sizeTB: 4 },
      ],
    }
    const plan = planOf(drives)
    for (const row of compareLayouts({ ...plan, choices: poolChoices(plan.choices) }, catalogue, 1))
      expect(figure({ ...drives, layout: row.layout.id }).value).toBe(row.pricePerUsableTB)
  })
})
