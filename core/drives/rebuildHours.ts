import { requireWithin } from '../errors'

export interface Rebuild {
  /** TB written to the new drive when it is filled whole, > 0 */
  readonly sizeTB: number
  /** share that has to be copied: below 1 only where the system knows the files, 0..1 */
  readonly usedShare: number
  /** MB/s that the drive and its link sustain, > 0 */
  readonly rateMBps: number
  /** 1, or 3 to 8 for shingled drives */
  readonly shingledFactor: number
}

/**
 * Hours to rebuild one drive: size · used share · shingled factor / rate.
 * @throws {CoreRangeError} REBUILD_SIZE, REBUILD_SHARE, REBUILD_RATE
 * @example rebuildHours({ sizeTB: 16, usedShare: 1, rateMBps: 150, shingledFactor: 1 }) // 29.6
 */
export function rebuildHours({ sizeTB, usedShare, rateMBps, shingledFactor }: Rebuild): number {
  requireWithin('REBUILD_SIZE', sizeTB, { min: 0 })
  requireWithin('REBUILD_SHARE', usedShare, { min: 0, max: 1 })
  requireWithin('REBUILD_RATE', rateMBps, { min: 1e-6 })
  return (sizeTB * 1e6 * usedShare * shingledFactor) / rateMBps / 3600
}

/** Of the outer-track rate, what a drive keeps up over its whole surface. */
export const rebuildShareOfOuter = 0.75
/** How much slower a rebuild runs while somebody watches. */
const slowedByWatching = 0.3
/** MB/s of what a drive hangs on: a SATA 6 Gb/s port, four lanes of an M.2 place, USB of 5 Gb/s. */
export const linkMBps = { data: 550, nvme: 3400, usb: 430 } as const

/**
 * MB/s that a rebuild runs at: what the drives and their links keep up, slower by 0.3 times the
 * share of hours in which somebody watches.
 * @param sustainedMBps > 0
 * @param watchedHoursPerDay 0..24
 */
export function rebuildRateMBps(sustainedMBps: number, watchedHoursPerDay: number): number {
  requireWithin('REBUILD_RATE', sustainedMBps, { min: 1e-6 })
  requireWithin('WATCHING_HOURS', watchedHoursPerDay, { min: 0, max: 24 })
  return sustainedMBps * watchedRate(watchedHoursPerDay)
}

/** Of its rate, what a rebuild keeps while somebody watches so many hours a day. */
export function watchedRate(watchedHoursPerDay: number): number {
  return 1 - (slowedByWatching * watchedHoursPerDay) / 24
}
