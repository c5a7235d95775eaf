import { planAssessor } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { fallsShort } from '~~/core/tiers/fallsShort'
import { planCarbon } from '~~/core/tiers/planCarbon'
import { planGrowth, type PlanGrowthParts } from '~~/core/drives/growth/planGrowth'
import { simulatePlanLoss, type PlanSimulation } from '~~/core/drives/simulateLoss'
import { readOwnPartsCsv } from '~~/core/machine/parts/ownPartsCsv'
import { readPartsCsv } from '~~/core/machine/parts/partsCsv'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import type { Plan } from '~~/core/plan/planSchema'
import { capacityCurve } from '~~/core/tiers/capacityCurve'
import { appliancePremium, lookAtBuild, unitPrices } from '~~/core/tiers/buildWorth'
import { compareProcessors } from '~~/core/tiers/compareProcessors'
import { compareWays } from '~~/core/tiers/compareWays'
import { conversionFixes } from '~~/core/tiers/conversionFixes'
import { fixesOf } from '~~/core/tiers/rankFixes'
import { planFitFixes } from '~~/core/tiers/planFitFixes'
import { handBuilds } from '~~/core/tiers/search/handBuilds'
import { understoodFile } from '~~/core/logbook/reports/understoodFile'
import { createPageAssessor } from './pageAssessor'
import { createRehearsalWork } from './rehearsalWork'

/** All that the core is asked for by the pages, on the page or off it. */
export function createCoreWork() {
  const { assess, formatFor } = createPageAssessor()
  return {
    assess,
    compareWays: (plan: Plan, locale: string) =>
      compareWays(plan, catalogue, formatFor(plan, locale)),
    playbackFixes: (plan: Plan) => fixesOf(plan, catalogue),
    processors: (plan: Plan) => compareProcessors(plan, catalogue),
    conversionFixes: (plan: Plan) => conversionFixes(plan, catalogue),
    simulateLoss: (plan: Plan, question: Omit<PlanSimulation, 'catalogue'>) =>
      simulatePlanLoss(plan, { catalogue, ...question }),
    planGrowth: (plan: Plan, parts: PlanGrowthParts) => planGrowth(plan, parts, catalogue),
    fitFixes: (plan: Plan, rules: readonly string[]) => planFitFixes(plan, rules, catalogue),
    handBuilds: (plan: Plan) => handBuilds(plan, catalogue),
    readPartsCsv: (plan: Plan, text: string) =>
      readPartsCsv(text, effectiveCatalogue(plan, catalogue), plan.brief.currency),
    readOwnPartsCsv: (plan: Plan, text: string) =>
      readOwnPartsCsv(text, {
        currency: plan.brief.currency,
        taken: new Set(plan.machine.ownParts.map(({ id }) => id)),
      }),
    assessAll: (plans: readonly Plan[], locale: string) =>
      plans.map(plan => {
        const { figures, verdicts } = assess(plan, locale)
        return { figures, verdicts }
      }),
    flows: (plans: readonly Plan[]) =>
      plans.map(plan => planAssessor(1).facts(plan, catalogue, ['years']).years),
    shortOf: (plans: readonly Plan[]) => plans.map(plan => fallsShort(plan, catalogue)),
    carbonOf: (plans: readonly Plan[]) => plans.map(plan => planCarbon(plan, catalogue)),
    worth: (plan: Plan, other: Plan | null, locale: string) => ({
      look: lookAtBuild(assess(plan, locale)),
      prices: unitPrices(plan, catalogue),
      premium: other && appliancePremium(plan, other, catalogue),
    }),
    capacityCurve: (plan: Plan) => capacityCurve(plan, catalogue),
    understoodFile,
    ...createRehearsalWork(),
  }
}

export type CoreWork = ReturnType<typeof createCoreWork>
