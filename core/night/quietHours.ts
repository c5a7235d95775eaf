import { minutesPerDay, slotMinutes, slotsPerWeek } from '../units/week'

const slotsOfDay = minutesPerDay / slotMinutes

/** A span of every day: minutes after midnight, and how long; it may run past midnight. */
export interface DaySpan {
  readonly from: number
  readonly minutes: number
}

/** Whether a moment of the day lies in a span. */
export function isWithin(minuteOfDay: number, { from, minutes }: DaySpan): boolean {
  const since = (((minuteOfDay - from) % minutesPerDay) + minutesPerDay) % minutesPerDay
  return since < minutes
}

/**
 * Hours of watching in a week that fall into a span of each day.
 * @param expected how many watch, slot by slot over the week
 */
export function hoursWithin(expected: ArrayLike<number>, span: DaySpan): number {
  let viewers = 0
  for (let slot = 0; slot < slotsPerWeek; slot++)
    if (isWithin((slot * slotMinutes) % minutesPerDay, span)) viewers += expected[slot]!
  return (viewers * slotMinutes) / 60
}

/**
 * The longest span of the day in which nobody ever watches, on no day of the week; the earliest of
 * equals. Null where somebody may watch at any time; of an empty week the whole day from midnight.
 */
export function longestQuiet(expected: ArrayLike<number>): DaySpan | null {
  const isBusy = Array.from({ length: slotsOfDay }, (_, slot) => {
    for (let at = slot; at < slotsPerWeek; at += slotsOfDay) if (expected[at]! > 0) return true
    return false
  })
  if (!isBusy.includes(true)) return { from: 0, minutes: minutesPerDay }
  let best: DaySpan | null = null
  for (let start = 0; start < slotsOfDay; start++) {
    // A span begins where watching ends.
    if (isBusy[start] || !isBusy[(start + slotsOfDay - 1) % slotsOfDay]) continue
    let slots = 0
    while (!isBusy[(start + slots) % slotsOfDay]) slots++
    if (slots * slotMinutes > (best?.minutes ?? 0))
      best = { from: start * slotMinutes, minutes: slots * slotMinutes }
  }
  return best
}
