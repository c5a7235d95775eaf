import type { HardwarePart, UpsUnit } from '../../catalogue/hardware/hardwarePart'

/** A UPS stands between wall and machine; the router has to stay up too. */
export const routerW = 10
/** Watts for each VA of a rating, and the room that is left above the load. */
export const wattsPerVA = 0.6
export const loadMargin = 1.25

/** A UPS whose label is known. */
export interface RatedUps extends UpsUnit {
  readonly ratingVA: number
  readonly ratingW: number
  readonly energyWh: number
}

/** The units of a list that are sold, or whose label is known. */
export function ratedUps(hardware: readonly HardwarePart[]): RatedUps[] {
  return hardware.filter(
    (part): part is RatedUps =>
      part.kind === 'ups' &&
      part.ratingVA !== null &&
      part.ratingW !== null &&
      part.energyWh !== null,
  )
}

/** The least rating for a load at the wall, the router not yet counted. */
export function upsNeed(loadW: number): {
  readonly watts: number
  readonly ratingVA: number
  readonly ratingW: number
} {
  const watts = loadW + routerW
  return { watts, ratingVA: watts / wattsPerVA, ratingW: loadMargin * watts }
}

/**
 * Whether a UPS carries a machine that takes so many watts at the wall, and the router; null where
 * its label is not known.
 */
export function upsCarries(
  { ratingVA, ratingW }: Pick<UpsUnit, 'ratingVA' | 'ratingW'>,
  wallW: number,
): boolean | null {
  if (ratingVA === null || ratingW === null) return null
  const need = upsNeed(wallW)
  return ratingVA >= need.ratingVA && ratingW >= need.ratingW
}
