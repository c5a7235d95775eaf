import type { CalendarEvent, Recurrence } from '../../formats/iCalendar'
import { calendarDay, dayNumber, dayOfText, monthsLater, weekdayOf } from '../../units/calendarDay'
import {
  calendarRows,
  orderLeadDays,
  endLeadDays,
  type CalendarContext,
  type CalendarRow,
  type CalendarTarget,
} from './calendarRows'

/** One entry, before it has an id of its own in a calendar. */
export interface CalendarEntry extends Omit<CalendarEvent, 'uid' | 'sequence' | 'isCancelled'> {
  readonly code: string
  readonly target: string
}

/** Heavy jobs begin at half past three, by day at half past nine. */
const nightTime = 210
const dayTime = 570
/** A long self-test of more hours than these takes the next night too. */
export const testOfOneNight = 20

const weekdayCodes = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU']
const rowsOfAll = calendarRows(dayOfText)
export { rowsOfAll as allCalendarRows }

interface Placing {
  readonly context: CalendarContext
  /** the day after sign-off */
  readonly start: number
  /** days by code, where somebody set them */
  readonly intervals: ReadonlyMap<string, number>
}

/** The first such day of the week in its month, on a day or after it. */
function weekdayOfMonth(from: number, weekday: number, week: number): number {
  for (let months = 0; ; months++) {
    const { year, month } = calendarDay(from)
    const first = dayNumber(year, month + months > 12 ? 1 : month + months, 1)
    const begin = month + months > 12 ? dayNumber(year + 1, month + months - 12, 1) : first
    const day = begin + ((weekday - weekdayOf(begin) + 7) % 7) + 7 * (week - 1)
    if (day >= from) return day
  }
}
/** The first such day of a month on a day or after it. */
function dayOfMonth(from: number, day: number): number {
  const { year, month } = calendarDay(from)
  const here = dayNumber(year, month, day)
  return here >= from ? here : monthsLater(here, 1)
}

/** Nights that the long self-test of one drive takes. */
const nightsOf = ({ testHours }: CalendarContext) =>
  Math.max(1, Math.ceil((testHours + 24 - testOfOneNight) / 24))

/** Nights of the month for self-tests: from the ninth, so that a scrub before them has its time. */
const testNights = { from: 9, to: 28 }

type Place = { readonly start: number; readonly recurrence: Recurrence }

/**
 * Scrub on the first Sunday of its months, a long self-test a night from the ninth on: as many as
 * there is room for, the others in the next months. With intervals of somebody's own all of them
 * are multiples of the nights that all together need, so that no two ever meet.
 */
function placeHeavy(
  row: CalendarRow,
  { target, at }: { readonly target: CalendarTarget; readonly at: number },
  { context, start, intervals }: Placing,
): Place {
  const nights = nightsOf(context)
  const own = intervals.get(row.code)
  const isOwn = intervals.has('scrub') || intervals.has('testLong')
  const usual = target.every ?? row.usual
  if (isOwn) {
    const together = 1 + context.drives * nights
    const asked = own ?? usual.every * 30
    const every = Math.ceil(Math.max(asked, together) / together) * together
    const offset = row.code === 'scrub' ? 0 : 1 + at * nights
    return { start: start + offset, recurrence: { every, unit: 'day' } }
  }
  if (row.code === 'scrub')
    return {
      start: weekdayOfMonth(start, 6, 1),
      recurrence: { ...usual, byDay: '1SU' },
    }
  const inMonth = Math.max(1, Math.floor((testNights.to - testNights.from + 1) / nights))
  const months = Math.max(usual.every, Math.ceil(context.drives / inMonth))
  const day = testNights.from + nights * (at % inMonth)
  return {
    start: monthsLater(dayOfMonth(start, day), Math.floor(at / inMonth)),
    recurrence: { every: months, unit: 'month' },
  }
}

const later = (start: number, { every, unit }: Pick<Recurrence, 'every' | 'unit'>): number =>
  unit === 'day'
    ? start + every
    : unit === 'week'
      ? start + 7 * every
      : monthsLater(start, unit === 'month' ? every : 12 * every)

/** The 28th where the day is a later one: every month has it. */
const atMost28 = (day: number): number => {
  const { year, month, day: date } = calendarDay(day)
  return dayNumber(year, month, Math.min(28, date))
}

function placeLight(row: CalendarRow, target: CalendarTarget, placing: Placing): Place {
  const { start, intervals, context } = placing
  const own = intervals.get(row.code)
  const every =
    own === undefined
      ? (target.every ?? row.usual)
      : { every: Math.max(1, Math.ceil(own)), unit: 'day' as const }
  if (row.code === 'updates' && own === undefined) {
    const { weekday } = context.quiet
    const byDay = `2${weekdayCodes[weekday]!}`
    return { start: weekdayOfMonth(start, weekday, 2), recurrence: { ...every, byDay } }
  }
  if (row.code === 'licence')
    return { start: monthsLater(start, 12) - endLeadDays, recurrence: every }
  const first = later(start, every)
  const isByMonth = every.unit === 'month' || every.unit === 'year'
  return { start: isByMonth ? atMost28(first) : first, recurrence: every }
}

function timeOf(row: CalendarRow, { plan, quiet }: CalendarContext): number | null {
  const isBedroom =
    plan.brief.place === 'bedroom' ||
    (plan.brief.place === 'cupboard' && plan.brief.opensTo === 'bedroom')
  // Where the drives sleep beside somebody who sleeps, what keeps them busy runs by day.
  if (row.isHeavy || row.code === 'testShort')
    return isBedroom && plan.choices.asleepHoursPerDay > 0 ? dayTime : nightTime
  return row.code === 'updates' ? quiet.time : null
}

/** The day of a deadline; null where it lies before the calendar begins. */
function deadlineOf(
  { row, target, at }: { row: CalendarRow; target: CalendarTarget; at: number },
  { context, start }: Placing,
): number | null {
  const purchase = context.plan.drives.purchases[at]
  const day =
    row.code === 'purchase' && purchase
      ? monthsLater(start - 1, purchase.month) - orderLeadDays
      : target.on
  return day === undefined || day < start ? null : day
}

/**
 * What has to be done when, from the day after sign-off on. No two heavy jobs share a night.
 * @param signedOn day of sign-off, days since 1970-01-01
 * @param intervals days between two of a code, where somebody set them
 */
export function calendarEntries(
  context: CalendarContext,
  signedOn: number,
  intervals: ReadonlyMap<string, number> = new Map<string, number>(),
): CalendarEntry[] {
  const placing: Placing = { context, start: signedOn + 1, intervals }
  return rowsOfAll.flatMap(row =>
    row.targets(context).flatMap((target, at): CalendarEntry[] => {
      const entry = {
        code: row.code,
        target: target.target,
        title: target.title,
        description: row.why,
        time: timeOf(row, context),
        minutes: row.minutes,
        isDeadline: row.isDeadline ?? false,
      }
      if (row.isDeadline) {
        const on = deadlineOf({ row, target, at }, placing)
        return on === null ? [] : [{ ...entry, start: on, recurrence: null }]
      }
      const place = row.isHeavy
        ? placeHeavy(row, { target, at }, placing)
        : placeLight(row, target, placing)
      return [{ ...entry, ...place }]
    }),
  )
}
