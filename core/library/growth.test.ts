import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { estimateOf } from '../figure'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { recordingGB } from '../units/dataSize'
import { growthPerMonth } from './growth'
import { holdingSizes } from './holdingSizes'

const libraryOf = (library: PlanInput['library']) =>
  planSchema.parse({ name: 'x', library }).library
const growth = (library: PlanInput['library']) =>
  growthPerMonth(libraryOf(library), holdingSizes(libraryOf(library), catalogue))
const quality = (id: string) => catalogue.qualities.find(entry => entry.id === id)!
const certain = { growthLowFactor: 1, growthHighFactor: 1 }

describe('growth in a month', () => {
  it('of gigabytes entered as such is exactly those, whatever the bitrate of titles', () => {
    expect(growth({ ...certain, holdings: [{ titles: 0, addedGBPerMonth: 3 }] }).total).toEqual({
      low: 0.003,
      likely: 0.003,
      high: 0.003,
    })
  })
  it('of titles is their size with 2 % beside it, and swings with the usual bitrate', () => {
    const { bitrateMbps } = quality('hd1080-h264')
    const { total, addedTB } = growth({
      ...certain,
      holdings: [{ quality: 'hd1080-h264', titles: 100, minutes: 110, addedPerMonth: 4 }],
    })
    const each = (mbps: number) => (recordingGB(mbps, 110) / 1000) * 1.02 * 4
    expect(total.likely).toBeCloseTo(each(bitrateMbps.likely), 12)
    expect(total.low).toBeCloseTo(each(bitrateMbps.low), 12)
    expect(total.high).toBeCloseTo(each(bitrateMbps.high), 12)
    expect(addedTB).toBeCloseTo(total.likely, 12)
  })
  it("of a bitrate of one's own does not swing", () => {
    const { total } = growth({
      ...certain,
      holdings: [
        { quality: 'hd1080-h264', bitrateMbps: 9, titles: 1, minutes: 100, addedPerMonth: 2 },
      ],
    })
    expect(total.low).toBe(total.high)
    expect(total.likely).toBeCloseTo((recordingGB(9, 100) / 1000) * 1.02 * 2, 12)
  })
  it('has growth in % a year in it, and swings that to the ends of the growth band', () => {
    const holding = { sizeGB: 10_000, titles: 0, growthPerYear: 0.2 }
    const monthly = (rate: number) => 10 * ((1 + rate) ** (1 / 12) - 1)
    const { total, ownTB } = growth({
      growthLowFactor: 0.5,
      growthHighFactor: 1.5,
      holdings: [holding],
    })
    expect(ownTB).toBeCloseTo(monthly(0.2), 12)
    expect(total.likely).toBeCloseTo(monthly(0.2), 12)
    expect(total.low).toBeCloseTo(monthly(0.1), 12)
    expect(total.high).toBeCloseTo(monthly(0.3), 12)
  })
  it(
    'swings additions and growth of its own together, for both follow the same habit of ' +
      'collecting',
    () => {
      const { total } = growth({
        growthLowFactor: 0.5,
        growthHighFactor: 2,
        otherGrowthGBPerMonth: 5,
        holdings: [{ sizeGB: 1000, titles: 0, addedGBPerMonth: 10, growthPerYear: 0.12 }],
      })
      const own = (rate: number) => (1 + rate) ** (1 / 12) - 1
      expect(total.low).toBeCloseTo(0.005 + 0.0025 + own(0.06), 12)
      expect(total.high).toBeCloseTo(0.02 + 0.01 + own(0.24), 12)
    },
  )
  it('is lessened by what is deleted, which does not swing with the growth', () => {
    const { total, removedTB } = growth({
      growthLowFactor: 0.5,
      growthHighFactor: 1.5,
      holdings: [{ sizeGB: 1000, titles: 100, addedPerMonth: 3, removedPerMonth: 1 }],
    })
    expect(removedTB).toBeCloseTo(0.01, 12)
    expect(total).toEqual({
      low: expect.closeTo(0.005, 12),
      likely: expect.closeTo(0.02, 12),
      high: expect.closeTo(0.035, 12),
    })
  })
  it('can be shrinking', () => {
    expect(
      growth({ ...certain, holdings: [{ sizeGB: 1200, titles: 0, growthPerYear: -0.5 }] }).total
        .likely,
    ).toBeCloseTo(1.2 * (0.5 ** (1 / 12) - 1), 12)
    // Nothing shrinks by all there is and more.
    expect(
      growth({
        growthLowFactor: 0.5,
        growthHighFactor: 3,
        holdings: [{ sizeGB: 1000, titles: 0, growthPerYear: -0.9 }],
      }).total.low,
    ).toBeGreaterThan(-1)
  })
  it('stands in the figure as it is here, with a formula that adds up', () => {
    const plan = planSchema.parse({
      name: 'x',
      library: {
        growthLowFactor: 0.5,
        growthHighFactor: 1.5,
        holdings: [{ sizeGB: 10_000, titles: 0, growthPerYear: 0.2, addedGBPerMonth: 3 }],
      },
    })
    const { figures } = assess(plan, catalogue)
    expect(estimateOf(figures['library.growthTBPerMonth']!)).toEqual(
      growth({
        growthLowFactor: 0.5,
        growthHighFactor: 1.5,
        holdings: [{ sizeGB: 10_000, titles: 0, growthPerYear: 0.2, addedGBPerMonth: 3 }],
      }).total,
    )
  })
})
