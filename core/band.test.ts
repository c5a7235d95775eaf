import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { band, mapEstimate } from './band'
import { exactly } from './figure'
import { headroomShare, headroomState } from './verdict'

describe('the band of a computed figure', () => {
  it("passes one input's band on", () => {
    expect(band({ a: { low: 9, likely: 10, high: 12 } }, ({ a }) => 2 * a, 'linear')).toEqual({
      low: 18,
      likely: 20,
      high: 24,
    })
  })
  it('adds the swings of a sum by the root of the sum of squares, each side apart', () => {
    const result = band(
      { a: { low: 7, likely: 10, high: 14 }, b: { low: 6, likely: 10, high: 13 } },
      ({ a, b }) => a + b,
      'linear',
    )
    expect(result).toEqual({ low: 15, likely: 20, high: 25 })
  })
  it('adds the swings of a product in logarithms', () => {
    const result = band(
      { a: { low: 5, likely: 10, high: 20 }, b: { low: 5, likely: 10, high: 20 } },
      ({ a, b }) => a * b,
      'log',
    )
    expect(result.high).toBeCloseTo(100 * Math.exp(Math.SQRT2 * Math.LN2), 9)
    expect(result.low).toBeCloseTo(100 / Math.exp(Math.SQRT2 * Math.LN2), 9)
  })
  it('turns a falling relation the right way round', () => {
    const result = band(
      { points: { low: 1500, likely: 2000, high: 2500 } },
      ({ points }) => 8000 / points,
      'log',
    )
    expect(result.low).toBeCloseTo(3.2, 9)
    expect(result.high).toBeCloseTo(8000 / 1500, 9)
  })
  it('always encloses the likely value', () => {
    const positive = fc.double({ min: 0.01, max: 1000, noNaN: true })
    fc.assert(
      fc.property(positive, positive, positive, positive, (a, b, c, d) => {
        const [low = 0, likely = 0, high = 0] = [a, b, c].sort((x, y) => x - y)
        const result = band({ x: { low, likely, high }, y: exactly(d) }, ({ x, y }) => y / x, 'log')
        expect(result.low).toBeLessThanOrEqual(result.likely)
        expect(result.high).toBeGreaterThanOrEqual(result.likely)
      }),
    )
  })
  it('is floored last', () => {
    expect(mapEstimate({ low: 1.9, likely: 2.5, high: 3.1 }, Math.floor)).toEqual({
      low: 1,
      likely: 2,
      high: 3,
    })
  })
})

describe('the state of a headroom', () => {
  const possible = { low: 2, likely: 3, high: 4 }
  it.each([
    [0, 'ample'],
    [1, 'ample'],
    [2, 'enough'],
    [3, 'tight'],
    [4, 'short'],
    [9, 'short'],
  ] as const)('asked %d of 2 to 4 is %s', (asked, state) =>
    expect(headroomState(exactly(asked), possible)).toBe(state),
  )
  it('is impossible when nothing is possible, and unknown when one side is', () => {
    expect(headroomState(exactly(1), exactly(0))).toBe('impossible')
    expect(headroomState(exactly(0), exactly(0))).toBe('ample')
    expect(headroomState(null, possible)).toBe('unknown')
    expect(headroomState(exactly(1), null)).toBe('unknown')
  })
  it('has no share of nothing', () => {
    expect(headroomShare(exactly(2), exactly(4))).toBe(0.5)
    expect(headroomShare(exactly(2), exactly(0))).toBeNull()
  })
  it('never gets better as more is asked', () => {
    const order = ['ample', 'enough', 'tight', 'short', 'impossible']
    fc.assert(
      fc.property(fc.nat(50), fc.nat(50), fc.nat(50), (a, b, wall) => {
        const rank = (asked: number) => order.indexOf(headroomState(exactly(asked), exactly(wall)))
        expect(rank(Math.max(a, b))).toBeGreaterThanOrEqual(rank(Math.min(a, b)))
      }),
    )
  })
})
