import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { needIds, type NeedId } from '../headrooms'
import { effectiveCatalogue } from '../calibration/effectiveCatalogue'
import type { Plan } from '../plan/planSchema'
import { meetsNeed, stateOfBuild } from '../verdict'
import { judgeConditions, type JudgedCondition } from './conditions/conditions'

/** What of its need a plan does not meet: its budget apart, and what is not known yet. */
export interface FallsShort {
  readonly lacks: readonly NeedId[]
  readonly conditions: readonly JudgedCondition[]
}

/** What a plan lacks of its own need, its conditions with it. */
export function fallsShort(plan: Plan, shipped: Catalogue): FallsShort {
  const { verdicts, domains } = planAssessor(1).assess(plan, shipped)
  const fails = needIds.filter(id => {
    const verdict = verdicts.find(other => other.id === id)
    const state = verdict ? stateOfBuild(verdict) : 'unknown'
    return state !== 'unknown' && !meetsNeed(state)
  })
  const catalogue = effectiveCatalogue(plan, shipped)
  return {
    lacks: fails,
    conditions: judgeConditions({ plan, catalogue, facts: domains }).filter(
      ({ state }) => state === 'fails',
    ),
  }
}

/** Whether nothing is lacking. */
export const meetsItsNeed = ({ lacks, conditions }: FallsShort): boolean =>
  lacks.length === 0 && conditions.length === 0
