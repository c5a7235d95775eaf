import type { Catalogue } from '../../catalogue/catalogue'
import type { Plan } from '../../plan/planSchema'
import { createBuildSearch, finishSearch } from '../search/buildSearch'
import type { Objective } from '../search/buildQuestion'
import { conditions } from './conditions'
import type { ConditionId } from './conditionIds'

/** What a condition costs; null where nothing meets the need with it, or nothing without it. */
export interface ConditionPrice {
  readonly id: ConditionId
  readonly price: number | null
  /** the need is met only once it is switched off */
  readonly blocks: boolean
}

export interface ConditionPrices {
  readonly prices: readonly ConditionPrice[]
  /** what all that are switched on cost together; null where it cannot be said */
  readonly together: number | null
  readonly done: number
  readonly of: number
}

const cent = 0.01

/** Whether two plans are the same but for conditions that are judged by what a build is. */
function isSameBut(one: Plan, other: Plan): boolean {
  return (
    one.conditions.copyAway === other.conditions.copyAway &&
    (Object.keys(one) as (keyof Plan)[]).every(
      key => key === 'conditions' || one[key] === other[key],
    )
  )
}

/**
 * The price of each condition that is on: the cost of the best build with it less that of the best
 * without it, one search for each. Prices do not add: two may bind each other, so what all of them
 * cost together is asked as well.
 */
export function* conditionPrices(
  plan: Plan,
  catalogue: Catalogue,
  objective: Objective,
): Generator<ConditionPrices, ConditionPrices> {
  const unlimited = { ...plan, brief: { ...plan.brief, budget: null } }
  const builds = createBuildSearch(unlimited, catalogue)
  const costOf = (asked: Plan, costsAtMost?: number): number | null => {
    const question = {
      objective,
      ways: null,
      cap: plan.brief.budget,
      ...(costsAtMost !== undefined ? { costsAtMost } : {}),
    }
    // Machines and drives are worked out once for all conditions that judge nothing else.
    const steps = isSameBut(asked, plan)
      ? builds.searchWith(asked.conditions, question)
      : createBuildSearch({ ...asked, brief: unlimited.brief }, catalogue).search(question)
    return finishSearch(steps).best?.cost ?? null
  }
  const on = conditions.filter(({ isOn, switched }) => switched && isOn(plan, catalogue))
  const prices: ConditionPrice[] = []
  let together: number | null = null
  const told = (): ConditionPrices => ({
    prices: [...prices],
    together,
    done: prices.length,
    of: on.length,
  })
  const whole = costOf(plan)
  // With less asked for the best costs no more: only what is cheaper by a cent is looked for.
  const freely = (asked: Plan): number | null =>
    whole === null ? costOf(asked) : (costOf(asked, whole - cent) ?? whole)
  yield told()
  for (const { id, switched } of on) {
    const off = switched!(plan, false)
    // Nothing but a copy keeps within the limit on loss: without the one it is asked without both.
    const without =
      id === 'copyAway'
        ? (costOf(off) ?? freely({ ...off, conditions: { ...off.conditions, limitsLoss: false } }))
        : freely(off)
    prices.push({
      id,
      price: whole === null || without === null ? null : Math.max(0, whole - without),
      blocks: whole === null && without !== null,
    })
    yield told()
  }
  const none = freely(on.reduce((free, { switched }) => switched!(free, false), plan))
  together = whole === null || none === null ? null : Math.max(0, whole - none)
  return told()
}
