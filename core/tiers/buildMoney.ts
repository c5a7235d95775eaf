import { costOverYears, type CashQuestion } from '../ownership/cashFlow'
import { averagePricePerKWh } from '../plan/energyPrice'
import type { Plan } from '../plan/planSchema'

const nothing: CashQuestion = {
  months: 0,
  purchase: 0,
  staged: [],
  averageW: 0,
  pricePerKWh: 0,
  electricityRisePerYear: 0,
  drives: [],
  driveFallPerYear: 0,
  licenceOnce: 0,
  licencePerYear: 0,
  copiesNow: 0,
  copiesOnce: 0,
  copiesEveryMonths: 1,
  copiesPerMonth: 0,
  upsBatteryPrice: null,
  buildHours: 0,
  upkeepHoursPerYear: 0,
  hourValue: 0,
  savedPerMonth: 0,
  resale: 0,
  discountRate: 0,
}

/** What money over the years comes to for every build of a plan. */
export interface BuildMoney {
  /** a question of no payment yet, with the plan's months and its price of power */
  readonly years: CashQuestion
  /** what one watt at the wall, on average, costs over the years */
  readonly wattCost: number
  /** of the price of machine and drives, what is left after the sale at the end */
  readonly keptShare: number
}

export function buildMoney({ costs, choices: { horizonYears } }: Plan): BuildMoney {
  const years = {
    ...nothing,
    months: horizonYears * 12,
    electricityRisePerYear: costs.electricityRisePerYear,
    pricePerKWh: averagePricePerKWh(costs),
  }
  return {
    years,
    wattCost: costOverYears({ ...years, averageW: 1 }),
    keptShare: 1 - costs.resaleShare,
  }
}
