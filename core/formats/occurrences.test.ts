import ICAL from 'ical.js'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayOfText, dayText } from '../units/calendarDay'
import { iCalendar } from './iCalendar'
import { occurrences } from './occurrences'

describe('the days of an entry', () => {
  it('are those that another program reads from the calendar', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20_000, max: 24_000 }),
        fc.integer({ min: 1, max: 40 }),
        fc.constantFrom('day' as const, 'week' as const, 'month' as const, 'year' as const),
        fc.boolean(),
        (from, every, unit, isFirstSunday) => {
          const start = isFirstSunday && unit === 'month' ? firstSunday(from) : atMost28(from)
          const recurrence = {
            every,
            unit,
            ...(isFirstSunday && unit === 'month' ? { byDay: '1SU' } : {}),
          }
          const last = start + 2000
          const text = iCalendar(
            [
              {
                uid: 'x',
                sequence: 0,
                title: 'x',
                description: '',
                start,
                time: null,
                minutes: 0,
                recurrence,
                isDeadline: false,
                isCancelled: false,
              },
            ],
            { name: 'x', today: start },
          )
          const component = new ICAL.Component(ICAL.parse(text) as unknown[])
          const times = new ICAL.Event(component.getFirstSubcomponent('vevent')!).iterator()
          const others: number[] = []
          for (let time = times.next(); time; time = times.next()) {
            const day = dayOfText(time.toString().slice(0, 10))!
            if (day > last) break
            others.push(day)
          }
          expect(occurrences({ start, recurrence }, last).map(dayText)).toEqual(others.map(dayText))
        },
      ),
      { numRuns: 150 },
    )
  })
  it('is one where it does not come again, none after the last day', () => {
    expect(occurrences({ start: 5, recurrence: null }, 9)).toEqual([5])
    expect(occurrences({ start: 10, recurrence: null }, 9)).toEqual([])
  })
})

const atMost28 = (day: number) => (Number(dayText(day).slice(8)) > 28 ? day + 5 : day)
function firstSunday(from: number): number {
  for (let day = from; ; day++) {
    const text = dayText(day)
    // 1970-01-04 was a Sunday.
    if ((day - 3) % 7 === 0 && Number(text.slice(8)) <= 7) return day
  }
}
