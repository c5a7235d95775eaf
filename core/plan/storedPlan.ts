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
}

/** A line of the list of plans. */
export type PlanEntry = Pick<StoredPlan, 'id' | 'version' | 'createdAt' | 'updatedAt'> & {
  readonly name: string
  /** put away: kept, but not shown among the others */
  readonly archived: boolean
}
