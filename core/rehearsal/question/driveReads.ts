import { readAheadMB, seekS } from '../../drives/fast/diskStreams'
import { readsOf } from '../../drives/fast/fastRates'
import { rebuildShareOfOuter } from '../../drives/rebuildHours'
import type { PlanningValues } from '../planningValues'

/** A group of drives that files lie on. */
export interface DriveGroup {
  /** TB of each drive that holds data */
  readonly sizesTB: readonly number[]
  readonly members: number
  readonly survives: number
}

export interface DriveQuestion {
  readonly layoutId: string
  readonly groups: readonly DriveGroup[]
  /** of the slowest, on the outer tracks */
  readonly outerMBps: number
  readonly spinning: boolean
}

/** One thing that is read from: a group, or a drive where whole files lie on single drives. */
export interface ReadFrom {
  /** how many times one drive's time there is */
  readonly times: number
  /** how many drives' rates add up for one read */
  readonly together: number
  readonly sizeTB: number
  readonly isPerDrive: boolean
  /** every drive holds all, so that one less still reads on */
  readonly isMirror: boolean
}

/** What files are read from, group by group. */
export function readsFrom({ layoutId, groups }: DriveQuestion): ReadFrom[] {
  return groups.flatMap(({ sizesTB, members, survives }): ReadFrom[] => {
    const { together, sideBySide, isPerDrive } = readsOf(layoutId, {
      members,
      survives,
      dataDrives: sizesTB.length,
    })
    const sizeTB = sizesTB.reduce((sum, size) => sum + size, 0)
    return isPerDrive
      ? sizesTB.map(size => ({
          times: 1,
          together: 1,
          sizeTB: size,
          isPerDrive,
          isMirror: false,
        }))
      : [
          {
            times: Math.max(1, sideBySide),
            together: Math.max(1, together),
            sizeTB,
            isPerDrive,
            isMirror: members > 1 && sideBySide === members,
          },
        ]
  })
}

/** Cumulated shares by TB; empty where there is one place at most. */
export function sharesByTB(reads: readonly ReadFrom[]): number[] {
  const all = reads.reduce((sum, { sizeTB }) => sum + sizeTB, 0)
  if (reads.length < 2 || all <= 0) return []
  let sum = 0
  return reads.map(({ sizeTB }) => (sum += sizeTB / all))
}

/**
 * Share of a drive's time that reading at a rate takes: Mb/s ÷ 8 ÷ B · (seek + B ÷ (k · S)).
 * @see handbook 05 and 10
 */
export function readShare(
  sourceMbps: number,
  { together }: Pick<ReadFrom, 'together'>,
  { outerMBps, spinning }: Pick<DriveQuestion, 'outerMBps' | 'spinning'>,
): number {
  const readsPerS = sourceMbps / 8 / readAheadMB
  const seek = spinning ? seekS.spinning : seekS.ssd
  return readsPerS * (seek + readAheadMB / (together * outerMBps * rebuildShareOfOuter))
}

/** The most speed that reading from one drive of several allows; else there is no such limit. */
export function readLimit(
  share: number,
  { times, isPerDrive }: ReadFrom,
  { driveShare }: Pick<PlanningValues, 'driveShare'>,
): number {
  return times > 1 && !isPerDrive && share > 0 ? driveShare / share : Infinity
}
