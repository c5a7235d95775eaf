import type { PlanIssue } from './issues'
import type { Plan } from './planSchema'

/** A plan as the server keeps it and hands it out. */
export interface StoredPlan {
  readonly id: string
  /** rises by one with every save */
  readonly version: number
  readonly createdAt: string
  readonly updatedAt: string
  readonly plan: Plan
  /** after an import: paths of fields that this version does not know, kept aside in the plan */
  readonly keptAside?: readonly string[]
  /** after an import: paths of such fields that are too many, too large or too deep to keep */
  readonly leftOut?: readonly string[]
}

/** A line of the list of plans. */
export type PlanEntry = Pick<StoredPlan, 'id' | 'version' | 'createdAt' | 'updatedAt'> & {
  readonly name: string
  /** put away: kept, but not shown among the others */
  readonly archived: boolean
}

/** A stored plan that this version cannot read, with its text as it is stored. */
export interface UnreadablePlan {
  readonly id: string
  readonly name: string
  readonly raw: string
  readonly issues: readonly PlanIssue[]
}

/** A page of the list, last saved first. */
export interface PlanPage {
  readonly plans: readonly PlanEntry[]
  /** names the page after this one; null on the last */
  readonly next: string | null
}
