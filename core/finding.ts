export const severities = ['caution', 'warning', 'fail'] as const
export type Severity = typeof severities[number]

/** Something the plan's owner should know, with the way out. */
export interface Finding {
  readonly severity: Severity
  readonly code: string
  readonly sentence: string
  /** plan paths and figure ids it comes from */
  readonly from: readonly string[]
  readonly cures: readonly Cure[]
}

export interface Cure {
  readonly sentence: string
  /** in the plan's currency, when known */
  readonly cost?: number
}
