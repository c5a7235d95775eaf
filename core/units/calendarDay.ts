/** Days since 1970-01-01 of a day of the Gregorian calendar. */
export function dayNumber(year: number, month: number, day: number): number {
  const shifted = month <= 2 ? year - 1 : year
  const era = Math.floor(shifted / 400)
  const ofEra = shifted - era * 400
  const ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1
  const days = ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear
  return era * 146_097 + days - 719_468
}

export interface CalendarDay {
  readonly year: number
  /** 1 to 12 */
  readonly month: number
  readonly day: number
}

/** The day of the calendar of so many days since 1970-01-01. */
export function calendarDay(number: number): CalendarDay {
  const days = number + 719_468
  const era = Math.floor(days / 146_097)
  const ofEra = days - era * 146_097
  const yearOfEra = Math.floor(
    (ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) /
      365,
  )
  const ofYear = ofEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100))
  const shifted = Math.floor((5 * ofYear + 2) / 153)
  const month = shifted < 10 ? shifted + 3 : shifted - 9
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    day: ofYear - Math.floor((153 * shifted + 2) / 5) + 1,
  }
}

/** Days since 1970-01-01 of '2026-12-24'; null where it is no day. */
export function dayOfText(text: string): number | null {
  const found = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text)
  if (!found) return null
  const [year, month, day] = found.slice(1).map(Number) as [number, number, number]
  const number = dayNumber(year, month, day)
  const back = calendarDay(number)
  return back.month === month && back.day === day ? number : null
}

/** '2026-12-24' */
export function dayText(number: number): string {
  const { year, month, day } = calendarDay(number)
  return [String(year).padStart(4, '0'), two(month), two(day)].join('-')
}
const two = (value: number) => String(value).padStart(2, '0')

/** The day of the week, 0 for Monday. */
export const weekdayOf = (number: number): number => (((number + 3) % 7) + 7) % 7

/** The same day so many months later, the 28th at most. */
export function monthsLater(number: number, months: number): number {
  const { year, month, day } = calendarDay(number)
  const whole = year * 12 + (month - 1) + months
  return dayNumber(Math.floor(whole / 12), (((whole % 12) + 12) % 12) + 1, Math.min(28, day))
}

/** Days from one day to another, both as '2026-12-24'; below nothing where the second is before. */
export function daysBetween(from: string, to: string): number {
  return (dayOfText(to.slice(0, 10)) ?? 0) - (dayOfText(from.slice(0, 10)) ?? 0)
}
