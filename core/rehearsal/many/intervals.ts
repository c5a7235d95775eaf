/** Of a normal distribution, for an interval that covers 95 of 100. */
export const z = 1.96

export interface Interval {
  readonly low: number
  readonly likely: number
  readonly high: number
}

/**
 * Wilson's interval of a chance.
 * @example chanceInterval(31, 1000) // 2.19 % to 4.37 %
 */
export function chanceInterval(hits: number, of: number): Interval {
  if (of === 0) return { low: 0, likely: 0, high: 1 }
  const p = hits / of
  const middle = p + (z * z) / (2 * of)
  const reach = z * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of))
  const all = 1 + (z * z) / of
  return {
    low: Math.max(0, (middle - reach) / all),
    likely: p,
    high: Math.min(1, (middle + reach) / all),
  }
}

/** What a ratio of sums over evenings follows from. */
export interface RatioSums {
  readonly n: number
  readonly y: number
  readonly h: number
  readonly yy: number
  readonly yh: number
  readonly hh: number
}

/** R = Σy ÷ Σh, ± z·√(Σ(y − R·h)² ÷ (n(n−1))) ÷ mean h, not below 0; null where h is nothing. */
export function ratioInterval({ n, y, h, yy, yh, hh }: RatioSums): Interval | null {
  if (h <= 0 || n < 2) return null
  const ratio = y / h
  const squares = Math.max(0, yy - 2 * ratio * yh + ratio * ratio * hh)
  const reach = (z * Math.sqrt(squares / (n * (n - 1)))) / (h / n)
  return { low: Math.max(0, ratio - reach), likely: ratio, high: ratio + reach }
}

/**
 * The difference of two chances on the same evenings.
 * @param without evenings disturbed only without the change
 * @param withIt evenings disturbed only with it
 * @example pairedInterval({ n: 1000, without: 3, withIt: 17 }) // + 1.4 %, 0.5 to 2.3 %
 */
export function pairedInterval({
  n,
  without,
  withIt,
}: {
  readonly n: number
  readonly without: number
  readonly withIt: number
}): Interval {
  const middle = (withIt - without) / (n + 2)
  const spread = without + withIt + 1 - (withIt - without) ** 2 / (n + 2)
  const reach = (z * Math.sqrt(spread)) / (n + 2)
  return { low: middle - reach, likely: middle, high: middle + reach }
}

/** Sums over evenings of both ratios together. */
export interface PairedSums {
  readonly one: RatioSums
  readonly other: RatioSums
  /** Σ of one's y or h times the other's */
  readonly yy: number
  readonly yh: number
  readonly hy: number
  readonly hh: number
}

/** The difference of two ratios on the same evenings: by the differences of (y − R·h) ÷ mean h. */
export function pairedRatio({ one, other, yy, yh, hy, hh }: PairedSums): Interval | null {
  const { n } = one
  if (one.h <= 0 || other.h <= 0 || n < 2) return null
  const [a, b] = [one.y / one.h, other.y / other.h]
  const [ma, mb] = [one.h / n, other.h / n]
  const own = ({ yy: y2, yh: both, hh: h2 }: RatioSums, ratio: number) =>
    y2 - 2 * ratio * both + ratio * ratio * h2
  const cross = yy - b * yh - a * hy + a * b * hh
  const squares = Math.max(
    0,
    own(other, b) / (mb * mb) + own(one, a) / (ma * ma) - (2 * cross) / (ma * mb),
  )
  const reach = z * Math.sqrt(squares / (n * (n - 1)))
  return { low: b - a - reach, likely: b - a, high: b - a + reach }
}
