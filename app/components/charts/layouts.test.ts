import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tideGaugeLayout, waterPath } from '~/components/common/tideGaugeLayout'
import { conversionsLayout } from './conversionsLayout'
import { growthLayout } from './growthLayout'
import { waterfallLayout } from './waterfallLayout'

const margin = { left: 40, right: 10, top: 10, bottom: 30 }
const exactly = (value: number) => ({ low: value, likely: value, high: value })

describe('the tide gauge', () => {
  it('stands water and wall on one scale from zero', () => {
    const layout = tideGaugeLayout(exactly(2), { low: 2, likely: 4, high: 5 }, 112)
    expect(layout.top).toBeCloseTo(5.6, 9)
    expect([layout.water, layout.wallLow, layout.wallLikely, layout.wallHigh]).toEqual(
      [40, 40, 80, 100].map(height => expect.closeTo(height, 6)),
    )
  })
  it('has no wall while nothing is known of it, and never leaves its box', () => {
    expect(tideGaugeLayout(exactly(2), null, 50)).toMatchObject({
      wallLow: null,
      water: expect.any(Number),
    })
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 1e6, noNaN: true }),
        fc.double({ min: -5, max: 1e6, noNaN: true }),
        (asked, possible) => {
          const layout = tideGaugeLayout(exactly(asked), exactly(possible), 50)
          for (const height of [layout.water!, layout.wallLow!, layout.wallHigh!]) {
            expect(height).toBeGreaterThanOrEqual(0)
            expect(height).toBeLessThanOrEqual(50)
          }
        },
      ),
    )
  })
  it('draws a closed surface', () => expect(waterPath(40, 10, 50)).toMatch(/^M0 10\.00.*V50H0Z$/))
})

describe('growth', () => {
  const months = Array.from({ length: 181 }, (_, month) => ({
    low: 10 + month * 0.1,
    likely: 10 + month * 0.2,
    high: 10 + month * 0.3,
  }))
  it('shows two years past the horizon, at least seven and at most the forecast', () => {
    const shown = (horizonMonths: number) =>
      growthLayout({ months, roomTB: 20, horizonMonths, width: 600, height: 300, margin }).months
    expect([shown(12), shown(60), shown(120), shown(180)]).toEqual([84, 84, 144, 180])
  })
  it('has room for the wall and the high end', () => {
    const layout = growthLayout({
      months,
      roomTB: 60,
      horizonMonths: 60,
      width: 600,
      height: 300,
      margin,
    })
    expect(layout.y(60)).toBeGreaterThanOrEqual(margin.top)
    expect(layout.y(0)).toBe(270)
    expect(layout.linePath).toMatch(/^M40,/)
    expect(layout.yearTicks).toEqual([0, 12, 24, 36, 48, 60, 72, 84])
  })
  it('draws an empty library without a hole', () => {
    const layout = growthLayout({
      months: [exactly(0), exactly(0)],
      roomTB: null,
      horizonMonths: 60,
      width: 10,
      height: 100,
      margin,
    })
    expect(layout.bandPath).not.toMatch(/NaN/)
  })
})

describe('the waterfall', () => {
  const bars = waterfallLayout(
    [
      { id: 'raw', label: 'Raw', sizeTB: 20, kind: 'total' },
      { id: 'redundancy', label: 'Copies', sizeTB: 8, kind: 'loss' },
      { id: 'mismatch', label: 'Unused', sizeTB: 0, kind: 'loss' },
      { id: 'usable', label: 'Usable', sizeTB: 12, kind: 'total' },
      { id: 'room', label: 'Room', sizeTB: 9, kind: 'total' },
    ],
    500,
    240,
    margin,
  )
  it('leaves out what takes nothing, and hangs a loss from the level before it', () => {
    expect(bars.map(bar => bar.step.id)).toEqual(['raw', 'redundancy', 'usable', 'room'])
    expect(bars[1]!.y).toBeCloseTo(bars[0]!.y, 9)
    expect(bars[1]!.y + bars[1]!.height).toBeCloseTo(bars[2]!.y, 9)
    expect(bars[0]!.height / bars[3]!.height).toBeCloseTo(20 / 9, 9)
  })
})

describe('conversions', () => {
  it('leave room to drag the ask further, on whole ticks', () => {
    const layout = conversionsLayout(
      [{ id: 'a', label: 'A', estimate: { low: 1, likely: 2, high: 3 } }],
      9,
      400,
      margin,
    )
    expect(layout.x.domain()).toEqual([0, 11])
    expect(layout.ticks.every(Number.isInteger)).toBe(true)
    expect(conversionsLayout([], 100, 400, margin).ticks.length).toBeLessThan(15)
  })
})
