import { planAssessor } from '../../assess'
import type { Catalogue } from '../../catalogue/catalogue'
import { missingCopy, type MissingCopy } from '../../drives/backup/missingCopy'
import { effectiveCatalogue } from '../../plan/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'

/** A plan as it is searched for: with the copy away that it lacks, where one is asked for. */
export interface WithCopyAway {
  readonly plan: Plan
  /** what is bought for it; null where nothing is */
  readonly copy: Omit<MissingCopy, 'plan'> | null
  /** one is asked for and missing, and nothing is sold that would hold it */
  readonly isUnmet: boolean
}

/**
 * The need has a copy away of what cannot be replaced: where the plan has none, the cheapest comes
 * with every build, and its price is in every sum.
 */
export function withCopyAway(plan: Plan, shipped: Catalogue): WithCopyAway {
  const asItIs = { plan, copy: null, isUnmet: false }
  if (!plan.conditions.copyAway) return asItIs
  const { library, drives } = planAssessor(1).facts(plan, shipped, ['library', 'drives'])
  const is = drives.pool?.survival.copies?.is
  const isMissing = drives.pool
    ? is === 'nowhere' || is === 'here'
    : library.irreplaceableTB > 0 && plan.drives.awayCopy === 'nothing'
  if (!isMissing) return asItIs
  const missing = missingCopy(plan, effectiveCatalogue(plan, shipped))
  if (!missing) return { ...asItIs, isUnmet: true }
  const { plan: copied, ...copy } = missing
  return { plan: copied, copy, isUnmet: false }
}
