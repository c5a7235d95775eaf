import { describe, expect, it } from 'vitest'
import { ladder, linesOfRate, nearestSentMbps, sentRatesMbps } from './sentQualities'

describe('sent qualities', () => {
  it('fall by √2 from 22 to 0.7 Mb/s', () => {
    expect([sentRatesMbps[0], sentRatesMbps.at(-1)]).toEqual([22, 0.7])
    sentRatesMbps
      .slice(1)
      .forEach((rate, at) => expect(sentRatesMbps[at]! / rate / Math.SQRT2).toBeCloseTo(1, 1))
  })
  it('have the height that the rate is worth', () => {
    expect(ladder.map(rung => rung.lines)).toEqual([
      2160, 2160, 1080, 1080, 1080, 720, 720, 480, 480, 360, 360,
    ])
    expect([1.19, 1.2, 2.39, 2.4, 4.79, 4.8, 13.9, 14].map(linesOfRate)).toEqual([
      360, 480, 480, 720, 720, 1080, 1080, 2160,
    ])
  })
  it('are found by the nearest ratio', () => {
    expect([20, 10, 8, 6, 4, 3, 1.8, 0.9, 0.1, 100].map(nearestSentMbps)).toEqual([
      22, 11, 8, 5.6, 4, 2.8, 2, 1, 0.7, 22,
    ])
  })
})
