import type { PowerState } from '../machine/machinePower'
import { kWhPerWattYear } from '../units/time'

/**
 * kWh a year of a machine by its states of the day: mean watts × 8.766.
 * @param states hours a day adding up to 24, with the watts at the wall in each
 * @example kWhPerYear([{ hoursPerDay: 24, watts: 30 }]) // 263
 */
export function kWhPerYear(
  states: readonly { readonly hoursPerDay: PowerState['hoursPerDay']; readonly watts: number }[],
): number {
  return (
    (states.reduce((sum, { hoursPerDay, watts }) => sum + watts * hoursPerDay, 0) / 24) *
    kWhPerWattYear
  )
}
