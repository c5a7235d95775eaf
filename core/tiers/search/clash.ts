import type { Catalogue } from '../../catalogue/catalogue'
import type { Plan } from '../../plan/planSchema'
import type { ConditionId } from '../conditions/conditionIds'
import { conditions } from '../conditions/conditions'
import { createBuildSearch, finishSearch } from './buildSearch'
import { needIds, type NeedId } from '../../headrooms'
import type { FoundBuild, Objective } from './buildQuestion'
import { wayBuild, type WayBuild } from './wayBuild'

/**
 * What is asked of a build: a part of the need, the most to pay, or a condition that can be
 * switched off. Rules of fit never count.
 */
export type Limit = Exclude<NeedId, 'fit'> | 'budget' | ConditionId

export interface Clash {
  /**
   * limits that cannot be met together, none of which could be left out; none where the catalogue
   * holds no build at all
   */
  readonly limits: readonly Limit[]
  /**
   * the cheapest way out: the build that is there once a limit is given up; null where giving up
   * one does not do
   */
  readonly relaxed: { readonly limit: Limit; readonly build: WayBuild } | null
}

type Best = { readonly cost: number; readonly found: FoundBuild } | null
/** The best build that meets these limits, and no other. */
type WithLimits = (kept: readonly Limit[], objective?: Objective) => Best

const needLimits = needIds.filter((id): id is Exclude<NeedId, 'fit'> => id !== 'fit')

/** The fewest limits of a list that cannot be met together; of equals the first by name. */
function fewestOf(limits: readonly Limit[], best: WithLimits): readonly Limit[] {
  for (let size = 0; size < limits.length; size++)
    for (const some of subsets(limits, size)) if (best(some) === null) return some
  return limits
}

function* subsets<Entry>(list: readonly Entry[], size: number, from = 0): Generator<Entry[]> {
  if (size === 0) yield []
  else
    for (let at = from; at <= list.length - size; at++)
      for (const rest of subsets(list, size - 1, at + 1)) yield [list[at]!, ...rest]
}

/**
 * Limits that cannot be met together and of which each is needed for that: one after the other is
 * left out where the rest still cannot be met. Of so many every subset would take minutes.
 */
const withoutIdle = (limits: readonly Limit[], best: WithLimits): readonly Limit[] =>
  limits.reduce<readonly Limit[]>((kept, limit) => {
    const rest = kept.filter(other => other !== limit)
    return best(rest) === null ? rest : kept
  }, limits)

/** What cannot be had together, for a plan for which no build is found; null where one is. */
export function clashOf(plan: Plan, catalogue: Catalogue): Clash | null {
  const { budget } = plan.brief
  const limits: Limit[] = [...needLimits, ...(budget === null ? [] : ['budget' as const])].sort()
  const on = conditions.filter(({ isOn, switched }) => switched && isOn(plan, catalogue))
  const all: Limit[] = [...limits, ...on.map(({ id }) => id)]
  const builds = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, catalogue)
  /** Whatever is made cheapest, it is there or not; over the years it is found sooner. */
  const asked = (kept: readonly Limit[], objective: Objective = 'horizon') => ({
    objective,
    ways: null,
    cap: kept.includes('budget') ? budget : null,
    without: needIds.filter(id => id !== 'fit' && !kept.includes(id)),
  })
  const freely: WithLimits = kept =>
    finishSearch(builds.search({ ...asked(kept), withoutConditions: true })).best
  const searches = new Map([['', builds]])
  const best: WithLimits = (kept, objective) => {
    const off = on.filter(({ id }) => !kept.includes(id))
    const key = off.map(({ id }) => id).join(' ')
    let search = searches.get(key)
    if (!search)
      searches.set(
        key,
        (search = createBuildSearch(
          off.reduce<Plan>((free, { switched }) => switched!(free, false), {
            ...plan,
            brief: { ...plan.brief, budget: null },
          }),
          catalogue,
        )),
      )
    return finishSearch(search.search(asked(kept, objective))).best
  }
  if (best(all)) return null
  const clashing = freely(limits) ? withoutIdle(all, best) : fewestOf(limits, freely)
  let relaxed: Clash['relaxed'] = null
  for (const limit of clashing) {
    const found = best(
      all.filter(other => other !== limit),
      'now',
    )
    if (found && (relaxed === null || found.found.evaluation.toPay < relaxed.build.toPay))
      relaxed = { limit, build: wayBuild(found.found) }
  }
  return { limits: clashing, relaxed }
}
