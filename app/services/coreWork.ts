import { planAssessor } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import type { Plan } from '~~/core/plan/planSchema'
import { capacityCurve } from '~~/core/tiers/capacityCurve'
import { compareProcessors } from '~~/core/tiers/compareProcessors'
import { compareWays } from '~~/core/tiers/compareWays'
import { conversionCures } from '~~/core/tiers/conversionCures'
import { remediesOf } from '~~/core/tiers/rankRemedies'
import { formatOf, type Format } from '~~/core/units/format'

/** What the core is asked for, on the page or off it, with the memory of one who works at one plan. */
export function createCoreWork() {
  const assessor = planAssessor()
  const formats = new Map<string, Format>()
  // The same value each time: what was told in one format is told again only in another.
  function formatFor({ brief: { currency } }: Plan, locale: string): Format {
    const key = `${locale} ${currency}`
    const format = formats.get(key) ?? formatOf({ locale, currency })
    formats.set(key, format)
    return format
  }
  return {
    assess: (plan: Plan, locale: string) => assessor.assess(plan, catalogue, formatFor(plan, locale)),
    compareWays: (plan: Plan, locale: string) => compareWays(plan, catalogue, formatFor(plan, locale)),
    remedies: (plan: Plan) => remediesOf(plan, catalogue),
    processors: (plan: Plan) => compareProcessors(plan, catalogue),
    cures: (plan: Plan) => conversionCures(plan, catalogue),
    capacityCurve: (plan: Plan) => capacityCurve(plan, catalogue),
  }
}
export type CoreWork = ReturnType<typeof createCoreWork>
