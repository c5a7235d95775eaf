import type { Estimate } from '../figure'
import { requireWithin } from '../errors'

/**
 * The chance of at least one unreadable sector while reading: q = 1 − e^(−bits · rate).
 * @param readTB TB read in all, >= 0
 * @param errorsPerBit unreadable sectors a bit read, >= 0 (a sheet's "1 in 10¹⁴" is 1e-14)
 * @throws {CoreRangeError} READ_TB, READ_ERROR_RATE
 * @example readErrorChance(64, 1e-14) // 0.994
 */
export function readErrorChance(readTB: number, errorsPerBit: number): number {
  requireWithin('READ_TB', readTB, { min: 0 })
  requireWithin('READ_ERROR_RATE', errorsPerBit, { min: 0 })
  return -Math.expm1(-readTB * 8e12 * errorsPerBit)
}

/**
 * Drives do better than their sheet says: of its rate, what to expect, and the ends of the range.
 */
export const readErrorShares: Estimate = { low: 0.01, likely: 0.1, high: 1 }

/**
 * Unreadable sectors a bit read, likely.
 * @param sheetBits bits in which the drive's sheet has one
 * @example likelyReadErrors(1e14) // 1e-15
 */
export function likelyReadErrors(sheetBits: number): number {
  return readErrorShares.likely / sheetBits
}
