import { toCents } from './cashFlow'

export interface CloudStep {
  readonly sizeTB: number
  readonly pricePerMonth: number
}

/** Planning values of a store, in the plan's currency. */
export const usualCloudSteps: readonly CloudStep[] = [
  { sizeTB: 0.2, pricePerMonth: 3 },
  { sizeTB: 2, pricePerMonth: 10 },
  { sizeTB: 6, pricePerMonth: 30 },
  { sizeTB: 12, pricePerMonth: 60 },
  { sizeTB: 24, pricePerMonth: 120 },
  { sizeTB: 60, pricePerMonth: 300 },
]

export interface CloudQuestion {
  readonly steps: readonly CloudStep[]
  /** what is kept by month, from today on */
  readonly contentTB: readonly number[]
  readonly egressPerTB: number
  readonly risePerYear: number
  /** what one's own machine has cost to the end of each month, from month 0 on */
  readonly own: readonly number[]
}

export interface CloudCourse {
  /** sum to the end of each month; null from the month on in which no step holds the library */
  readonly cumulative: readonly (number | null)[]
  readonly outgrownMonth: number | null
  /** what leaving costs at the end of each month */
  readonly egress: readonly number[]
  /**
   * first month in which the store has cost as much as the machine; null where it never does within
   * the horizon
   */
  readonly crossesMonth: number | null
}

/**
 * A store instead of a machine: each month the smallest step that holds the library.
 * @param question steps in any order; own as long as contentTB
 */
export function cloudCourse({
  steps,
  contentTB,
  egressPerTB,
  risePerYear,
  own,
}: CloudQuestion): CloudCourse {
  const sorted = [...steps].sort((a, b) => a.sizeTB - b.sizeTB || a.pricePerMonth - b.pricePerMonth)
  let [sum, outgrownMonth, crossesMonth] = [0, null as number | null, null as number | null]
  const cumulative = own.map((spent, month) => {
    const step = sorted.find(({ sizeTB }) => sizeTB >= (contentTB[month] ?? 0) - 1e-9)
    if (!step || outgrownMonth !== null) {
      outgrownMonth ??= month
      return null
    }
    if (month > 0)
      sum += toCents(step.pricePerMonth * (1 + risePerYear) ** Math.floor((month - 1) / 12))
    if (crossesMonth === null && month > 0 && sum / 100 >= spent) crossesMonth = month
    return sum / 100
  })
  return {
    cumulative,
    outgrownMonth,
    crossesMonth,
    egress: own.map((_, month) => egressPerTB * (contentTB[month] ?? 0)),
  }
}
