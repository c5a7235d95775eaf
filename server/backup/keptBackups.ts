/**
 * How many nightly copies are kept: of the last days, the last weeks and the last months that have
 * one.
 */
export const keptCopies = { days: 7, weeks: 4, months: 12 } as const

/** Monday of a day's week. */
function weekOf(day: string): string {
  const date = new Date(`${day}T00:00:00Z`)
  date.setUTCDate(date.getUTCDate() - ((date.getUTCDay() + 6) % 7))
  return date.toISOString().slice(0, 10)
}

/**
 * Which nightly copies are kept: the newest of each of the last days, weeks and months.
 * @param days the days that have a copy, as 2026-11-26, in any order
 */
export function keptBackups(days: readonly string[]): Set<string> {
  const newestFirst = [...new Set(days)].sort().reverse()
  const kept = new Set<string>()
  const keepNewestOf = (most: number, period: (day: string) => string) => {
    const periods = new Set<string>()
    for (const day of newestFirst) {
      if (periods.has(period(day))) continue
      if (periods.size === most) return
      periods.add(period(day))
      kept.add(day)
    }
  }
  keepNewestOf(keptCopies.days, day => day)
  keepNewestOf(keptCopies.weeks, weekOf)
  keepNewestOf(keptCopies.months, day => day.slice(0, 7))
  return kept
}
