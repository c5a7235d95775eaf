import type { CalendarEvent } from '../../formats/iCalendar'
import type { ExportedEntry } from '../../plan/calendar'
import { dayOfText, dayText } from '../../units/calendarDay'
import { markOf } from '../../markOf'
import type { CalendarEntry } from './calendarEntries'

/** Days for which an entry that fell away is still told as cancelled. */
export const cancelledDays = 365

export interface CalendarExport {
  readonly events: readonly CalendarEvent[]
  /** what is kept for the next export */
  readonly exported: readonly ExportedEntry[]
}

const uidOf = (planId: string, { code, target }: Pick<CalendarEntry, 'code' | 'target'>) =>
  `${planId}.${code}.${target}@numeron`

/**
 * Entries with ids that stay, and a number that grows with each change; what was exported before
 * and is no more is told as cancelled for a year.
 * @param today days since 1970-01-01
 */
export function exportCalendar(
  entries: readonly CalendarEntry[],
  {
    planId,
    known,
    today,
  }: {
    readonly planId: string
    readonly known: readonly ExportedEntry[]
    readonly today: number
  },
): CalendarExport {
  const before = new Map(known.map(entry => [entry.uid, entry]))
  const there = entries.map(entry => {
    const uid = uidOf(planId, entry)
    const mark = markOf(JSON.stringify(entry))
    const old = before.get(uid)
    const isSame = old !== undefined && old.mark === mark && old.gone === ''
    const sequence = old === undefined ? 0 : isSame ? old.sequence : old.sequence + 1
    const event: CalendarEvent = { ...entry, uid, sequence, isCancelled: false }
    const kept: ExportedEntry = {
      uid,
      sequence,
      mark,
      title: entry.title,
      start: dayText(entry.start),
      gone: '',
    }
    return { event, kept }
  })
  const uids = new Set(there.map(({ event }) => event.uid))
  const cancelled = known
    .filter(({ uid }) => !uids.has(uid))
    .map((old): ExportedEntry =>
      old.gone === '' ? { ...old, sequence: old.sequence + 1, gone: dayText(today) } : old,
    )
    .filter(({ gone }) => today - (dayOfText(gone) ?? today) <= cancelledDays)
  return {
    events: [
      ...there.map(({ event }) => event),
      ...cancelled.map(({ uid, sequence, title, start }): CalendarEvent => ({
        uid,
        sequence,
        title,
        description: '',
        start: dayOfText(start) ?? today,
        time: null,
        minutes: 0,
        recurrence: null,
        isDeadline: false,
        isCancelled: true,
      })),
    ],
    exported: [...there.map(({ kept }) => kept), ...cancelled],
  }
}
