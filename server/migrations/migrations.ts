import type { QueryInterface } from 'sequelize'
import * as plans from './20261125A-create-plans'
import * as archivedAt from './20261126A-add-archived-at'
import * as access from './20261126B-create-access'
import * as runBookLinks from './20261201A-create-run-book-links'
import * as logEntries from './20261201B-create-log-entries'

export interface Migration {
  readonly name: string
  readonly up: (query: QueryInterface) => Promise<unknown>
  readonly down: (query: QueryInterface) => Promise<unknown>
}

/** In order; a released one is never changed. */
export const migrations: readonly Migration[] = [
  { name: '20261125A-create-plans', ...plans },
  { name: '20261126A-add-archived-at', ...archivedAt },
  { name: '20261126B-create-access', ...access },
  { name: '20261201A-create-run-book-links', ...runBookLinks },
  { name: '20261201B-create-log-entries', ...logEntries },
]
