import { ageFactor } from '../drives/failureRate'
import { priceIn } from '../drives/growth/purchases'
import { hoursPerYear, kWhPerWattYear, monthsPerYear } from '../units/time'

/** What money goes to, or comes from. */
export const cashKinds = [
  'purchase',
  'stagedDrives',
  'electricity',
  'replacements',
  'licences',
  'copies',
  'upsBattery',
  'ownTime',
  'saved',
  'resale',
] as const
export type CashKind = (typeof cashKinds)[number]

const hoursPerMonth = hoursPerYear / monthsPerYear
/** kWh that one watt uses in a month. */
export const kWhPerWattMonth = kWhPerWattYear / monthsPerYear
/** The battery of a UPS is exchanged every so many months. */
export const upsBatteryMonths = 48

/** Drives that may fail and are then replaced. */
export interface FailingDrives {
  readonly count: number
  /** failures of one an hour, heat and vibration counted */
  readonly failuresPerHour: number
  /** whole years in use when they come; null where every year counts alike */
  readonly ageYears: number | null
  /** of one today */
  readonly price: number
  /** month they are bought */
  readonly fromMonth: number
  /** months from then on in which one that fails costs nothing */
  readonly warrantyMonths: number
}

/** What the years of a plan cost follows from; money in the plan's currency, not rounded. */
export interface CashQuestion {
  readonly months: number
  /** paid now: machine, drives, extras */
  readonly purchase: number
  readonly staged: readonly { readonly month: number; readonly price: number }[]
  /** watts at the wall, on average over day and night */
  readonly averageW: number
  readonly pricePerKWh: number
  readonly electricityRisePerYear: number
  readonly drives: readonly FailingDrives[]
  readonly driveFallPerYear: number
  readonly licenceOnce: number
  readonly licencePerYear: number
  /** media for copies now, each time they are used up, and what a store charges a month */
  readonly copiesNow: number
  readonly copiesOnce: number
  readonly copiesEveryMonths: number
  readonly copiesPerMonth: number
  /** null without a UPS */
  readonly upsBatteryPrice: number | null
  readonly buildHours: number
  readonly upkeepHoursPerYear: number
  readonly hourValue: number
  readonly savedPerMonth: number
  /** of what was paid for machine and drives, at the end */
  readonly resale: number
  readonly discountRate: number
}

/** One payment of one kind in one month, to the cent; below nothing where money comes in. */
export interface CashLine {
  readonly month: number
  readonly kind: CashKind
  readonly amount: number
}

export interface CashFlow {
  readonly lines: readonly CashLine[]
  readonly total: number
  readonly byKind: Readonly<Record<CashKind, number>>
  /** sum to the end of each month, from month 0 on */
  readonly cumulative: readonly number[]
  readonly perMonth: number
  readonly netPresentValue: number
}

/** Whole cents, halves away from zero. */
export function toCents(amount: number): number {
  const size = Math.floor(Math.abs(amount) * 100 + 0.5 + 1e-9)
  return amount < 0 ? 0 - size : size
}

/** Yearly changes count from months 13, 25 and so on. */
const yearsOf = (month: number) => Math.max(0, Math.floor((month - 1) / monthsPerYear))

/**
 * Expected cost of replacing drives in a month at their price then; none before their warranty
 * ends. A lot's age runs on: what replaces its drives is not followed.
 */
function replacementsIn(
  month: number,
  { drives, driveFallPerYear }: Pick<CashQuestion, 'drives' | 'driveFallPerYear'>,
): number {
  return drives.reduce((sum, lot) => {
    const own = month - lot.fromMonth
    if (own <= lot.warrantyMonths) return sum
    const age = lot.ageYears === null ? 1 : ageFactor(lot.ageYears + yearsOf(own))
    const failures = lot.count * lot.failuresPerHour * age * hoursPerMonth
    return sum + failures * priceIn(lot.price, month, driveFallPerYear)
  }, 0)
}

/** Expected cost of replacing drives over all months, not rounded. */
export function replacementsOf(
  question: Pick<CashQuestion, 'months' | 'drives' | 'driveFallPerYear'>,
): number {
  let sum = 0
  for (let month = 1; month <= question.months; month++) sum += replacementsIn(month, question)
  return sum
}

/**
 * Every payment by month, not rounded, in the order of the months: the purchase at month 0; yearly
 * payments in advance at 0, 12 and so on;
 * monthly ones from 1 to the end; in the last month nothing but monthly ones and what the sale
 * brings.
 */
export function* payments(
  question: CashQuestion,
): Generator<{ readonly month: number; readonly kind: CashKind; readonly amount: number }> {
  const {
    months,
    purchase,
    staged,
    averageW,
    pricePerKWh,
    electricityRisePerYear,
    licenceOnce,
    licencePerYear,
    copiesNow,
    copiesOnce,
    copiesEveryMonths,
    copiesPerMonth,
    upsBatteryPrice,
    buildHours,
    upkeepHoursPerYear,
    hourValue,
    savedPerMonth,
    resale,
  } = question
  for (let month = 0; month <= months; month++) {
    const isInAdvance = month < months
    if (month === 0) {
      yield { month, kind: 'purchase', amount: purchase }
      yield { month, kind: 'licences', amount: licenceOnce }
      yield { month, kind: 'ownTime', amount: buildHours * hourValue }
    }
    for (const step of staged)
      if (step.month === month && isInAdvance)
        yield { month, kind: 'stagedDrives', amount: step.price }
    if (isInAdvance && month % monthsPerYear === 0)
      yield { month, kind: 'licences', amount: licencePerYear }
    if (isInAdvance && month % copiesEveryMonths === 0)
      yield { month, kind: 'copies', amount: month === 0 ? copiesNow : copiesOnce }
    if (upsBatteryPrice !== null && isInAdvance && month > 0 && month % upsBatteryMonths === 0)
      yield { month, kind: 'upsBattery', amount: upsBatteryPrice }
    if (month > 0) {
      yield {
        month,
        kind: 'electricity',
        amount:
          averageW * kWhPerWattMonth * pricePerKWh * (1 + electricityRisePerYear) ** yearsOf(month),
      }
      yield { month, kind: 'replacements', amount: replacementsIn(month, question) }
      yield { month, kind: 'copies', amount: copiesPerMonth }
      yield { month, kind: 'ownTime', amount: (upkeepHoursPerYear / monthsPerYear) * hourValue }
      yield { month, kind: 'saved', amount: -savedPerMonth }
    }
    if (month === months) yield { month, kind: 'resale', amount: -resale }
  }
}

/**
 * The years of a plan in money: every line to the cent, totals as the sum of the lines, the net
 * present value of the lines rounded once.
 * @param question months >= 1; money >= 0
 * @example cashFlow of 30 W at 0.3 for 12 months // electricity 12 × 6.57 = 78.84
 */
export function cashFlow(question: CashQuestion): CashFlow {
  const lines: CashLine[] = []
  const byKind = Object.fromEntries(cashKinds.map(kind => [kind, 0])) as Record<CashKind, number>
  const byMonth = Array.from({ length: question.months + 1 }, () => 0)
  let present = 0
  for (const { month, kind, amount } of payments(question)) {
    const cents = toCents(amount)
    if (cents === 0) continue
    present += cents * (1 + question.discountRate) ** (-month / monthsPerYear)
    lines.push({ month, kind, amount: cents / 100 })
    byKind[kind] += cents
    byMonth[month]! += cents
  }
  let sum = 0
  const cumulative = byMonth.map(cents => (sum += cents) / 100)
  for (const kind of cashKinds) byKind[kind] /= 100
  return {
    lines,
    byKind,
    cumulative,
    total: sum / 100,
    perMonth: toCents(sum / 100 / question.months) / 100,
    netPresentValue: toCents(present / 100) / 100,
  }
}

/** The same total without rounding: what a search minimises. */
export function costOverYears(question: CashQuestion): number {
  let sum = 0
  for (const { amount } of payments(question)) sum += amount
  return sum
}
