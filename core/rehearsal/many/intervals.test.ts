import { describe, expect, it } from 'vitest'
import { seededRandom } from '../../random'
import { chanceInterval, pairedInterval, pairedRatio, ratioInterval } from './intervals'

describe('intervals', () => {
  it.each([
    [0, 1000, 0, 0.0038],
    [31, 1000, 0.0219, 0.0437],
  ])('of %i in %i', (hits, of, low, high) => {
    const interval = chanceInterval(hits, of)
    expect(interval.low).toBeCloseTo(low, 4)
    expect(interval.high).toBeCloseTo(high, 4)
  })
  it('of nothing say nothing', () => {
    expect(chanceInterval(0, 0)).toEqual({ low: 0, likely: 0, high: 1 })
  })
  it('of a what-if on the same evenings: 3 and 17 of 1000', () => {
    const { low, likely, high } = pairedInterval({ n: 1000, without: 3, withIt: 17 })
    expect(likely).toBeCloseTo(0.014, 3)
    expect(low).toBeCloseTo(0.005, 3)
    expect(high).toBeCloseTo(0.023, 3)
  })
  it('of ratios are those of the slow definition', () => {
    const random = seededRandom(11)
    const rows = Array.from({ length: 60 }, () => {
      const h = 1 + 5 * random()
      return {
        y: random() < 0.3 ? 40 * random() : 0,
        h,
        v: random() < 0.4 ? 30 * random() : 0,
        k: h,
      }
    })
    const sum = (of: (row: (typeof rows)[number]) => number) =>
      rows.reduce((all, row) => all + of(row), 0)
    const sums = (y: 'y' | 'v', h: 'h' | 'k') => ({
      n: rows.length,
      y: sum(row => row[y]),
      h: sum(row => row[h]),
      yy: sum(row => row[y] ** 2),
      yh: sum(row => row[y] * row[h]),
      hh: sum(row => row[h] ** 2),
    })
    const one = sums('y', 'h')
    const other = sums('v', 'k')
    const [a, b] = [one.y / one.h, other.y / other.h]
    const n = rows.length
    const slow = rows.reduce((all, { y, h }) => all + (y - a * h) ** 2, 0)
    const reach = (1.96 * Math.sqrt(slow / (n * (n - 1)))) / (one.h / n)
    const interval = ratioInterval(one)!
    expect(interval.high - interval.likely).toBeCloseTo(reach, 9)
    const paired = pairedRatio({
      one,
      other,
      yy: sum(({ y, v }) => y * v),
      yh: sum(({ y, k }) => y * k),
      hy: sum(({ h, v }) => h * v),
      hh: sum(({ h, k }) => h * k),
    })!
    const differences = rows.map(
      ({ y, h, v, k }) => (v - b * k) / (other.h / n) - (y - a * h) / (one.h / n),
    )
    const spread = differences.reduce((all, value) => all + value * value, 0)
    expect(paired.likely).toBeCloseTo(b - a, 12)
    expect(paired.high - paired.likely).toBeCloseTo(1.96 * Math.sqrt(spread / (n * (n - 1))), 9)
    expect(ratioInterval({ ...one, h: 0 })).toBeNull()
  })
})
