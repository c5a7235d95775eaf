import { requireWithin } from '../errors'

/**
 * The chance of at least one unreadable sector while reading: q = 1 − e^(−bits · rate).
 * @param readTB TB read in all, >= 0
 * @param errorsPerBit unreadable sectors a bit read, >= 0 (a sheet's "1 in 10¹⁴" is 1e-14)
 * @throws {CoreRangeError} READ_TB, READ_ERROR_RATE
 * @example readErrorChance(64, 1e-14) // 0.994
 */
export function readErrorChance(readTB: number, errorsPerBit: number): number {
  requireWithin('READ_TB', readTB, 0)
  requireWithin('READ_ERROR_RATE', errorsPerBit, 0)
  return -Math.expm1(-readTB * 8e12 * errorsPerBit)
}
