import { requireWithin } from '../../errors'

/** Heat that a square metre of panel lets through, W a degree. */
export const panelWPerK = 2.5
/** Vents below and above let so much of the rise stay. */
export const ventedShare = 0.5
/** What a drive is warmer than the air around the machine, by what air does at it. */
export const driveRiseK = { across: 6, slow: 12, none: 20 } as const
/**
 * What processor and board are warmer than the air around the machine while it idles, planning
 * values: a small board without a fan stands at 65 °C in a room of 25, with one it stays at 40.
 */
export const processorRiseK = {
  fanless: { low: 30, likely: 40, high: 50 },
  withFan: { low: 10, likely: 15, high: 25 },
} as const
/** Warmer drives fail more often. */
export const warmDriveC = 45
/** No drive is made to start at less. */
export const minDriveC = 5
/** No drive is made for more. */
export const maxDriveC = 60

/**
 * How much warmer it gets in a closed cupboard: W ÷ (2.5 · m² of panel), halved by vents.
 * @throws {CoreRangeError} CUPBOARD_M2
 * @example cupboardRiseK(55, { panelM2: 1.8, vented: false }) // 12.2
 */
export function cupboardRiseK(
  watts: number,
  { panelM2, vented }: { readonly panelM2: number; readonly vented: boolean },
): number {
  requireWithin('CUPBOARD_M2', panelM2, { min: 0.01 })
  return (watts / (panelWPerK * panelM2)) * (vented ? ventedShare : 1)
}
