import type { Catalogue } from '../catalogue/catalogue'
import { driveClassOf } from '../drives/driveTraits'
import type { Plan } from '../plan/planSchema'

/** What stands in for the price of a job (a cable, a setting) that nobody can tell beforehand. */
export const unknownPrice = 30

/** Planning values by which unlike costs are compared. */
export interface PlanningPrices {
  readonly perTB: number
  readonly costOf: (change: { readonly price: number | null; readonly extraTB: number }) => number
}

/** Prices of a plan: a terabyte costs what one of its kind of drives does. */
export function planningPrices(
  { drives }: Pick<Plan, 'drives'>,
  catalogue: Pick<Catalogue, 'driveClasses'>,
): PlanningPrices {
  const perTB = driveClassOf(drives, catalogue)?.pricePerTB ?? 0
  return {
    perTB,
    costOf: ({ price, extraTB }) => (price ?? (extraTB > 0 ? 0 : unknownPrice)) + perTB * extraTB,
  }
}
