import type { Hardware } from '../machine/hardware'
import { plannedScore } from '../streams/plannedCapacity'

/**
 * MB/s that a point of the multi-thread score works out parity for, and encrypts, while files are
 * written: planning values. A small processor of 1 000 points gets 400 and 250 MB/s.
 */
export const parityMBpsPerPoint = 0.4
export const encryptionMBpsPerPoint = 0.25
/** Designs before this year encrypt without instructions made for it, at a tenth of the rate. */
export const encryptsSince = 2011
export const withoutInstructions = 0.1

/** What the processor has to do to every byte on its way to the drives. */
export interface ProcessorWork {
  readonly parity: boolean
  readonly encrypted: boolean
}

/**
 * What the processor lets through, MB/s: parity and encryption take their times one after the
 * other, on the share of it that nobody else uses. Null where it has nothing to do, or its score is
 * not known.
 * @example processorMBps(1000 points of 2018, { parity, encrypted }) // 1 ÷ (1/400 + 1/250) = 154
 */
export function processorMBps(
  hardware: Hardware,
  { parity, encrypted }: ProcessorWork,
): number | null {
  const score = plannedScore(hardware)
  if (!score || !(parity || encrypted)) return null
  const year = hardware.processor?.year ?? hardware.designYear ?? encryptsSince
  const points = score.score.likely * (1 - hardware.usedShare)
  const encrypts =
    points * encryptionMBpsPerPoint * (year < encryptsSince ? withoutInstructions : 1)
  const seconds = (parity ? 1 / (points * parityMBpsPerPoint) : 0) + (encrypted ? 1 / encrypts : 0)
  return points > 0 ? 1 / seconds : 0
}
