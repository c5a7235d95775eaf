import { driveClassOf, type DriveCatalogue } from '../drives/driveTraits'
import { usualPrice } from '../drives/usualPrice'
import type { Plan } from '../plan/planSchema'

/** What stands in for the price of a job (a cable, a setting) that nobody can tell beforehand. */
export const unknownPrice = 30

/** Planning values by which unlike costs are compared. */
export interface PlanningPrices {
  readonly costOf: (change: { readonly price: number | null; readonly extraTB: number }) => number
}

/** Prices of a plan: space costs what a drive of that size, of its kind of drives, does. */
export function planningPrices(
  { drives }: Pick<Plan, 'drives'>,
  catalogue: DriveCatalogue,
): PlanningPrices {
  const driveClass = driveClassOf(drives, catalogue)
  return {
    costOf: ({ price, extraTB }) =>
      (price ?? (extraTB > 0 ? 0 : unknownPrice)) +
      (extraTB > 0 ? usualPrice(extraTB, driveClass, catalogue.driveModels) : 0),
  }
}
