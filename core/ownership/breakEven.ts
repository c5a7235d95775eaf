import { kWhPerWattYear, monthsPerYear } from '../units/time'

/** Cash flows beyond this many months are not looked at: nothing bought today is still there. */
export const maxBreakEvenMonths = 1200

/**
 * Years until what was paid more has come back through watts saved, at a price that stays: extra ÷
 * (saved W × 8.766 × price).
 * 0 when nothing more is paid; null when it saves nothing.
 * @example breakEvenYears({ extraPrice: 220, savedW: 45, pricePerKWh: 0.3 }) // 1.86
 */
export function breakEvenYears({
  extraPrice,
  savedW,
  pricePerKWh,
}: {
  readonly extraPrice: number
  readonly savedW: number
  readonly pricePerKWh: number
}): number | null {
  if (extraPrice <= 0) return 0
  const perYear = savedW * kWhPerWattYear * pricePerKWh
  return perYear > 0 ? extraPrice / perYear : null
}

/**
 * Years until one line of money has come down to another: the first time that it is no more, on a
 * straight line within the month.
 * @param differenceAt what the one has cost more than the other to the end of a month; month 0 is
 *   the purchase
 * @returns 0 when nothing more is paid at the beginning; null when it never comes back
 */
export function crossingYears(
  differenceAt: (month: number) => number,
  months = maxBreakEvenMonths,
): number | null {
  let before = differenceAt(0)
  if (before <= 0) return 0
  for (let month = 1; month <= months; month++) {
    const now = differenceAt(month)
    if (now <= 0) return (month - 1 + before / (before - now)) / monthsPerYear
    before = now
  }
  return null
}

/**
 * Break-even with a price of electricity that changes from year to year.
 * @param parts risePerYear counts from months 13, 25 and so on
 */
export function breakEvenWithRise({
  extraPrice,
  savedW,
  pricePerKWh,
  risePerYear,
}: {
  readonly extraPrice: number
  readonly savedW: number
  readonly pricePerKWh: number
  readonly risePerYear: number
}): number | null {
  let [left, at] = [extraPrice, 0]
  return crossingYears(month => {
    for (; at < month; at++)
      left -=
        ((savedW * kWhPerWattYear) / monthsPerYear) *
        pricePerKWh *
        (1 + risePerYear) ** Math.floor(at / monthsPerYear)
    return left
  })
}
