import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import { addedGBPerMonth, withAddedGBPerMonth } from './additions'

const demo = planSchema.parse(tideMillHouse)

describe('what is added in a month', () => {
  it('is what the forecast grows by', () =>
    expect(addedGBPerMonth(demo.library, catalogue)).toBeCloseTo(
      assess(demo, catalogue).domains.library.growth.addedTB * 1000,
      9,
    ))
  it('is set by one factor for all additions, and leaves what is there', () => {
    const now = addedGBPerMonth(demo.library, catalogue)
    const half = withAddedGBPerMonth(demo.library, now / 2, catalogue)
    expect(addedGBPerMonth(half, catalogue)).toBeCloseTo(now / 2, 9)
    half.holdings.forEach((holding, at) => {
      expect(holding.addedPerMonth).toBeCloseTo(demo.library.holdings[at]!.addedPerMonth / 2, 9)
      expect({ ...holding, addedPerMonth: 0, addedGBPerMonth: 0 }).toEqual({
        ...demo.library.holdings[at],
        addedPerMonth: 0,
        addedGBPerMonth: 0,
      })
    })
    const { library } = assess({ ...demo, library: half }, catalogue).domains
    expect(library.contentTB.likely).toBeCloseTo(
      assess(demo, catalogue).domains.library.contentTB.likely,
      9,
    )
    expect(
      withAddedGBPerMonth(demo.library, now, catalogue).holdings[0]!.addedPerMonth,
    ).toBeCloseTo(demo.library.holdings[0]!.addedPerMonth, 9)
  })
  it('begins with anything else where nothing is added yet', () => {
    const still = planSchema.parse({ name: 'x', library: { otherTB: 4 } }).library
    expect(addedGBPerMonth(still, catalogue)).toBe(0)
    expect(withAddedGBPerMonth(still, 80, catalogue)).toEqual({
      ...still,
      otherGrowthGBPerMonth: 80,
    })
    expect(addedGBPerMonth(withAddedGBPerMonth(demo.library, 0, catalogue), catalogue)).toBe(0)
  })
})
