import { requireWithin } from '../errors'
import { hoursPerYear } from '../units/time'

/**
 * Failure rate of one drive per hour from its annual failure rate: λ = −ln(1 − AFR) / 8766.
 * @param failuresPerYear share of such drives that fail within a year, 0 <= AFR < 1
 * @throws {CoreRangeError} AFR
 */
export function failureRatePerHour(failuresPerYear: number): number {
  requireWithin('AFR', failuresPerYear, 0, 0.999)
  return -Math.log1p(-failuresPerYear) / hoursPerYear
}
