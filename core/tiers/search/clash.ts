import type { Catalogue } from '../../catalogue/catalogue'
import type { Plan } from '../../plan/planSchema'
import { createBuildSearch, finishSearch } from './buildSearch'
import { needIds, type NeedId } from '../../headrooms'
import type { Objective } from './buildQuestion'
import { wayBuild, type WayBuild } from './wayBuild'

/** What is asked of a build: a part of the need, or the most to pay. Rules of fit never count. */
export type Limit = Exclude<NeedId, 'fit'> | 'budget'

export interface Clash {
  /** the fewest limits that cannot be met together; of equals the first by name */
  readonly limits: readonly Limit[]
  /**
   * the cheapest way out: the build that is there once a limit is given up; null where giving up
   * one does not do
   */
  readonly relaxed: { readonly limit: Limit; readonly build: WayBuild } | null
}

const limitsOf = (budget: number | null): Limit[] =>
  [
    ...needIds.filter((id): id is Exclude<NeedId, 'fit'> => id !== 'fit'),
    ...(budget === null ? [] : ['budget' as const]),
  ].sort()

function* subsets<Entry>(list: readonly Entry[], size: number, from = 0): Generator<Entry[]> {
  if (size === 0) yield []
  else
    for (let at = from; at <= list.length - size; at++)
      for (const rest of subsets(list, size - 1, at + 1)) yield [list[at]!, ...rest]
}

/** What cannot be had together, for a plan for which no build is found; null where one is. */
export function clashOf(plan: Plan, catalogue: Catalogue): Clash | null {
  const builds = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, catalogue)
  const { budget } = plan.brief
  const limits = limitsOf(budget)
  /** Whatever is made cheapest, it is there or not; over the years it is found sooner. */
  const with_ = (kept: readonly Limit[], objective: Objective = 'horizon') =>
    finishSearch(
      builds.search({
        objective,
        ways: null,
        cap: kept.includes('budget') ? budget : null,
        without: needIds.filter(id => id !== 'fit' && !kept.includes(id)),
      }),
    ).best
  if (with_(limits)) return null
  let fewest: readonly Limit[] = limits
  search: for (let size = 1; size < limits.length; size++)
    for (const some of subsets(limits, size)) {
      if (with_(some) === null) {
        fewest = some
        break search
      }
    }
  let relaxed: Clash['relaxed'] = null
  for (const limit of fewest) {
    const best = with_(
      limits.filter(other => other !== limit),
      'now',
    )
    if (best && (relaxed === null || best.found.evaluation.toPay < relaxed.build.toPay))
      relaxed = { limit, build: wayBuild(best.found) }
  }
  return { limits: fewest, relaxed }
}
