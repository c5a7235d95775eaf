import { kWhPerWattYear } from '../units/time'

/**
 * kWh a year of so many watts, on average over the day: × 8.766.
 * @example kWhPerYear(30) // 263
 */
export function kWhPerYear(averageW: number): number {
  return averageW * kWhPerWattYear
}
