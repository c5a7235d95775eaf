/**
 * Rates at which converted streams are sent, Mb/s, best first: from 0.7 to 22 in steps of √2, to
 * two digits.
 */
export const sentRatesMbps = [22, 16, 11, 8, 5.6, 4, 2.8, 2, 1.4, 1, 0.7] as const

/** Up to a rate, Mb/s, so many lines are worth sending; above the last, 2160. */
const linesBelow = [
  [1.2, 360],
  [2.4, 480],
  [4.8, 720],
  [14, 1080],
] as const
const maxLines = 2160

/** The picture height that a rate is worth. */
export function linesOfRate(mbps: number): number {
  return linesBelow.find(([below]) => mbps < below)?.[1] ?? maxLines
}

/** A quality that streams are sent at: its rate, and the height of its picture. */
export interface Rung {
  readonly rungMbps: (typeof sentRatesMbps)[number]
  readonly lines: number
}

/** The sent qualities, best first. */
export const ladder: readonly Rung[] = sentRatesMbps.map(rungMbps => ({
  rungMbps,
  lines: linesOfRate(rungMbps),
}))

/** The sent quality nearest to a rate, by their ratio. */
export function nearestSentMbps(mbps: number): number {
  const distance = (rate: number) => Math.abs(Math.log(rate / mbps))
  return sentRatesMbps.reduce<number>(
    (best, rate) => (distance(rate) < distance(best) ? rate : best),
    sentRatesMbps[0],
  )
}

/**
 * Mean rate of each kind of second copy, Mb/s: H.264 with plain sound, at a rate that is sent
 * anyway.
 */
export const smallCopyRates = { hd720: 2.8, hd1080: 5.6 } as const
