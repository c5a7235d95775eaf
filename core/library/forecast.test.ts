import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { band } from '../band'
import { qualities } from '../catalogue/qualities'
import type { Estimate } from '../figure'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { additionsAfter, extrasShare, forecastLibrary, holdingSizes, monthFull } from './forecast'

const libraryOf = (library: PlanInput['library']) => planSchema.parse({ name: 'x', library }).library

/** 14 TB now and 0.35 TB more a month, as everything else, which has no band of its own. */
const worked = (additionsChangePerYear: number) => forecastLibrary(libraryOf({ otherTB: 14, otherGrowthGBPerMonth: 350, additionsChangePerYear }), qualities, 180)

describe('the month in which the room is full', () => {
  it('14 TB, +0.35 TB a month, room 27.2 TB: month 38', () => {
    expect(monthFull(worked(0).months.map(month => month.likely), 27.2)).toBe(38)
  })
  it('with additions growing by 15 % a year: month 34', () => {
    expect(monthFull(worked(0.15).months.map(month => month.likely), 27.2)).toBe(34)
  })
  it('is 0 when it does not fit today, null when it always fits', () => {
    expect(monthFull([5, 6], 4)).toBe(0)
    expect(monthFull([5, 6], 6)).toBeNull()
  })
})

describe('additions', () => {
  it('are constant within twelve months and change at months 13, 25 …', () => {
    expect(additionsAfter(0, 0.5)).toBe(0)
    expect(additionsAfter(12, 0.5)).toBe(12)
    expect(additionsAfter(13, 0.5)).toBe(13.5)
    expect(additionsAfter(25, 0.5)).toBe(12 + 18 + 2.25)
  })
  it('agree with adding month by month', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 180 }), fc.double({ min: -0.9, max: 2, noNaN: true }), (months, change) => {
      let sum = 0
      for (let month = 1; month <= months; month++) sum += (1 + change) ** Math.floor((month - 1) / 12)
      expect(additionsAfter(months, change) / Math.max(1e-12, sum) || 1).toBeCloseTo(1, 9)
    }))
  })
})

describe('content', () => {
  it('is count · size of a title and 2 % beside it', () => {
    const forecast = forecastLibrary(libraryOf({ holdings: [{ quality: 'hd1080-h264', titles: 100, minutes: 110, addedPerMonth: 10 }] }), qualities, 12)
    expect(forecast.months[0]!.likely).toBeCloseTo(0.66 * 1.02, 9)
    expect(forecast.months[12]!.likely).toBeCloseTo((0.66 + 12 * 0.066) * 1.02, 9)
    expect(forecast.months[0]!.low).toBeCloseTo(0.66 * 1.02 * 5 / 8, 9)
  })
  it('is exact where the holding gives its own bitrate and nothing grows', () => {
    const { months } = forecastLibrary(libraryOf({ holdings: [{ quality: 'hd1080-h264', titles: 100, minutes: 110, bitrateMbps: 9 }] }), qualities, 24)
    expect(months[24]).toEqual(months[0])
    expect(months[0]!.low).toBeCloseTo(months[0]!.high, 12)
  })

  const anyLibrary = fc.record({
    holdings: fc.array(fc.record({
      quality: fc.constantFrom('hd1080-h264', 'uhd-disc', 'sd-h264', 'hd1080-hevc') as fc.Arbitrary<'hd1080-h264'>,
      titles: fc.nat(5000), minutes: fc.integer({ min: 1, max: 300 }), addedPerMonth: fc.nat(40),
      bitrateMbps: fc.option(fc.integer({ min: 1, max: 90 })),
    }), { maxLength: 6 }),
    otherTB: fc.nat(20), otherGrowthGBPerMonth: fc.nat(200), additionsChangePerYear: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
  })
  it('has the band that swinging each input one at a time gives', () => {
    fc.assert(fc.property(anyLibrary, fc.integer({ min: 0, max: 60 }), (input, month) => {
      const library = libraryOf(input)
      const fast = forecastLibrary(library, qualities, month).months[month]!
      const inputs: Record<string, Estimate> = { growth: { low: library.growthLowFactor, likely: 1, high: library.growthHighFactor } }
      for (const size of holdingSizes(library, qualities)) if (size.usualBitrate) inputs[size.qualityId] = size.bitrateMbps
      const slow = band(inputs, (values) => {
        const added = additionsAfter(month, library.additionsChangePerYear) * values.growth!
        return library.holdings.reduce((sum, holding) => {
          const mbps = holding.bitrateMbps ?? values[holding.quality]!
          return sum + (holding.titles + added * holding.addedPerMonth) * mbps * holding.minutes * 60 / 8 / 1e6 * (1 + extrasShare)
        }, library.otherTB + added * library.otherGrowthGBPerMonth / 1000)
      }, 'linear')
      expect(fast.likely).toBeCloseTo(slow.likely, 6)
      expect(fast.low).toBeCloseTo(Math.max(0, slow.low), 6)
      expect(fast.high).toBeCloseTo(slow.high, 6)
    }), { numRuns: 60 })
  })
  it('never shrinks, and its bands enclose it', () => {
    fc.assert(fc.property(anyLibrary, (input) => {
      const { months } = forecastLibrary(libraryOf(input), qualities, 60)
      months.forEach((month, index) => {
        expect(month.low).toBeLessThanOrEqual(month.likely)
        expect(month.high).toBeGreaterThanOrEqual(month.likely)
        if (index > 0) expect(month.likely).toBeGreaterThanOrEqual(months[index - 1]!.likely - 1e-9)
      })
    }), { numRuns: 40 })
  })
})
