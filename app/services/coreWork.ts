import { catalogue } from '~~/core/catalogue/catalogue'
import { planGrowth, type PlanGrowthParts } from '~~/core/drives/growth/planGrowth'
import { simulatePlanLoss, type PlanSimulation } from '~~/core/drives/simulateLoss'
import type { Plan } from '~~/core/plan/planSchema'
import { cheapestBuilds } from '~~/core/tiers/cheapestBuilds'
import { capacityCurve } from '~~/core/tiers/capacityCurve'
import { compareProcessors } from '~~/core/tiers/compareProcessors'
import { compareWays } from '~~/core/tiers/compareWays'
import { conversionCures } from '~~/core/tiers/conversionCures'
import { remediesOf } from '~~/core/tiers/rankRemedies'
import { createPageAssessor } from './pageAssessor'

/** All that the core is asked for by the pages, on the page or off it. */
export function createCoreWork() {
  const { assess, formatFor } = createPageAssessor()
  return {
    assess,
    compareWays: (plan: Plan, locale: string) => compareWays(plan, catalogue, formatFor(plan, locale)),
    cheapestBuilds: (plan: Plan, most: number) => cheapestBuilds(plan, catalogue, most),
    remedies: (plan: Plan) => remediesOf(plan, catalogue),
    processors: (plan: Plan) => compareProcessors(plan, catalogue),
    cures: (plan: Plan) => conversionCures(plan, catalogue),
    simulateLoss: (plan: Plan, question: Omit<PlanSimulation, 'catalogue'>) => simulatePlanLoss(plan, { catalogue, ...question }),
    planGrowth: (plan: Plan, parts: PlanGrowthParts) => planGrowth(plan, parts, catalogue),
    capacityCurve: (plan: Plan) => capacityCurve(plan, catalogue),
  }
}
export type CoreWork = ReturnType<typeof createCoreWork>
