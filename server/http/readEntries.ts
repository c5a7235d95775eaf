import type { H3Event } from 'h3'
import { readEntry, type Entry } from '~~/core/logbook/entry'
import type { PlanIssue } from '~~/core/plan/issues'
import { maxIssuesTold, Problem } from './problem'
import { readJsonBody } from './readJsonBody'

/** Most entries in one request, and the largest request. */
export const maxEntriesAtOnce = 10_000
const limit = { what: 'A request with entries', bytes: 20_000_000 }

/**
 * The entries of a request, `{ "entries": [ … ] }`: one that is wrong refuses them all.
 * @throws {Problem} 400, 413, 415, 422 with what is wrong with which of them
 */
export async function readEntries(event: H3Event): Promise<Entry[]> {
  const body = await readJsonBody(event, limit)
  const list = (body as { readonly entries?: unknown } | null)?.entries
  if (!Array.isArray(list) || list.length === 0 || list.length > maxEntriesAtOnce)
    throw new Problem(
      422,
      'No entries',
      `Send { "entries": [ … ] } with 1 to ${maxEntriesAtOnce} entries. Nothing was stored.`,
    )
  const now = Date.now()
  const entries: Entry[] = []
  const issues: PlanIssue[] = []
  const ids = new Set<string>()
  list.forEach((input, at) => {
    const read = readEntry(input, now)
    if (!read.ok)
      issues.push(
        ...read.problems.map(({ path, message }) => ({
          path: `entries.${at}${path ? `.${path}` : ''}`,
          code: 'ENTRY',
          message,
        })),
      )
    else if (ids.has(read.entry.id))
      issues.push({
        path: `entries.${at}.id`,
        code: 'ENTRY',
        message: `The id "${read.entry.id}" stands twice.`,
      })
    else {
      ids.add(read.entry.id)
      entries.push(read.entry)
    }
  })
  if (issues.length > 0)
    throw new Problem(
      422,
      'The entries are not valid',
      `${issues.length} ${issues.length === 1 ? 'thing needs' : 'things need'} a change; ` +
        'nothing was stored.',
      issues.slice(0, maxIssuesTold),
    )
  return entries
}
