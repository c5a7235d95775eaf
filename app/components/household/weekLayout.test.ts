import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import type { Habit } from '~~/core/plan/household'
import { planSchema } from '~~/core/plan/planSchema'
import { slotsPerWeek } from '~~/core/units/week'
import { daysLabel, laneHeight, placeOfSlot, slotAt, weekLayout } from './weekLayout'

const demo = planSchema.parse(tideMillHouse)
const { expected } = assess(demo, catalogue).domains.household
const margin = { left: 40, right: 0, top: 20, bottom: 0 }
const layoutOf = (habits: readonly Habit[], open?: ReadonlySet<number>) =>
  weekLayout({ habits, ...expected, width: 1480, margin, ...(open ? { open } : {}) })
const layout = layoutOf(demo.household.habits)
const habit = (change: Partial<Habit>) => ({ ...demo.household.habits[0]!, ...change })

describe('the week as a picture', () => {
  it(
    'has a row for days that are alike, which can be opened, and a piece for each habit in ' +
      'each row',
    () => {
      expect(layout.rows.map(row => row.label)).toEqual(['Mon', 'Tue–Fri', 'Sat', 'Sun'])
      expect(layout.rows.map(row => [row.canOpen, row.days.length])).toEqual([
        [false, 1],
        [true, 4],
        [false, 1],
        [false, 1],
      ])
      const opened = layoutOf(demo.household.habits, new Set([1]))
      expect(opened.rows.map(row => row.label)).toEqual([
        'Mon',
        'Tue',
        'Wed',
        'Thu',
        'Fri',
        'Sat',
        'Sun',
      ])
      expect(opened.pieces.filter(piece => !piece.isRest)).toHaveLength(
        demo.household.habits.reduce((sum, entry) => sum + entry.days.length, 0),
      )
      expect(opened.height).toBeGreaterThan(layout.height + 250)
    },
  )
  it('folds nothing that differs, and says days as people do', () => {
    const alike = layoutOf([
      habit({ days: ['mon', 'wed', 'fri'] }),
      habit({ days: ['sat', 'sun'] }),
    ])
    expect(alike.rows.map(row => row.label)).toEqual(['Mon, Wed, Fri', 'Tue, Thu', 'Sat, Sun'])
    expect(daysLabel([0, 1, 2, 4, 6])).toBe('Mon–Wed, Fri, Sun')
    expect(layoutOf([]).rows.map(row => row.label)).toEqual(['Mon–Sun'])
  })
  it('lays no piece over another, nor out of its row', () => {
    for (const piece of layout.pieces) {
      const row = layout.rows.find(own => own.day === piece.row)!
      expect(piece.y + laneHeight).toBeLessThanOrEqual(row.y + row.height)
      for (const other of layout.pieces) {
        if (other !== piece && other.row === piece.row && other.lane === piece.lane)
          expect(
            other.x + other.width <= piece.x + 1e-6 || piece.x + piece.width <= other.x + 1e-6,
          ).toBe(true)
      }
    }
  })
  it(
    'begins a day at five: what starts after midnight stands with the evening before, what ' +
      'runs past five goes on in the next row',
    () => {
      const [night] = layoutOf([
        habit({ days: ['tue'], earliest: 60, latest: 60, minutes: 30 }),
      ]).pieces
      expect([night!.row, night!.day]).toEqual([0, 1])
      const long = layoutOf([
        habit({ days: ['sun'], earliest: 23 * 60, latest: 23 * 60, minutes: 480 }),
      ]).pieces
      expect(long.map(piece => [piece.row, piece.isRest])).toEqual([
        [0, true],
        [6, false],
      ])
    },
  )
  it(
    'draws the chance: up while it may begin, down while it may end, less high when the ' +
      'window is longer than the habit',
    () => {
      const points = (change: Partial<Habit>) => {
        const {
          pieces: [piece],
        } = layoutOf([habit({ days: ['mon'], earliest: 1200, ...change })])
        return piece!.points
          .split(' ')
          .map(point => piece!.y + laneHeight - Number(point.split(',')[1]))
          .map(height => Math.round((height / laneHeight) * 100) / 100)
      }
      expect(Math.max(...points({ latest: 1260, minutes: 120, chance: 0.5 }))).toBeCloseTo(0.5, 1)
      expect(Math.max(...points({ latest: 1320, minutes: 60, chance: 0.8 }))).toBeCloseTo(0.4, 1)
    },
  )
  it('writes fewer hours on a narrow picture', () => {
    const hours = (width: number) =>
      weekLayout({ habits: [], ...expected, width, margin }).hours.length
    expect([hours(1480), hours(330)]).toEqual([9, 5])
  })
  it('finds the slot at a place, and the place of a slot', () => {
    fc.assert(
      fc.property(fc.nat(slotsPerWeek - 1), slot => {
        const { x, row } = placeOfSlot(layout, slot)
        // A place of a folded row is read as its first day.
        const found = slotAt(layout, x + 0.5, row.y + 5)!
        expect(row.days.map(day => (found + (day - row.day) * 288) % slotsPerWeek)).toContain(slot)
      }),
    )
    expect(slotAt(layout, 100, -50)).toBeNull()
  })
})
