import type { Plan } from '~~/core/plan/planSchema'
import type { ReaderLinkState, SessionState } from '~~/core/plan/sessionState'
import { request } from './apiRequest'

/** Who may come in. */
export const accessApi = {
  session: () => request<SessionState>('GET', '/api/session'),
  signIn: (passphrase: string) => request<unknown>('POST', '/api/session', { passphrase }),
  setFirstPassphrase: (passphrase: string) =>
    request<unknown>('PUT', '/api/passphrase', { passphrase }),
  signOut: (everywhere: boolean) =>
    request<unknown>('DELETE', everywhere ? '/api/session?everywhere' : '/api/session'),
  readerLink: (planId: string) =>
    request<ReaderLinkState>('GET', `/api/plans/${planId}/reader-link`),
  /**
   * @returns path of the new link, which is told only once, and the first name under which other
   * computers reach the server
   */
  makeReaderLink: (planId: string) =>
    request<{ path: string; host: string | null }>('POST', `/api/plans/${planId}/reader-link`, {}),
  revokeReaderLink: (planId: string) =>
    request<undefined>('DELETE', `/api/plans/${planId}/reader-link`),
  /** the plan that a reader's link shows, and when it was saved */
  read: (token: string) =>
    request<{ plan: Plan; savedAt: string }>('GET', `/api/read/${encodeURIComponent(token)}`),
}
