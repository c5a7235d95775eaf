import ICAL from 'ical.js'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayOfText } from '../units/calendarDay'
import { foldedLine, iCalendar, longestLine, type CalendarEvent } from './iCalendar'

const event = (more: Partial<CalendarEvent> = {}): CalendarEvent => ({
  uid: 'plan.scrub.all@numeron',
  sequence: 0,
  title: 'Scrub',
  description: '',
  start: dayOfText('2026-12-06')!,
  time: 210,
  minutes: 60,
  recurrence: null,
  isDeadline: false,
  isCancelled: false,
  ...more,
})
const today = dayOfText('2026-12-01')!
const write = (...events: CalendarEvent[]) => iCalendar(events, { name: 'Tide; Mill', today })
const read = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as unknown[])
    .getAllSubcomponents('vevent')
    .map(component => new ICAL.Event(component))

describe('a calendar', () => {
  it('is read by another program as it was meant', () => {
    const [found] = read(
      write(
        event({
          description: 'Weak sectors, found\nin time; \\ back',
          recurrence: { every: 1, unit: 'month', byDay: '1SU' },
          sequence: 3,
        }),
      ),
    )
    expect(found!.uid).toBe('plan.scrub.all@numeron')
    expect(found!.summary).toBe('Scrub')
    expect(found!.description).toBe('Weak sectors, found\nin time; \\ back')
    expect(found!.sequence).toBe(3)
    expect(found!.startDate.toString()).toBe('2026-12-06T03:30:00')
    expect(found!.endDate.toString()).toBe('2026-12-06T04:30:00')
    // Wherever it is read it is that hour.
    expect(found!.startDate.zone.tzid).toBe('floating')
    const times = found!.iterator()
    expect([0, 1, 2].map(() => times.next().toString())).toEqual([
      '2026-12-06T03:30:00',
      '2027-01-03T03:30:00',
      '2027-02-07T03:30:00',
    ])
  })
  it('has whole days, that end on the next', () => {
    const [found] = read(write(event({ time: null, recurrence: { every: 2, unit: 'year' } })))
    expect(found!.startDate.isDate).toBe(true)
    expect(found!.startDate.toString()).toBe('2026-12-06')
    expect(found!.endDate.toString()).toBe('2026-12-07')
    const times = found!.iterator()
    times.next()
    expect(times.next().toString()).toBe('2028-12-06')
  })
  it('ends after midnight where it lasts so long', () => {
    const [found] = read(write(event({ time: 23 * 60, minutes: 150 })))
    expect(found!.endDate.toString()).toBe('2026-12-07T01:30:00')
  })
  it('rings the day before, deadlines on their day, and not for what is cancelled', () => {
    const trigger = (more: Partial<CalendarEvent>) => {
      const [alarm] = read(write(event(more)))[0]!.component.getAllSubcomponents('valarm')
      return String(alarm?.getFirstPropertyValue('trigger') ?? 'none')
    }
    expect(trigger({})).toBe('-P1D')
    // Nine in the morning of the day before, and of the day.
    expect(trigger({ time: null })).toBe('-PT15H')
    expect(trigger({ time: null, isDeadline: true })).toBe('PT9H')
    expect(trigger({ isCancelled: true })).toBe('none')
    expect(write(event({ isCancelled: true }))).toContain('STATUS:CANCELLED\r\n')
  })
  it('folds its lines at 75 octets, within no sign, and ends each with CR and LF', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), text => {
        const lines = foldedLine(text.replace(/[\r\n]/g, '')).split('\r\n')
        for (const line of lines)
          expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(longestLine)
        expect(lines.map((line, at) => (at === 0 ? line : line.slice(1))).join('')).toBe(
          text.replace(/[\r\n]/g, ''),
        )
      }),
    )
    expect(foldedLine('a'.repeat(75))).toBe('a'.repeat(75))
    expect(foldedLine('a'.repeat(76))).toBe(`${'a'.repeat(75)}\r\n a`)
    const text = write(event({ title: 'Ä'.repeat(200), description: 'x\ty' }))
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/)
    expect(read(text)[0]!.summary).toBe('Ä'.repeat(200))
  })
})
