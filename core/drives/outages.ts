/** An outage lasts so long on average, h: until somebody has time for it. */
export const meanOutageH = 24
/** A day without service. */
const dayH = 24

/**
 * Chance that at least one outage a year lasts more than a day, of a machine that is out for so
 * many hours a year; how long an outage lasts is exponential.
 * @param hoursPerYear >= 0
 * @example dayOutChance(24) // 1 - e^(-1 · e^-1) = 0.308
 */
export function dayOutChance(hoursPerYear: number): number {
  const outages = hoursPerYear / meanOutageH
  return -Math.expm1(-outages * Math.exp(-dayH / meanOutageH))
}
