import type { Entry } from '~~/core/logbook/entry'
import type { EntryKind } from '~~/core/logbook/kinds'
import { request } from './apiRequest'

/** How many entries of a kind there are in a month. */
export interface LogMonth {
  readonly month: string
  readonly kind: EntryKind
  readonly count: number
}
export interface LogPage {
  /** the newest first */
  readonly entries: readonly Entry[]
  readonly next: string | null
  readonly months: readonly LogMonth[]
}

/** The log of a plan on the server. */
export const logApi = {
  /** @throws {ApiProblem} */
  page: (
    planId: string,
    ask: {
      readonly kinds?: readonly EntryKind[]
      readonly limit?: number
      readonly after?: string
      readonly from?: string
      readonly to?: string
    } = {},
  ): Promise<LogPage> => {
    const { kinds, ...others } = ask
    const query = new URLSearchParams(
      Object.entries({ ...others, ...(kinds ? { kinds: kinds.join(',') } : {}) }).map(
        ([key, value]) => [key, String(value)],
      ),
    )
    return request('GET', `/api/plans/${planId}/log?${query.toString()}`)
  },
  /**
   * Takes entries, all of them or none; those that are there already are left as they are.
   * @throws {ApiProblem}
   */
  add: (
    planId: string,
    entries: readonly Entry[],
  ): Promise<{ readonly taken: readonly string[]; readonly known: number }> =>
    request('POST', `/api/plans/${planId}/log`, { entries }),
  exportAddress: (planId: string): string => `/api/plans/${planId}/log/export`,
}
