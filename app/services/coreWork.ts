import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import type { Plan } from '~~/core/plan/planSchema'
import { remediesOf } from '~~/core/playback/remedies/rankRemedies'
import { capacityCurve } from '~~/core/tiers/capacityCurve'
import { compareProcessors } from '~~/core/tiers/compareProcessors'
import { compareWays } from '~~/core/tiers/compareWays'
import { conversionCures } from '~~/core/tiers/conversionCures'

/** What the core is asked for off the page; the same functions serve on the page where there is no worker. */
export const coreWork = {
  assess: (plan: Plan) => assess(plan, catalogue),
  compareWays: (plan: Plan) => compareWays(plan, catalogue),
  remedies: (plan: Plan) => remediesOf(plan, catalogue),
  processors: (plan: Plan) => compareProcessors(plan, catalogue),
  cures: (plan: Plan) => conversionCures(plan, catalogue),
  capacityCurve: (plan: Plan) => capacityCurve(plan, catalogue),
}
export type CoreWork = typeof coreWork
