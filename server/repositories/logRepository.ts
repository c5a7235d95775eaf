import { QueryTypes, type Sequelize } from 'sequelize'
import { momentTime, type Entry } from '~~/core/logbook/entry'
import { sameAs } from '~~/core/logbook/sameAs'

/** Most entries on a page of the log. */
export const maxEntriesOnPage = 2000

export interface LogPage {
  /** the newest first */
  readonly entries: readonly Entry[]
  /** names the page behind this one; null on the last */
  readonly next: string | null
}

export interface LogQuestion {
  readonly kinds?: readonly string[]
  readonly limit?: number
  /** `next` of the page before */
  readonly after?: string
  /** moments in milliseconds since 1970 */
  readonly from?: number
  readonly to?: number
}

/** How many entries of a kind there are in a month. */
export interface LogMonth {
  readonly month: string
  readonly kind: string
  readonly count: number
}

export interface LogRepository {
  readonly page: (planId: string, question?: LogQuestion) => Promise<LogPage>
  /** takes entries all at once, or none; those that are there already are left as they are */
  readonly add: (planId: string, entries: readonly Entry[]) => Promise<readonly string[]>
  readonly months: (planId: string) => Promise<readonly LogMonth[]>
  readonly count: (planId: string) => Promise<number>
}

interface Row {
  readonly id: string
  readonly time: number
  readonly document: string
}

const cursorOf = ({ time, id }: Row) => `${time}_${id}`
function readCursor(cursor: string): { readonly time: number; readonly id: string } | null {
  const [, time = '', id = ''] = /^(-?\d{1,16})_([\w-]{1,40})$/.exec(cursor) ?? []
  return id === '' ? null : { time: Number(time), id }
}

/** Entries in, entries out; no database object leaves. */
export function logRepository(sequelize: Sequelize): LogRepository {
  return {
    async page(planId, { kinds, limit = 200, after = '', from, to } = {}) {
      const before = readCursor(after)
      const conditions = [
        'planId = $planId',
        ...(kinds ? ['kind IN (SELECT value FROM json_each($kinds))'] : []),
        ...(from === undefined ? [] : ['time >= $from']),
        ...(to === undefined ? [] : ['time <= $to']),
        ...(before ? ['(time < $time OR (time = $time AND id < $id))'] : []),
      ]
      const rows = await sequelize.query<Row>(
        `SELECT id, time, document FROM logEntries WHERE ${conditions.join(' AND ')}
         ORDER BY time DESC, id DESC LIMIT $limit`,
        {
          type: QueryTypes.SELECT,
          bind: {
            planId,
            limit: limit + 1,
            ...(kinds ? { kinds: JSON.stringify(kinds) } : {}),
            ...(from === undefined ? {} : { from }),
            ...(to === undefined ? {} : { to }),
            ...(before ?? {}),
          },
        },
      )
      const shown = rows.slice(0, limit)
      return {
        entries: shown.map(({ document }) => JSON.parse(document) as Entry),
        next: rows.length > limit ? cursorOf(shown.at(-1)!) : null,
      }
    },
    async add(planId, entries) {
      // One statement: all of them are there afterwards, or none.
      const rows = entries.map(entry => [
        entry.id,
        entry.kind,
        momentTime(entry.at),
        sameAs(entry),
        JSON.stringify(entry),
      ])
      const taken = await sequelize.query<{ id: string }>(
        `INSERT OR IGNORE INTO logEntries (planId, id, kind, time, sameAs, document)
         SELECT $planId, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4
         FROM json_each($rows) WHERE true RETURNING id`,
        { type: QueryTypes.SELECT, bind: { planId, rows: JSON.stringify(rows) } },
      )
      return taken.map(({ id }) => id)
    },
    months: planId =>
      sequelize.query<LogMonth>(
        `SELECT strftime('%Y-%m', time / 1000, 'unixepoch') AS month, kind, COUNT(*) AS count
         FROM logEntries WHERE planId = $planId GROUP BY 1, 2 ORDER BY 1`,
        { type: QueryTypes.SELECT, bind: { planId } },
      ),
    async count(planId) {
      const [row] = await sequelize.query<{ count: number }>(
        'SELECT COUNT(*) AS count FROM logEntries WHERE planId = $planId',
        { type: QueryTypes.SELECT, bind: { planId } },
      )
      return row?.count ?? 0
    },
  }
}
