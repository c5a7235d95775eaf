import { requireWithin } from '../errors'
import type { Estimate } from '../figure'
import { hoursPerYear } from '../units/time'
import type { Span } from './lossChance'

/**
 * Failure rate of one drive per hour from its annual failure rate: λ = −ln(1 − AFR) / 8766.
 * @param failuresPerYear share of such drives that fail within a year, 0 <= AFR < 1
 * @throws {CoreRangeError} AFR
 */
export function failureRatePerHour(failuresPerYear: number): number {
  requireWithin('AFR', failuresPerYear, { min: 0, max: 0.999 })
  return -Math.log1p(-failuresPerYear) / hoursPerYear
}

/** Real failure rates of one model lie between half and twice the usual figure of its class. */
export const failureRateBand: Estimate = { low: 0.5, likely: 1, high: 2 }
/** No rate is swung beyond this share a year. */
export const maxFailuresPerYear = 0.95

/** What each cause multiplies λ by: heat, and vibration. */
export const causeFactor = 1.5
/**
 * So many spinning drives in one case shake each other, hot spares too, unless they stand on
 * mounts.
 */
export const drivesUntilVibration = 4

/** λ by year of use: the first, the second to fourth, the fifth and sixth, and all after. */
export const ageFactors = { first: 1.3, middle: 1, later: 1.5, old: 2.5 } as const

/**
 * What λ is multiplied by in a year of use.
 * @param year whole years in use when it begins: 0 is the first year
 */
export function ageFactor(year: number): number {
  if (year < 1) return ageFactors.first
  if (year < 4) return ageFactors.middle
  return year < 6 ? ageFactors.later : ageFactors.old
}

export interface FailureConditions {
  /** annual failure rate of one drive of its class, 0..1 */
  readonly failuresPerYear: number
  /** product of the causes' factors, >= 1 */
  readonly causesFactor: number
  /** whole years in use at the start; null where every year counts alike */
  readonly ageYears: number | null
}

/** λ over the coming years: one span a year where age counts, else one for all. */
export function failureSpans(
  { failuresPerYear, causesFactor, ageYears }: FailureConditions,
  years: number,
): Span[] {
  const rate = failureRatePerHour(failuresPerYear) * causesFactor
  if (ageYears === null) return [{ failureRatePerHour: rate, hours: years * hoursPerYear }]
  return Array.from({ length: Math.ceil(years) }, (_, year) => ({
    failureRatePerHour: rate * ageFactor(ageYears + year),
    hours: Math.min(1, years - year) * hoursPerYear,
  }))
}
