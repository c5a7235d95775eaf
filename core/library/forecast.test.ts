import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { band } from '../band'
import { catalogue } from '../catalogue/catalogue'
import type { Estimate } from '../figure'
import type { Library } from '../plan/library'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { additionsFactor, forecastLibrary } from './forecast'
import { extrasShare, holdingSizes, isIrreplaceable } from './holdingSizes'

const libraryOf = (library: PlanInput['library']) =>
  planSchema.parse({ name: 'x', library }).library
const forecastOf = (library: Library, months: number) =>
  forecastLibrary(library, holdingSizes(library, catalogue), months)

/** 14 TB now and 0.35 TB more a month, as everything else, which has no band of its own. */
const worked = (additionsChangePerYear: number) =>
  forecastOf(libraryOf({ otherTB: 14, otherGrowthGBPerMonth: 350, additionsChangePerYear }), 180)

/** The first month whose likely content exceeds the room. */
const fullFrom = (change: number, roomTB: number) =>
  worked(change).months.findIndex(({ likely }) => likely > roomTB)

describe('the month in which the room is full', () => {
  it('14 TB, +0.35 TB a month, room 27.2 TB: month 38', () => expect(fullFrom(0, 27.2)).toBe(38))
  it('with additions growing by 15 % a year: month 34', () => expect(fullFrom(0.15, 27.2)).toBe(34))
})

/** All additions up to a month, in units of the first month's. */
const additionsAfter = (months: number, change: number) =>
  Array.from({ length: months }, (_, index) => additionsFactor(index + 1, change)).reduce(
    (sum, factor) => sum + factor,
    0,
  )

describe('additions', () => {
  it('are constant within twelve months and change at months 13, 25 …', () => {
    expect([1, 12, 13, 24, 25].map(month => additionsFactor(month, 0.5))).toEqual([
      1, 1, 1.5, 1.5, 2.25,
    ])
    expect(additionsAfter(25, 0.5)).toBe(12 + 18 + 2.25)
  })
})

describe('content', () => {
  it('is count · size of a title and 2 % beside it', () => {
    const forecast = forecastOf(
      libraryOf({
        holdings: [{ quality: 'hd1080-h264', titles: 100, minutes: 110, addedPerMonth: 10 }],
      }),
      12,
    )
    expect(forecast.months[0]!.likely).toBeCloseTo(0.66 * 1.02, 9)
    expect(forecast.months[12]!.likely).toBeCloseTo((0.66 + 12 * 0.066) * 1.02, 9)
    expect(forecast.months[0]!.low).toBeCloseTo((0.66 * 1.02 * 5) / 8, 9)
  })
  it('is exact where the holding gives its own bitrate and nothing grows', () => {
    const { months } = forecastOf(
      libraryOf({
        holdings: [{ quality: 'hd1080-h264', titles: 100, minutes: 110, bitrateMbps: 9 }],
      }),
      24,
    )
    expect(months[24]).toEqual(months[0])
    expect(months[0]!.low).toBeCloseTo(months[0]!.high, 12)
  })

  const anyLibrary = fc.record({
    holdings: fc.array(
      fc.record({
        quality: fc.constantFrom(
          'hd1080-h264',
          'uhd-disc',
          'sd-h264',
          'hd1080-hevc',
        ) as fc.Arbitrary<'hd1080-h264'>,
        titles: fc.nat(5000),
        minutes: fc.integer({ min: 1, max: 300 }),
        addedPerMonth: fc.nat(40),
        bitrateMbps: fc.option(fc.integer({ min: 1, max: 90 })),
      }),
      { maxLength: 6 },
    ),
    otherTB: fc.nat(20),
    otherGrowthGBPerMonth: fc.nat(200),
    additionsChangePerYear: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
  })
  it('has the band that swinging each input one at a time gives', () => {
    fc.assert(
      fc.property(anyLibrary, fc.integer({ min: 0, max: 60 }), (input, month) => {
        const library = libraryOf(input)
        const fast = forecastOf(library, month).months[month]!
        const inputs: Record<string, Estimate> = {
          growth: { low: library.growthLowFactor, likely: 1, high: library.growthHighFactor },
        }
        for (const size of holdingSizes(library, catalogue))
          if (size.usualOf) inputs[size.usualOf] = size.amount
        const slow = band(
          inputs,
          values => {
            const added = additionsAfter(month, library.additionsChangePerYear) * values.growth!
            return library.holdings.reduce(
              (sum, holding) => {
                const mbps = holding.bitrateMbps ?? values[holding.quality]!
                return (
                  sum +
                  (((holding.titles + added * holding.addedPerMonth) *
                    mbps *
                    holding.minutes *
                    60) /
                    8 /
                    1e6) *
                    (1 + extrasShare)
                )
              },
              library.otherTB + (added * library.otherGrowthGBPerMonth) / 1000,
            )
          },
          'linear',
        )
        expect(fast.likely).toBeCloseTo(slow.likely, 6)
        expect(fast.low).toBeCloseTo(Math.max(0, slow.low), 6)
        expect(fast.high).toBeCloseTo(slow.high, 6)
      }),
      { numRuns: 60 },
    )
  })
  it('never shrinks, and its bands enclose it', () => {
    fc.assert(
      fc.property(anyLibrary, input => {
        const { months } = forecastOf(libraryOf(input), 60)
        months.forEach((month, index) => {
          expect(month.low).toBeLessThanOrEqual(month.likely)
          expect(month.high).toBeGreaterThanOrEqual(month.likely)
          if (index > 0)
            expect(month.likely).toBeGreaterThanOrEqual(months[index - 1]!.likely - 1e-9)
        })
      }),
      { numRuns: 40 },
    )
  })
})

describe('kinds, deletions, drift and events', () => {
  const at = (library: PlanInput['library'], month: number) =>
    forecastOf(libraryOf(library), 60).months[month]!.likely
  it('music is lossless 6.75 MB a minute, photos a few MB each, the rest by its size', () => {
    expect(
      at(
        { holdings: [{ kind: 'music', quality: 'music-lossless', titles: 1000, minutes: 60 }] },
        0,
      ),
    ).toBeCloseTo((1000 * 60 * 6.75) / 1e6, 9)
    expect(at({ holdings: [{ kind: 'photos', quality: 'photo', titles: 40_000 }] }, 0)).toBeCloseTo(
      0.2,
      9,
    )
    expect(
      at(
        {
          holdings: [
            { kind: 'computerBackups', quality: 'given', sizeGB: 800, addedGBPerMonth: 10 },
          ],
        },
        12,
      ),
    ).toBeCloseTo(0.92, 9)
  })
  it('a size given whole counts titles that come with their mean share of it', () => {
    expect(
      at(
        { holdings: [{ quality: 'hd1080-h264', sizeGB: 1000, titles: 100, addedPerMonth: 5 }] },
        12,
      ),
    ).toBeCloseTo(1.6, 9)
  })
  it('deletions lessen it, never below nothing', () => {
    const holdings = [
      {
        quality: 'hd1080-h264' as const,
        titles: 100,
        minutes: 110,
        bitrateMbps: 8,
        removedPerMonth: 10,
      },
    ]
    expect(at({ holdings }, 5)).toBeCloseTo(50 * 0.0066 * 1.02, 9)
    expect(at({ holdings }, 20)).toBe(0)
  })
  it("a holding drifts by its own change where it has one, else by the library's", () => {
    const holdings = [
      { kind: 'projects' as const, quality: 'given' as const, sizeGB: 0, addedGBPerMonth: 100 },
    ]
    expect(at({ holdings, additionsChangePerYear: 0.2 }, 24)).toBeCloseTo(1.2 + 1.44, 9)
    expect(
      at({ holdings: [{ ...holdings[0]!, changePerYear: -0.5 }], additionsChangePerYear: 0.2 }, 24),
    ).toBeCloseTo(1.2 + 0.6, 9)
  })
  it('growth of its own is compounded month by month to the yearly rate', () => {
    expect(
      at(
        { holdings: [{ kind: 'documents', quality: 'given', sizeGB: 1000, growthPerYear: 0.3 }] },
        24,
      ),
    ).toBeCloseTo(1.69, 9)
  })
  it('an event counts from its month on, one of the past from the start', () => {
    const library = {
      startsOn: '2026-11',
      otherTB: 1,
      events: [
        { month: '2027-03', sizeGB: 500 },
        { month: '2027-05', sizeGB: -200 },
        { month: '2020-01', sizeGB: 100 },
      ],
    }
    expect([0, 3, 4, 6].map(month => at(library, month))).toEqual(
      [1.1, 1.1, 1.6, 1.4].map(value => expect.closeTo(value, 9)),
    )
  })
  it('the kinds add up to the whole, month by month', () => {
    const { kinds, months } = forecastOf(
      libraryOf({
        holdings: [
          { titles: 50, addedPerMonth: 2 },
          { kind: 'photos', quality: 'photo', titles: 9000, addedPerMonth: 100 },
        ],
        otherTB: 1,
        events: [{ month: '2027-03', sizeGB: 500 }],
      }),
      24,
    )
    for (const month of [0, 4, 24])
      expect([...kinds.values()].reduce((sum, kind) => sum + kind[month]!, 0)).toBeCloseTo(
        months[month]!.likely,
        9,
      )
  })
  it('second copies take their own space', () => {
    const one = { titles: 100, minutes: 110, bitrateMbps: 8 }
    expect(
      at({ holdings: [{ ...one, smallCopies: 'hd720' }] }, 0) - at({ holdings: [one] }, 0),
    ).toBeCloseTo((100 * 2.8 * 110 * 60) / 8 / 1e6, 9)
  })
  it('what is gone for good follows the kind unless said otherwise', () => {
    expect(
      (['film', 'photos', 'homeVideo', 'computerBackups'] as const).map(kind =>
        isIrreplaceable({ kind, loss: 'byKind', mayBeLost: false }),
      ),
    ).toEqual([false, true, true, false])
    expect(isIrreplaceable({ kind: 'film', loss: 'irreplaceable', mayBeLost: false })).toBe(true)
    expect(isIrreplaceable({ kind: 'photos', loss: 'replaceable', mayBeLost: false })).toBe(false)
  })
})
