import { planAssessor } from '../../assess'
import type { Catalogue } from '../../catalogue/catalogue'
import { warmDriveC } from '../../machine/place/heat'
import { mayVent } from '../../machine/place/standsIn'
import type { Plan } from '../../plan/planSchema'

/** The plan with vents in its cupboard, where its brief says that they may be made. */
export function withVents(plan: Plan): Plan {
  return plan.brief.ventsMayBeMade && mayVent(plan.brief)
    ? { ...plan, brief: { ...plan.brief, cupboardVented: true } }
    : plan
}

/**
 * A found plan without the vents that were made for it, where nothing gets worse by that: its
 * drives stay at 45 °C at most, and every rule of fit says what it said.
 * @param before the brief that was searched with
 */
export function withoutNeedlessVents(found: Plan, before: Plan['brief'], shipped: Catalogue): Plan {
  if (before.cupboardVented || !found.brief.cupboardVented) return found
  const closed = { ...found, brief: { ...found.brief, cupboardVented: false } }
  const fitting = (plan: Plan) => planAssessor(1).facts(plan, shipped, ['fitting']).fitting
  const [withThem, without] = [fitting(found), fitting(closed)]
  const isWarm = without.context.heat.warmestC > warmDriveC
  const isSame =
    withThem.judged.length === without.judged.length &&
    withThem.judged.every(({ state }, at) => state === without.judged[at]!.state)
  return !isWarm && isSame ? closed : found
}
