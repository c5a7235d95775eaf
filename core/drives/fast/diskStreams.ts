import { requireWithin } from '../../errors'
import { rebuildShareOfOuter } from '../rebuildHours'

export interface DiskStreams {
  readonly streamMbps: number
  /** sequential, on the outer tracks */
  readonly outerMBps: number
  /** drives whose rates add up for one read */
  readonly together: number
  /** that many reads go on beside each other */
  readonly sideBySide: number
  readonly spinning: boolean
}

/** Seconds until a head is where it has to be, and until an SSD answers. */
export const seekS = { spinning: 0.013, ssd: 0.0001 } as const
/** MB that a stream reads ahead at a time. */
export const readAheadMB = 4
/** Of its time, what a drive may be busy with streams. */
export const busyAtMost = 0.7

/**
 * Streams that drives carry at once: 0.7 ÷ ((Mb/s ÷ 8 ÷ B) · (seek + B ÷ (k · S))), times what goes
 * on side by side, floored.
 * @throws {CoreRangeError} DISK_STREAM, DISK_RATE
 * @example diskStreams({ streamMbps: 8, outerMBps: 180, together: 1, sideBySide: 1, spinning: true
 *   }) // 65
 */
export function diskStreams({
  streamMbps,
  outerMBps,
  together,
  sideBySide,
  spinning,
}: DiskStreams): number {
  requireWithin('DISK_STREAM', streamMbps, { min: 1e-6 })
  requireWithin('DISK_RATE', outerMBps, { min: 1e-6 })
  const readsPerS = streamMbps / 8 / readAheadMB
  const readS =
    (spinning ? seekS.spinning : seekS.ssd) +
    readAheadMB / (together * outerMBps * rebuildShareOfOuter)
  return Math.floor((busyAtMost / (readsPerS * readS)) * sideBySide)
}

/**
 * Seconds until a page of the library with its pictures is there: a seek for each of them, longer
 * while the drives are busy.
 * @param busyShare of the drives' time, 0..1
 * @example browsingS(0.7, true) // 2.6
 */
export function browsingS(busyShare: number, spinning: boolean): number {
  requireWithin('BUSY_SHARE', busyShare, { min: 0, max: 1 })
  if (!spinning) return ssdBrowsingS
  return (picturesOfPage * seekS.spinning) / (1 - Math.min(maxBusy, busyShare))
}
/** Pictures of a page of the library. */
export const picturesOfPage = 60
/** From an SSD it is there in about so many seconds. */
export const ssdBrowsingS = 0.01
/** Drives are never counted as busier than this: the wait would have no end. */
const maxBusy = 0.98
