import { backupPlan, mediumYears } from '../drives/backup/backupPlan'
import type { Qualities } from '../library/holdingSizes'
import type { Plan } from '../plan/planSchema'
import { monthsPerYear } from '../units/time'
import type { CashQuestion } from './cashFlow'

/** What copies cost, in the plan's currency: now, each time media are used up, and a month. */
export type CopiesCost = Pick<
  CashQuestion,
  'copiesNow' | 'copiesOnce' | 'copiesEveryMonths' | 'copiesPerMonth'
>

/** Between two machines in the house, MB/s; prices do not follow from it. */
const anyLinkMBps = 110

/** What the copies that a plan keeps cost. */
export function copiesCost(
  plan: Pick<Plan, 'costs' | 'library' | 'drives' | 'network' | 'calibration'>,
  qualities: Qualities,
): CopiesCost {
  const { places } = backupPlan({ plan, qualities, linkMBps: anyLinkMBps })
  type Price = (typeof places)[number]['pricePerYear']
  const copies = (of: (price: Price) => number, at = places) =>
    at.reduce((sum, { pricePerYear }) => sum + of(pricePerYear), 0)
  // What is there already, or stands among the extras, is bought again when it is used up.
  const bought = places.filter(({ id }) => id !== 'awayCopy' || !plan.drives.awayMediaThere)
  return {
    copiesNow: copies(({ media }) => media, bought) * mediumYears,
    copiesOnce: copies(({ media }) => media) * mediumYears,
    copiesEveryMonths: mediumYears * monthsPerYear,
    copiesPerMonth: copies(({ store, electricity }) => store + electricity) / monthsPerYear,
  }
}

/** The same to the horizon, not rounded: media in advance, the rest month by month. */
export function copiesOverYears(plan: Plan, qualities: Qualities): number {
  const { copiesNow, copiesOnce, copiesEveryMonths, copiesPerMonth } = copiesCost(plan, qualities)
  const months = plan.choices.horizonYears * monthsPerYear
  const boughtAgain = Math.ceil(months / copiesEveryMonths) - 1
  return copiesNow + boughtAgain * copiesOnce + months * copiesPerMonth
}
