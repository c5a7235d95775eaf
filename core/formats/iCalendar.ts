import { calendarDay } from '../units/calendarDay'

/** How something comes again: every so many units, at a place in the month where one is given. */
export interface Recurrence {
  readonly every: number
  readonly unit: 'day' | 'week' | 'month' | 'year'
  /** a day of the week in its month, as 1SU for the first Sunday */
  readonly byDay?: string
}

/** One entry of a calendar. */
export interface CalendarEvent {
  readonly uid: string
  readonly sequence: number
  readonly title: string
  readonly description: string
  /** days since 1970-01-01 */
  readonly start: number
  /** minutes after midnight, local time wherever it is read; null for the whole day */
  readonly time: number | null
  readonly minutes: number
  readonly recurrence: Recurrence | null
  /** the alarm rings on the day itself, not on the day before */
  readonly isDeadline: boolean
  readonly isCancelled: boolean
}

const two = (value: number) => String(value).padStart(2, '0')
const dateText = (day: number) => {
  const { year, month, day: date } = calendarDay(day)
  return `${String(year).padStart(4, '0')}${two(month)}${two(date)}`
}
const timeText = (minutes: number) => `${two(Math.floor(minutes / 60))}${two(minutes % 60)}00`

/** Text of RFC 5545, 3.3.11: signs with a meaning are marked. */
const textValue = (text: string) =>
  text
    .replace(/\\/g, '\\\\')
    .replace(/\r\n?|\n/g, '\\n')
    .replace(/;/g, '\\;')
    .replace(/,/g, '\\,')
    // Other control signs have no place in a text.
    .replace(/\p{Cc}/gu, ' ')

const bytesOf = (sign: string): number => {
  const code = sign.codePointAt(0)!
  return code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4
}

/** Longest line, in octets of UTF-8 without its end. */
export const longestLine = 75

/** A line as RFC 5545, 3.1 folds it: at 75 octets, never within a sign. */
export function foldedLine(line: string): string {
  let folded = ''
  let length = 0
  for (const sign of line) {
    const bytes = bytesOf(sign)
    if (length + bytes > longestLine) {
      folded += '\r\n '
      length = 1
    }
    folded += sign
    length += bytes
  }
  return folded
}

const frequencies = { day: 'DAILY', week: 'WEEKLY', month: 'MONTHLY', year: 'YEARLY' } as const

function ruleLine({ every, unit, byDay }: Recurrence): string {
  return (
    `RRULE:FREQ=${frequencies[unit]}` +
    (every > 1 ? `;INTERVAL=${every}` : '') +
    (byDay ? `;BYDAY=${byDay}` : '')
  )
}

/** When it begins and ends: whole days, or by the clock wherever it is read. */
function timeLines({ start, time, minutes }: CalendarEvent): string[] {
  if (time === null)
    return [`DTSTART;VALUE=DATE:${dateText(start)}`, `DTEND;VALUE=DATE:${dateText(start + 1)}`]
  const end = time + minutes
  const days = Math.floor(end / 1440)
  return [
    `DTSTART:${dateText(start)}T${timeText(time)}`,
    `DTEND:${dateText(start + days)}T${timeText(end - days * 1440)}`,
  ]
}

function eventLines(event: CalendarEvent, today: number): string[] {
  const { time, isDeadline, isCancelled } = event
  // The alarm of a whole day rings in the morning; a trigger counts from its first minute.
  const trigger = isDeadline ? 'PT9H' : time === null ? '-PT15H' : '-P1D'
  return [
    'BEGIN:VEVENT',
    `UID:${textValue(event.uid)}`,
    `DTSTAMP:${dateText(today)}T000000Z`,
    `SEQUENCE:${event.sequence}`,
    ...timeLines(event),
    ...(event.recurrence ? [ruleLine(event.recurrence)] : []),
    `SUMMARY:${textValue(event.title)}`,
    ...(event.description ? [`DESCRIPTION:${textValue(event.description)}`] : []),
    `STATUS:${isCancelled ? 'CANCELLED' : 'CONFIRMED'}`,
    'TRANSP:TRANSPARENT',
    ...(isCancelled
      ? []
      : [
          'BEGIN:VALARM',
          'ACTION:DISPLAY',
          `DESCRIPTION:${textValue(event.title)}`,
          `TRIGGER:${trigger}`,
          'END:VALARM',
        ]),
    'END:VEVENT',
  ]
}

/**
 * A calendar as RFC 5545 has it: lines end with CR and LF and are folded at 75 octets, times are
 * local wherever it is read.
 * @param today the day it is written on, days since 1970-01-01
 */
export function iCalendar(
  events: readonly CalendarEvent[],
  { name, today }: { readonly name: string; readonly today: number },
): string {
  return [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Numeron//Calendar of a media server//EN',
    'CALSCALE:GREGORIAN',
    'METHOD:PUBLISH',
    `X-WR-CALNAME:${textValue(name)}`,
    ...events.flatMap(event => eventLines(event, today)),
    'END:VCALENDAR',
  ]
    .map(line => `${foldedLine(line)}\r\n`)
    .join('')
}
