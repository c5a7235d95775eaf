/** How a browser stands to the server it speaks to. */
export interface SessionState {
  /** the server is reached from other computers, so that whoever uses it signs in */
  readonly open: boolean
  readonly signedIn: boolean
  /** 'yoursToSet': none is set yet, and this browser, on the server's own computer, may set it */
  readonly passphrase: 'none' | 'yoursToSet' | 'set'
}

/**
 * Links that need no signing in: the reader's shows the report, the run-book's shows the run-book
 * and takes its ticks.
 */
export type PlanLinkKind = 'reader' | 'runBook'

export interface PlanLinkState {
  /** other computers reach the server, so that a link is of use to them */
  readonly open: boolean
  /** ISO 8601; null when there is no link */
  readonly madeAt: string | null
}
