/** Hours in a year as failure rates and energy count it (365.25 days). */
export const hoursPerYear = 8766
export const daysPerYear = hoursPerYear / 24
/** kWh that one watt uses in a year. */
export const kWhPerWattYear = hoursPerYear / 1000
export const monthsPerYear = 12
export const daysPerMonth = daysPerYear / monthsPerYear
export const weeksPerMonth = hoursPerYear / 24 / 7 / monthsPerYear

/**
 * Months from one calendar month to another; below nothing when it lies before.
 * @example monthsBetween('2026-11', '2027-03') // 4
 */
export function monthsBetween(from: string, to: string): number {
  const index = (month: string) =>
    Number(month.slice(0, 4)) * monthsPerYear + Number(month.slice(5, 7))
  return index(to) - index(from)
}

/**
 * The calendar month so many months later.
 * @example monthAfter('2026-11', 4) // '2027-03'
 */
export function monthAfter(from: string, months: number): string {
  const index = Number(from.slice(0, 4)) * monthsPerYear + Number(from.slice(5, 7)) - 1 + months
  return `${Math.floor(index / monthsPerYear)}-${String((index % monthsPerYear) + 1).padStart(2, '0')}`
}
