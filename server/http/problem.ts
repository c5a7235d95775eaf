import type { PlanIssue } from '~~/core/plan/issues'
import { DatabaseProblem, sqliteCode } from '../database/databaseProblem'

/** A refusal that the client is told about, as RFC 9457 describes it. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly issues: readonly PlanIssue[] = [],
    readonly extra: Readonly<Record<string, unknown>> = {},
  ) {
    super(detail)
    this.name = 'Problem'
  }
}

export interface ProblemDocument {
  readonly type: 'about:blank'
  readonly status: number
  readonly title: string
  readonly detail: string
  readonly errors: readonly { readonly path: string; readonly message: string }[]
  readonly [extra: string]: unknown
}

function statusOf(error: unknown): number {
  const status =
    typeof error === 'object' && error !== null && 'statusCode' in error
      ? Number(error.statusCode)
      : 500
  return Number.isInteger(status) && status >= 400 && status < 600 ? status : 500
}

/**
 * What the disk or the database refuses, said as what can be done about it; null for errors of
 * another kind.
 */
function storageProblem(error: unknown): Problem | null {
  if (error instanceof DatabaseProblem)
    return new Problem(503, 'The database cannot be used', error.message)
  switch (sqliteCode(error)) {
    case 'SQLITE_FULL':
      return new Problem(
        507,
        'The disk is full',
        'The disk of the computer that runs Numeron is full, so nothing was stored. Free ' +
          'some space there.',
      )
    case 'SQLITE_BUSY':
      return new Problem(
        503,
        'The database is busy',
        'Another program holds the database. Nothing was stored; try again.',
      )
    case 'SQLITE_READONLY':
    case 'SQLITE_CANTOPEN':
    case 'SQLITE_IOERR':
    case 'SQLITE_CORRUPT':
    case 'SQLITE_NOTADB':
      return new Problem(
        503,
        'The database cannot be used',
        'The database cannot be read or written, so nothing was stored. The computer that ' +
          'runs Numeron says why when it is started again.',
      )
    default:
      return null
  }
}

/** Any error as a problem document; the unknown ones without a word of their inside. */
export function problemDocument(error: unknown): ProblemDocument {
  if (error instanceof Problem) {
    return {
      type: 'about:blank',
      status: error.status,
      title: error.title,
      detail: error.detail,
      errors: error.issues.map(({ path, message }) => ({ path, message })),
      ...error.extra,
    }
  }
  const stored = storageProblem(error)
  if (stored) return problemDocument(stored)
  const status = statusOf(error)
  const known: Record<number, [string, string]> = {
    400: ['Bad request', 'The request cannot be read.'],
    404: ['Not found', 'There is nothing at this address.'],
    405: ['Method not allowed', 'This address does not accept that method.'],
  }
  const [title, detail] = known[status] ?? [
    'Something went wrong',
    'The server could not do this. Nothing was changed; try again.',
  ]
  return { type: 'about:blank', status: known[status] ? status : 500, title, detail, errors: [] }
}

export function notJson(): Problem {
  return new Problem(400, 'Not JSON', 'The request is not valid JSON. Nothing was stored.')
}

/** Most fields that an answer names one by one. */
export const maxIssuesTold = 200

export function unprocessable(issues: readonly PlanIssue[]): Problem {
  return new Problem(
    422,
    'The plan is not valid',
    `${issues.length} ${issues.length === 1 ? 'field needs' : 'fields need'} a change; ` +
      'nothing was stored.',
    issues.slice(0, maxIssuesTold),
  )
}
