import { describe, expect, it } from 'vitest'
import { courseMargin, coursePicture, crossingsOf } from './courseLayout'

const line = (id: string, of: (month: number) => number | null, months = 24) => ({
  id,
  label: id,
  sums: Array.from({ length: months + 1 }, (_, month) => of(month)),
})

describe('lines of money', () => {
  it('cross where one has cost as much as the other, within the month', () => {
    const [crossing, ...rest] = crossingsOf([
      line('a', month => 100 + 10 * month),
      line('b', month => 200 + month),
    ])
    expect(rest).toEqual([])
    expect(crossing).toMatchObject({ one: 'a', other: 'b' })
    expect(crossing!.month).toBeCloseTo(100 / 9, 9)
    expect(crossing!.sum).toBeCloseTo(100 + 1000 / 9, 9)
  })
  it('do not cross where they begin alike, run beside each other, or end', () => {
    expect(crossingsOf([line('a', month => month), line('b', month => 2 * month)])).toEqual([])
    expect(crossingsOf([line('a', month => month), line('b', month => month + 5)])).toEqual([])
    expect(
      crossingsOf([line('a', month => (month > 2 ? null : 10)), line('b', month => 3 * month)]),
    ).toEqual([])
  })
  it('are drawn within their frame, money coming in below nothing', () => {
    const { paths, x, y, yearTicks, moneyTicks } = coursePicture(
      [line('a', month => 500 - 40 * month), line('gone', month => (month < 3 ? month : null))],
      { width: 600, height: 300 },
    )
    expect(paths[0]!.path).toMatch(/^M62\.0,/)
    expect(y(0)).toBeLessThan(300 - courseMargin.bottom)
    expect(x(24)).toBe(600 - courseMargin.right)
    expect(yearTicks).toEqual([0, 12, 24])
    expect(moneyTicks[0]!).toBeLessThan(0)
    expect(paths[1]!.endX).toBe(x(2))
  })
})
