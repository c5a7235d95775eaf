import type { Plan } from '~~/core/plan/planSchema'
import type { CarriedTick } from '~~/core/commissioning/carried/carriedTicks'
import type { PlanLinkKind, PlanLinkState, SessionState } from '~~/core/plan/sessionState'
import { request } from './apiRequest'

const linkPath = (planId: string, kind: PlanLinkKind) =>
  `/api/plans/${planId}/${kind === 'reader' ? 'reader-link' : 'run-book-link'}`

/** Who may come in. */
export const accessApi = {
  session: () => request<SessionState>('GET', '/api/session'),
  signIn: (passphrase: string) => request<unknown>('POST', '/api/session', { passphrase }),
  setFirstPassphrase: (passphrase: string) =>
    request<unknown>('PUT', '/api/passphrase', { passphrase }),
  signOut: (everywhere: boolean) =>
    request<unknown>('DELETE', everywhere ? '/api/session?everywhere' : '/api/session'),
  link: (planId: string, kind: PlanLinkKind) =>
    request<PlanLinkState>('GET', linkPath(planId, kind)),
  /**
   * @returns path of the new link, which is told only once, and the first name under which other
   * computers reach the server
   */
  makeLink: (planId: string, kind: PlanLinkKind) =>
    request<{ path: string; host: string | null }>('POST', linkPath(planId, kind), {}),
  revokeLink: (planId: string, kind: PlanLinkKind) =>
    request<undefined>('DELETE', linkPath(planId, kind)),
  /** the plan whose run-book a link shows */
  runBook: (token: string) =>
    request<{ plan: Plan }>('GET', `/api/tick/${encodeURIComponent(token)}`),
  /** hands ticks over; the plan with them comes back */
  sendTicks: (
    token: string,
    ticks: { readonly basis: string; readonly ticks: readonly CarriedTick[] },
  ) => request<{ plan: Plan }>('PUT', `/api/tick/${encodeURIComponent(token)}`, ticks),
  /** the plan that a reader's link shows, and when it was saved */
  read: (token: string) =>
    request<{ plan: Plan; savedAt: string }>('GET', `/api/read/${encodeURIComponent(token)}`),
}
