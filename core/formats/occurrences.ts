import { calendarDay, dayNumber, weekdayOf } from '../units/calendarDay'
import type { CalendarEvent } from './iCalendar'

const weekdays = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU']

/** The day of so many months after another's month: the same day of it, or its nth weekday. */
function inMonth(start: number, months: number, byDay: string | undefined): number {
  const { year, month, day } = calendarDay(start)
  const whole = year * 12 + month - 1 + months
  const first = dayNumber(Math.floor(whole / 12), (whole % 12) + 1, 1)
  if (!byDay) return first + day - 1
  const weekday = weekdays.indexOf(byDay.slice(-2))
  return first + ((weekday - weekdayOf(first) + 7) % 7) + 7 * (Number(byDay.slice(0, -2)) - 1)
}

/**
 * The days on which an entry comes, up to a last one, days since 1970-01-01. Days of months are the
 * 28th at most.
 */
export function occurrences(
  { start, recurrence }: Pick<CalendarEvent, 'start' | 'recurrence'>,
  last: number,
): number[] {
  const days: number[] = []
  for (let at = 0; ; at++) {
    const day = dayAt(at)
    if (day > last) return days
    days.push(day)
    if (!recurrence) return days
  }
  function dayAt(at: number): number {
    if (!recurrence) return start
    const { every, unit, byDay } = recurrence
    if (unit === 'day') return start + at * every
    if (unit === 'week') return start + at * every * 7
    return inMonth(start, at * every * (unit === 'year' ? 12 : 1), byDay)
  }
}
