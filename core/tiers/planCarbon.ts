import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import type { Estimate } from '../figure'
import type { Plan } from '../plan/planSchema'
import { carbonAfter, gridCarbon } from '../ownership/carbon'
import { madeFor } from '../ownership/madeFor'
import { averageW } from '../machine/machinePower'

/** Carbon of a plan: what is made for it, its watts, and what a kilowatt-hour takes. */
export interface PlanCarbon {
  readonly made: Readonly<Record<string, Estimate>>
  readonly averageW: number
  readonly kgPerKWh: Estimate
  /** after each year, from 0 to the horizon */
  readonly byYear: readonly Estimate[]
}

/** Carbon of a plan, year by year to its horizon. */
export function planCarbon(plan: Plan, catalogue: Catalogue): PlanCarbon {
  const { machine, day } = planAssessor(1).facts(plan, catalogue, ['machine', 'day'])
  const mean = averageW(machine.watts, day.hours)
  const kgPerKWh = gridCarbon(plan.costs)
  const made = madeFor(plan, machine.build, catalogue)
  return {
    made,
    averageW: mean,
    kgPerKWh,
    byYear: Array.from({ length: plan.choices.horizonYears + 1 }, (_, year) =>
      carbonAfter({ made, averageW: mean, kgPerKWh }, year),
    ),
  }
}
