import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { fitFixes, type FitFix } from '../machine/fit/fitFixes'
import { fitSlice } from '../machine/fitting'
import { effectiveCatalogue } from '../calibration/effectiveCatalogue'
import type { Plan } from '../plan/planSchema'

/** Fixes of each of these rules for a plan, the cheapest first. */
export function planFitFixes(
  plan: Plan,
  rules: readonly string[],
  shipped: Catalogue,
): Record<string, FitFix[]> {
  const catalogue = effectiveCatalogue(plan, shipped)
  const assessor = planAssessor(1)
  const sliceOf = (machine: Plan['machine']) => {
    const changed = { ...plan, machine }
    return fitSlice(
      changed,
      assessor.facts(changed, shipped, ['machine', 'drives', 'day', 'streams']),
    )
  }
  const slice = sliceOf(plan.machine)
  return Object.fromEntries(
    rules.map(rule => [
      rule,
      fitFixes(slice, rule, { machine: plan.machine, lists: catalogue, sliceOf }),
    ]),
  )
}
