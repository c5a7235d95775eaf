import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { fitFixes, type FitFix } from '../machine/fit/fitFixes'
import { fitSlice } from '../machine/fitting'
import { effectiveCatalogue } from '../plan/effectiveCatalogue'
import type { Plan } from '../plan/planSchema'

/** Fixes of each of these rules for a plan, the cheapest first. */
export function planFitFixes(
  plan: Plan,
  rules: readonly string[],
  shipped: Catalogue,
): Record<string, FitFix[]> {
  const catalogue = effectiveCatalogue(plan, shipped)
  const slice = fitSlice(
    plan,
    planAssessor(1).facts(plan, shipped, ['machine', 'drives', 'streams']),
  )
  return Object.fromEntries(
    rules.map(rule => [rule, fitFixes(slice, rule, { machine: plan.machine, lists: catalogue })]),
  )
}
