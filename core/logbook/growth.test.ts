import { describe, expect, it } from 'vitest'
import { dayText, dayOfText } from '../units/calendarDay'
import {
  fitGrowth,
  lastOfEachMonth,
  monthlyScatter,
  readingError,
  type SpaceReading,
} from './growth'

const start = dayOfText('2026-01-15')!
/** A day so many months of 30.44 days after the start. */
const after = (months: number) => dayText(start + Math.ceil(months * 30.44))
const question = (
  readings: readonly (readonly [months: number, usedTB: number, onceTB?: number])[],
) => ({
  readings: readings.map(([months, usedTB, onceTB = 0]): SpaceReading => ({
    day: after(months),
    usedTB,
    onceTB,
  })),
  from: '2026-01-15',
  forecastTB: Array.from({ length: 181 }, (_, month) => 14 + 0.35 * month),
  perMonthTB: { low: 0.21, likely: 0.35, high: 0.56 },
  roomTB: [27.2],
})
const told = (readings: Parameters<typeof question>[0]) => {
  const found = fitGrowth(question(readings))!
  const { low, likely, high } = found.factor
  const { soonest, likely: full, latest } = found.monthFull
  return [[low, likely, high].map(value => Number(value.toFixed(2))), [soonest, full, latest]]
}

describe('growth by readings of the used space', () => {
  it('of half a year is a quarter faster than planned', () => {
    expect(
      told([
        [0, 14],
        [2, 14.9],
        [4, 15.8],
        [6, 16.75],
      ]),
    ).toEqual([
      [0.99, 1.23, 1.48],
      [27, 31, 37],
    ])
  })
  it('of one month says little', () => {
    const [factor, full] = told([
      [0, 14],
      [1, 14.4],
    ])
    // A month has no whole number of days.
    ;[0.66, 1.02, 1.46].forEach((value, at) =>
      expect(Math.abs(factor![at]! - value)).toBeLessThan(0.0151),
    )
    ;[27, 37, 57].forEach((month, at) =>
      expect(Math.abs(full![at]! - month)).toBeLessThanOrEqual(1),
    )
  })
  it('leaves out what was moved in one go', () => {
    expect(
      told([
        [0, 14],
        [2, 14.9],
        [4, 15.8],
        [6, 20, 3.3],
      ]),
    ).toEqual([
      [0.97, 1.21, 1.46],
      [21, 24, 28],
    ])
  })
  it('is none of one reading, of a plan that does not grow, or of a span without growth', () => {
    expect(fitGrowth(question([[0, 14]]))).toBeNull()
    const still = {
      ...question([
        [0, 14],
        [2, 14.4],
      ]),
      perMonthTB: { low: 0, likely: 0, high: 0 },
    }
    expect(fitGrowth(still)).toBeNull()
    const flat = {
      ...question([
        [0, 14],
        [2, 14.4],
      ]),
      forecastTB: Array<number>(181).fill(14),
    }
    expect(fitGrowth(flat)).toBeNull()
  })
  it('counts falls up to the last reading', () => {
    expect(
      fitGrowth(
        question([
          [0, 15],
          [1, 14.8],
          [2, 14.5],
          [3, 14.1],
        ]),
      )!.falls,
    ).toBe(3)
    expect(
      fitGrowth(
        question([
          [0, 15],
          [1, 14.8],
          [2, 14.9],
        ]),
      )!.falls,
    ).toBe(0)
  })
  it('has no month full without drives, nor within the forecast where there is room', () => {
    const readings = [
      [0, 14],
      [2, 14.9],
    ] as const
    expect(fitGrowth({ ...question(readings), roomTB: null })!.monthFull.likely).toBeNull()
    expect(fitGrowth({ ...question(readings), roomTB: [1000] })!.monthFull.soonest).toBeNull()
  })
  it('is the slow definition: a sum over a fine grid of factors', () => {
    expect([monthlyScatter, readingError]).toEqual([0.5, 0.002])
    const readings = [
      [0, 14],
      [2, 14.9],
      [4, 15.8],
      [6, 16.75],
    ] as const
    const normal = (z: number) => Math.exp((-z * z) / 2)
    const [below, above] = [Math.log(0.35 / 0.21) / 1.28155, Math.log(0.56 / 0.35) / 1.28155]
    let sum = 0
    const sums: [number, number][] = []
    for (let z = -6; z <= 6; z += 0.0005) {
      const factor = Math.exp(z * (z < 0 ? below : above))
      let weight = normal(z)
      readings.slice(1).forEach(([month, used], at) => {
        const [monthBefore, usedBefore] = readings[at]!
        const months = Math.ceil(month * 30.44) / 30.44 - Math.ceil(monthBefore * 30.44) / 30.44
        const planned = 0.35 * months
        const sd = Math.sqrt((0.5 * planned) ** 2 / months + 2 * (0.002 * used) ** 2)
        const error = used - usedBefore - factor * planned
        weight *= 0.95 * normal(error / sd) + (0.05 / 5) * normal(error / sd / 5)
      })
      sum += weight
      sums.push([factor, sum])
    }
    const { low, likely, high } = fitGrowth(question(readings))!.factor
    for (const [share, point] of [
      [0.1, low],
      [0.5, likely],
      [0.9, high],
    ] as const)
      expect(point).toBeCloseTo(sums.find(([, upTo]) => upTo >= share * sum)![0], 3)
  })
})

describe('readings of a month', () => {
  it('are thinned to the last, which takes over what came once', () => {
    const reading = (day: string, onceTB = 0) => ({ day, usedTB: 1, onceTB })
    expect(
      lastOfEachMonth([
        reading('2026-02-20', 0.5),
        reading('2026-01-31'),
        reading('2026-02-03', 1),
        reading('2026-03-01', 2),
      ]),
    ).toEqual([reading('2026-01-31'), reading('2026-02-20', 1.5), reading('2026-03-01', 2)])
  })
})
