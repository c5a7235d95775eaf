import type { UpsUnit } from '../../catalogue/hardware/hardwarePart'

/** Wall watts that a UPS must carry, with the router: the rating in VA and in W. */
export const upsFactors = { vaPerW: 1 / 0.6, wattsFactor: 1.25, routerW: 10 } as const

/** Whether a UPS carries a machine that takes so many watts at the wall, and the router. */
export function upsCarries(
  { ratingVA, ratingW }: Pick<UpsUnit, 'ratingVA' | 'ratingW'>,
  wallW: number,
): boolean {
  const watts = wallW + upsFactors.routerW
  return ratingVA >= watts * upsFactors.vaPerW && ratingW >= watts * upsFactors.wattsFactor
}
