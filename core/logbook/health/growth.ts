import { daysBetween } from '../../units/calendarDay'
import type { DriveReport } from '../driveValues'

/** Growth of a counter is counted over at least so many days, where reports go back so far. */
export const growthDays = 30

/** The report that the newest is held against: the youngest so old, else the oldest. */
export function reportBefore(reports: readonly DriveReport[]): DriveReport | null {
  const inOrder = [...reports].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))
  const newest = inOrder.at(-1)
  if (!newest || inOrder.length < 2) return null
  const before = inOrder.slice(0, -1)
  return before.findLast(({ day }) => daysBetween(day, newest.day) >= growthDays) ?? before[0]!
}

/** Counters of a drive that may grow. */
export type Counter =
  | 'reallocated'
  | 'uncorrectable'
  | 'pending'
  | 'offline'
  | 'spinRetries'
  | 'crc'
  | 'timeouts'
  | 'mediaErrors'

/** Sectors that wait may be written anew, and then no longer wait. */
const mayFall: ReadonlySet<Counter> = new Set<Counter>(['pending', 'offline'])

/**
 * What a counter has grown by since the report before; null where one of both does not say. One
 * that fell begins again at 0, unless it may fall.
 */
export function grownBy(
  counter: Counter,
  newest: DriveReport,
  before: DriveReport | null,
): number | null {
  const now = newest[counter]
  const then = before?.[counter] ?? null
  if (now === null || then === null) return null
  if (now >= then) return now - then
  return mayFall.has(counter) ? 0 : now
}
