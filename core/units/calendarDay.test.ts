import { describe, expect, it } from 'vitest'
import { calendarDay, dayNumber, dayOfText, dayText, monthsLater, weekdayOf } from './calendarDay'

describe('days of the calendar', () => {
  it('are counted as the clock of the computer counts them, through 400 years and more', () => {
    for (let day = -60_000; day < 120_000; day += 1) {
      // eslint-disable-next-line no-restricted-syntax -- the second method
      const other = new Date(day * 86_400_000)
      const found = calendarDay(day)
      if (
        found.year !== other.getUTCFullYear() ||
        found.month !== other.getUTCMonth() + 1 ||
        found.day !== other.getUTCDate() ||
        weekdayOf(day) !== (other.getUTCDay() + 6) % 7 ||
        dayNumber(found.year, found.month, found.day) !== day
      )
        expect.fail(`day ${day}`)
    }
  })
  it('are read and written as text, and no day is none', () => {
    expect(dayText(dayOfText('2026-12-24')!)).toBe('2026-12-24')
    expect(dayOfText('2024-02-29')).not.toBe(null)
    for (const text of ['2026-02-29', '2026-13-01', '2026-00-10', '2026-1-1', '', 'x'])
      expect(dayOfText(text)).toBe(null)
  })
  it('lie so many months later on the 28th at most', () => {
    const later = (text: string, months: number) => dayText(monthsLater(dayOfText(text)!, months))
    expect(later('2026-01-31', 1)).toBe('2026-02-28')
    expect(later('2026-11-30', 3)).toBe('2027-02-28')
    expect(later('2026-05-10', -6)).toBe('2025-11-10')
  })
})
