import type { SystemKind } from '../catalogue/systemKinds'
import { costOverYears, type CashQuestion } from '../ownership/cashFlow'
import { licenceOnce } from '../machine/system/licence'
import type { Plan } from '../plan/planSchema'

type System = Pick<SystemKind, 'licence' | 'upkeepHoursPerYear'> | null

/**
 * What a kind of system costs over the years, whatever drives are plugged in: its yearly licence,
 * and the hours that it takes where nobody entered them.
 * @param years a question of no payment, with the plan's months
 */
export function systemYears(
  system: System,
  { costs }: Pick<Plan, 'costs'>,
  years: CashQuestion,
): number {
  return costOverYears({
    ...years,
    licencePerYear: system?.licence.perYear ?? 0,
    upkeepHoursPerYear: costs.upkeepHoursPerYear === null ? (system?.upkeepHoursPerYear ?? 0) : 0,
    hourValue: costs.hourValue,
  })
}

/** The least that it costs over the years: with its licence for no drives. */
export const leastSystemYears = (
  system: System,
  plan: Pick<Plan, 'costs'>,
  years: CashQuestion,
): number => systemYears(system, plan, years) + licenceOnce(system, 0)
