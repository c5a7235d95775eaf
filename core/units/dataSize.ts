import { requireWithin } from '../errors'

/** Bytes in a TB, as drives are sold (10¹²). */
export const bytesPerTB = 1e12
/** Bytes in a TiB, as many systems show space (2⁴⁰). */
export const bytesPerTiB = 2 ** 40

/** GB that one Mb/s carries in an hour. */
export const gbPerMbpsHour = 0.45

/**
 * Decimal terabytes to binary tebibytes.
 * @throws {CoreRangeError} SIZE_TB
 * @example tebibytes(14) // 12.73
 */
export function tebibytes(sizeTB: number): number {
  requireWithin('SIZE_TB', sizeTB, { min: 0 })
  return (sizeTB * bytesPerTB) / bytesPerTiB
}

/**
 * Size of a recording from its mean bitrate and its length.
 * @param bitrateMbps mean of video and audio together, Mb/s, >= 0
 * @param minutes length, >= 0
 * @returns GB (10⁹ bytes) = Mb/s · minutes · 60 / 8 / 1000
 * @throws {CoreRangeError} BITRATE, MINUTES
 * @example recordingGB(8, 110) // 6.6
 */
export function recordingGB(bitrateMbps: number, minutes: number): number {
  requireWithin('BITRATE', bitrateMbps, { min: 0 })
  requireWithin('MINUTES', minutes, { min: 0 })
  return (bitrateMbps * minutes * 60) / 8 / 1000
}
