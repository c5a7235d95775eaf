import type { Estimate } from '../../figure'
import type { Qualities } from '../../library/holdingSizes'
import type { DriveCatalogue } from '../../drives/driveTraits'
import type { SystemKind } from '../../catalogue/systemKinds'
import { licenceOnce } from '../../machine/system/licence'
import type { Plan } from '../../plan/planSchema'
import { monthsPerYear } from '../../units/time'
import type { CashFlow, CashQuestion } from '../cashFlow'
import { copiesCost } from '../copiesOverYears'
import { failingLots, stagedDrives } from '../failingDrives'
import { averagePricePerKWh } from '../../plan/energyPrice'

/** What of a plan its years in money follow from. */
export interface YearsSlice {
  readonly plan: Pick<Plan, 'costs' | 'library' | 'drives' | 'network' | 'system' | 'calibration'>
  readonly catalogue: DriveCatalogue & Qualities
  /** one is in the list of parts */
  readonly hasUps: boolean
  readonly horizonYears: number
  readonly system: Pick<SystemKind, 'licence' | 'upkeepHoursPerYear'> | null
  /** own hours to build, where the plan says none */
  readonly hoursToBuild: number
  /** drives that a licence by their number counts */
  readonly pluggedIn: number
  /** paid now for the machine and the drives, extras apart */
  readonly machineToPay: number
  readonly drivesToPay: number
  readonly averageW: number
  /** kg CO₂e of what is made for the plan */
  readonly made: Readonly<Record<string, Estimate>>
  /** the library, month by month from today on */
  readonly keptTB: readonly Estimate[]
}

/** The years in money. */
export interface YearsFacts {
  readonly question: CashQuestion
  readonly flow: CashFlow
  /** kg CO₂e to the horizon: what was made, and the electricity since */
  readonly carbonKg: Estimate
  /** first month in which a cloud store has cost as much; null where it never does */
  readonly cloudCrossesMonth: number | null
}

/** The question that the years of a plan are; money not rounded. */
export function yearsQuestion({
  plan,
  catalogue,
  hasUps,
  horizonYears,
  system,
  hoursToBuild,
  pluggedIn,
  machineToPay,
  drivesToPay,
  averageW,
}: Omit<YearsSlice, 'made' | 'keptTB'>): CashQuestion {
  const { costs, drives } = plan
  const staged = stagedDrives(plan, catalogue)
  return {
    months: horizonYears * monthsPerYear,
    purchase: machineToPay + drivesToPay + costs.extras,
    staged: staged.map(({ month, sum }) => ({ month, price: sum })),
    averageW,
    pricePerKWh: averagePricePerKWh(costs),
    electricityRisePerYear: costs.electricityRisePerYear,
    drives: [...failingLots(plan, catalogue), ...staged],
    driveFallPerYear: drives.priceFallPerYear,
    licenceOnce: costs.licenceOnce + licenceOnce(system, pluggedIn),
    licencePerYear:
      costs.licencePerYear +
      (system?.licence.perYear ?? 0) +
      plan.system.services.reduce((sum, { pricePerYear }) => sum + pricePerYear, 0),
    ...copiesCost(plan, catalogue),
    upsBatteryPrice: hasUps ? costs.upsBatteryPrice : null,
    buildHours: costs.buildHours ?? hoursToBuild,
    upkeepHoursPerYear: costs.upkeepHoursPerYear ?? system?.upkeepHoursPerYear ?? 0,
    hourValue: costs.hourValue,
    savedPerMonth: costs.savedPerMonth,
    resale: costs.resaleShare * (machineToPay + drivesToPay),
    discountRate: costs.discountRate,
  }
}
