import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { qualities } from '../catalogue/qualities'
import { planSchema } from '../plan/planSchema'
import { awayStreams, uploadNeededMbps } from './awayStreams'
import { homePeak } from './homePeak'

describe('streams over the line', () => {
  it('40 Mb/s, a quarter kept, 4 Mb/s each: 6', () =>
    expect(awayStreams({ uploadMbps: 40, reserveShare: 0.25, rungMbps: 4 })).toBe(6))
  it('20 Mb/s, a quarter kept, 8 Mb/s each: 1', () =>
    expect(awayStreams({ uploadMbps: 20, reserveShare: 0.25, rungMbps: 8 })).toBe(1))
  it('two at 4 Mb/s, a quarter kept, need 11.52 Mb/s, which then carry just those', () => {
    expect(uploadNeededMbps({ streams: 2, reserveShare: 0.25, rungMbps: 4 })).toBeCloseTo(11.52, 12)
    for (const streams of [0, 1, 2, 7, 40])
      expect(
        awayStreams({
          uploadMbps: uploadNeededMbps({ streams, reserveShare: 0.25, rungMbps: 4 }),
          reserveShare: 0.25,
          rungMbps: 4,
        }),
      ).toBe(streams)
    expect(() => uploadNeededMbps({ streams: 1, reserveShare: 1, rungMbps: 4 })).toThrow('RESERVE')
  })
  it('exactly enough is enough', () =>
    expect(awayStreams({ uploadMbps: 4.32, reserveShare: 0, rungMbps: 4 })).toBe(1))
  it('more upload never carries fewer, a higher rung never more', () => {
    const rate = fc.double({ min: 0, max: 1000, noNaN: true })
    fc.assert(
      fc.property(rate, rate, fc.constantFrom(0.9, 1.8, 3, 4, 6, 8, 10, 20), (a, b, rungMbps) => {
        const streams = (uploadMbps: number, rung: number = rungMbps) =>
          awayStreams({ uploadMbps, reserveShare: 0.25, rungMbps: rung })
        expect(streams(Math.max(a, b))).toBeGreaterThanOrEqual(streams(Math.min(a, b)))
        expect(streams(a, rungMbps * 2)).toBeLessThanOrEqual(streams(a))
      }),
    )
  })
  it('names what is out of range', () => {
    expect(() => awayStreams({ uploadMbps: -1, reserveShare: 0, rungMbps: 4 })).toThrow('UPLOAD')
    expect(() => awayStreams({ uploadMbps: 1, reserveShare: 2, rungMbps: 4 })).toThrow('RESERVE')
    expect(() => awayStreams({ uploadMbps: 1, reserveShare: 0, rungMbps: 0 })).toThrow('RUNG')
  })
})

describe('peak at home', () => {
  const { library } = planSchema.parse({
    name: 'x',
    library: {
      holdings: [
        { quality: 'hd1080-h264', titles: 3 },
        { quality: 'hd1080-disc', titles: 1 },
      ],
    },
  })
  it('is the mean rate for each viewer and once the largest rise, discs no higher than 48 Mb/s', () => {
    expect(homePeak(library, qualities, 2)).toEqual({
      meanMbps: 13,
      largestRiseMbps: 20,
      peakMbps: 46,
    })
  })
  it('takes a plain stream while the library is empty, and is nothing when nobody watches', () => {
    expect(homePeak({ ...library, holdings: [] }, qualities, 1).peakMbps).toBe(12)
    expect(homePeak(library, qualities, 0).peakMbps).toBe(0)
  })
})
