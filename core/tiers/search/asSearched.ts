import { planAssessor } from '../../assess'
import type { Catalogue } from '../../catalogue/catalogue'
import { missingCopy, type MissingCopy } from '../../ownership/missingCopy'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'
import { withVents } from './vents'

/**
 * A plan as it is searched for: with the copy away that it lacks, where one is asked for, and with
 * the vents that may be made.
 */
export interface AsSearched {
  readonly plan: Plan
  /** what is bought for it; null where nothing is */
  readonly copy: Omit<MissingCopy, 'plan'> | null
  /** the same without vents that are still to be made: staying with what is there */
  readonly staying: Plan
  /** one is asked for and missing, and nothing is sold that would hold it */
  readonly isUnmet: boolean
}

/**
 * The need has a copy away of what cannot be replaced: where the plan has none, the cheapest comes
 * with every build, and its price is in every sum.
 */
export function asSearched(plan: Plan, shipped: Catalogue): AsSearched {
  const asItIs = { plan: withVents(plan), copy: null, staying: plan, isUnmet: false }
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
  return { ...asItIs, plan: withVents(copied), staying: copied, copy }
}
