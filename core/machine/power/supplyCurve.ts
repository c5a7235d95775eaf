import type { EfficiencyClass } from '../../catalogue/hardware/hardwarePart'
import { requireWithin } from '../../errors'
import type { Estimate } from '../../figure'

/**
 * A supply as far as its losses go; null where nothing is known of it, and a usual efficiency
 * stands in.
 */
export interface SupplyLosses {
  readonly ratingW: number
  readonly efficiency: EfficiencyClass
  readonly mainsVolts: 115 | 230
}

/** Efficiency of a usual supply at usual loads, where nothing is known of it. */
export const supplyEfficiency = 0.85
/** An external brick, at every load. */
export const brickEfficiency = 0.85
/** What 230 V gives over the table, which is for 115 V. */
export const at230V: Estimate = { low: 0.01, likely: 0.015, high: 0.02 }

/** Shares of the rating at which the table stands. */
const shares = [0.1, 0.2, 0.5, 1] as const
/**
 * Efficiency at 115 V, by class and share of the rating: the levels that a class certifies, with
 * usual values at a tenth.
 */
export const efficiencyTable: Readonly<
  Record<Exclude<EfficiencyClass, 'brick'>, readonly [number, number, number, number]>
> = {
  none: [0.65, 0.75, 0.78, 0.76],
  white: [0.7, 0.8, 0.8, 0.8],
  bronze: [0.75, 0.82, 0.85, 0.82],
  silver: [0.8, 0.85, 0.88, 0.85],
  gold: [0.84, 0.87, 0.9, 0.87],
  platinum: [0.87, 0.9, 0.92, 0.89],
  titanium: [0.9, 0.92, 0.94, 0.9],
}

function efficiencyAt(share: number, table: readonly number[], more: number): number {
  const right = shares.findIndex(edge => share <= edge)
  if (right < 0) return table.at(-1)! + more
  if (right === 0) return table[0]! + more
  const [from, to] = [shares[right - 1]!, shares[right]!]
  const along = (share - from) / (to - from)
  return table[right - 1]! * (1 - along) + table[right]! * along + more
}

/**
 * Watts at the wall for watts that the parts take (DC): divided by the efficiency at that share of
 * the rating; below a tenth of it
 * half of the loss there stays, however little is taken: wall = DC + L·(0.5 + 0.5·DC ÷ a tenth of
 * the rating).
 * @param dcW >= 0
 * @param gain what 230 V gives over the table; not looked at for other voltages
 * @throws {CoreRangeError} SUPPLY_DC
 * @example wallW(20, { ratingW: 550, efficiency: 'gold', mainsVolts: 115 }) // 27.1
 */
export function wallW(dcW: number, losses: SupplyLosses | null, gain = at230V.likely): number {
  requireWithin('SUPPLY_DC', dcW, { min: 0 })
  if (losses === null) return dcW / supplyEfficiency
  const { ratingW, efficiency, mainsVolts } = losses
  if (efficiency === 'brick') return dcW / brickEfficiency
  const table = efficiencyTable[efficiency]
  const more = mainsVolts === 230 ? gain : 0
  const tenthW = shares[0] * ratingW
  if (dcW >= tenthW) return dcW / efficiencyAt(dcW / ratingW, table, more)
  const lossAtTenthW = tenthW * (1 / (table[0] + more) - 1)
  return dcW + lossAtTenthW * (0.5 + (0.5 * dcW) / tenthW)
}

/**
 * Watts that the parts take (DC) where so many were read at the wall: the other way round, by
 * halving. Less than the supply loses
 * with nothing behind it comes to 0.
 */
export function dcW(atWallW: number, losses: SupplyLosses | null): number {
  if (losses === null) return atWallW * supplyEfficiency
  if (losses.efficiency === 'brick') return atWallW * brickEfficiency
  let [low, high] = [0, atWallW]
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2
    if (wallW(middle, losses) > atWallW) high = middle
    else low = middle
  }
  return low
}
