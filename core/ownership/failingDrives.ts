import { priceOfLot } from '../drives/drivePrices'
import type { DriveCatalogue } from '../drives/driveTraits'
import { causesOf, traitsOf } from '../drives/poolOf'
import { driveClassOf, driveTraits } from '../drives/driveTraits'
import { failureRatePerHour } from '../drives/failureRate'
import { howSold } from '../drives/howSold'
import { priceIn } from '../drives/growth/purchases'
import { usualPrice } from '../drives/usualPrice'
import { refurbishedWarrantyMonths } from '../plan/constants'
import type { DriveLot } from '../plan/drives'
import type { Plan } from '../plan/planSchema'
import { wholeCents } from '../units/wholeCents'
import type { FailingDrives } from './cashFlow'

/**
 * Months in which a drive of a lot that fails is replaced for nothing: as entered for the lot, else
 * by how it is sold; none of what is there already. Handbook 08.
 */
export function warrantyOf(
  lot: Pick<DriveLot, 'condition' | 'warrantyMonths' | 'model'>,
  { drives, costs }: { readonly drives: Pick<Plan['drives'], 'driveClass'> } & Pick<Plan, 'costs'>,
  catalogue: Pick<DriveCatalogue, 'driveModels'>,
): number {
  if (lot.warrantyMonths !== null) return lot.warrantyMonths
  if (lot.condition === 'owned') return 0
  return howSold(lot, drives, catalogue) === 'refurbished'
    ? refurbishedWarrantyMonths
    : costs.warrantyMonths
}

/** The drives of a plan as they fail and are replaced, each lot by itself. */
export function failingLots(
  { drives, costs }: Pick<Plan, 'drives' | 'costs'>,
  catalogue: DriveCatalogue,
): FailingDrives[] {
  const causes = causesOf(drives, traitsOf(drives, catalogue))
  return drives.lots.map(lot => ({
    count: lot.count,
    fromMonth: 0,
    price: priceOfLot(lot, drives, catalogue).each,
    failuresPerHour:
      failureRatePerHour(driveTraits(lot, drives, catalogue).failuresPerYear) * causes,
    ageYears: drives.ageYears,
    warrantyMonths: warrantyOf(lot, { drives, costs }, catalogue),
  }))
}

/**
 * Drives that are bought later: what they cost when they are bought, by the same path of prices,
 * and how they fail from then on. They are new then.
 */
export function stagedDrives(
  { drives, costs }: Pick<Plan, 'drives' | 'costs'>,
  catalogue: DriveCatalogue,
): (FailingDrives & { readonly month: number; readonly sum: number })[] {
  const driveClass = driveClassOf(drives, catalogue)
  const causes = causesOf(drives, traitsOf(drives, catalogue))
  return drives.purchases.map(({ month, count, sizeTB }) => {
    const today = wholeCents(usualPrice(sizeTB, driveClass, catalogue.driveModels))
    return {
      month,
      count,
      fromMonth: month,
      price: today,
      failuresPerHour:
        failureRatePerHour(drives.failuresPerYear ?? driveClass?.failuresPerYear ?? 0) * causes,
      ageYears: drives.ageYears === null ? null : 0,
      warrantyMonths: costs.warrantyMonths,
      sum: count * priceIn(today, month, drives.priceFallPerYear),
    }
  })
}
