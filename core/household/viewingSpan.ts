/** Viewing is taken to begin at this minute of the day. */
const eveningFrom = 19 * 60

/** A span of the day, in minutes of it; it may run past midnight. */
export interface ViewingSpan {
  readonly from: number
  readonly to: number
}

/** When the household usually watches, for so many hours of a day; null where it does not. */
export function viewingSpan(watchedHoursPerDay: number): ViewingSpan | null {
  return watchedHoursPerDay > 0
    ? { from: eveningFrom, to: (eveningFrom + watchedHoursPerDay * 60) % 1440 }
    : null
}
