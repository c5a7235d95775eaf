import { hoursPerYear } from '../units/time'
import type { Arrangement } from './arrangeDrives'
import { failureRatePerHour } from './failureRate'
import type { Layout, RiskGroup } from './layouts/layout'
import { anyLost, lossChance } from './lossChance'
import { readErrorChance } from './readError'
import { rebuildHours } from './rebuildHours'

/** What a risk figure needs to know beside the layout. */
export interface RiskConditions {
  /** annual failure rate of one drive, 0..1 */
  readonly failuresPerYear: number
  /** 1, or 3 for drives of one batch */
  readonly batchFactor: number
  /** hours until a new drive is in the box */
  readonly leadHours: number
  readonly rebuildMBps: number
  /** share of a drive that a rebuild copies where the system knows the files */
  readonly usedShare: number
  readonly shingledFactor: number
  /** unreadable sectors a bit read */
  readonly readErrorsPerBit: number
}

/** Hours to rebuild one drive of a group. */
export function groupRebuildHours(group: RiskGroup, conditions: RiskConditions): number {
  return rebuildHours({ sizeTB: group.rebuiltTB, usedShare: conditions.usedShare, rateMBps: conditions.rebuildMBps, shingledFactor: conditions.shingledFactor })
}

function groupLoss(group: RiskGroup, conditions: RiskConditions, hours: number, readErrorEndsRebuild: boolean): number {
  const readTB = group.readsTB.reduce((sum, size) => sum + Math.min(size, group.rebuiltTB), 0) * conditions.usedShare
  return lossChance({
    drives: group.sizesTB.length,
    survives: group.survives,
    failureRatePerHour: failureRatePerHour(conditions.failuresPerYear),
    repairRatePerHour: 1 / Math.max(0.01, conditions.leadHours + groupRebuildHours(group, conditions)),
    batchFactor: conditions.batchFactor,
    rebuildEndsChance: readErrorEndsRebuild ? readErrorChance(readTB, conditions.readErrorsPerBit) : 0,
  }, hours)
}

/**
 * The chance that the pool loses data through dying drives within some years; for separate disks, that any of them dies.
 * @param years >= 0
 * @param readErrorEndsRebuild true where a read error in the last rebuild loses the pool, false where it costs a file
 */
export function poolLossChance(arrangement: Arrangement, conditions: RiskConditions, years: number, readErrorEndsRebuild: boolean): number {
  return anyLost(arrangement.groups.map(group => groupLoss(group, conditions, years * hoursPerYear, readErrorEndsRebuild)))
}

/** The longest rebuild of the pool, in hours; null when nothing can be rebuilt. */
export function longestRebuildHours(layout: Layout, arrangement: Arrangement, conditions: RiskConditions): number | null {
  if (layout.survives(arrangement.members) === 0) return null
  return Math.max(...arrangement.groups.map(group => groupRebuildHours(group, conditions)))
}

/** How much longer a rebuild takes on shingled drives: 8 times with copy-on-write parity, else 3 times. */
export function shingledFactor(shingled: boolean, layout: Layout, fileSystem: 'journalled' | 'copyOnWrite'): number {
  if (!shingled) return 1
  return layout.parity && fileSystem === 'copyOnWrite' ? 8 : 3
}
