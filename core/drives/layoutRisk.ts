import { failureSpans, type FailureConditions } from './failureRate'
import type { Layout, RiskGroup } from './layouts/layout'
import { anyLost, lossChance, type FailureChain } from './lossChance'
import { readErrorChance } from './readError'
import { rebuildHours } from './rebuildHours'
import type { NarrowestLink } from './sharedLinks'

/** What a risk figure needs to know beside the layout. */
export interface RiskConditions extends FailureConditions {
  /** 1, or 3 for drives of one batch */
  readonly batchFactor: number
  /** hours until a new drive is in the machine */
  readonly leadHours: number
  readonly rebuildMBps: number
  /** the link that its drives share and that sets the rate; null where the drives themselves do */
  readonly narrowedBy: NarrowestLink | null
  /** share of a drive that a rebuild copies where the system knows the files */
  readonly usedShare: number
  readonly shingledFactor: number
  /** unreadable sectors a bit read */
  readonly readErrorsPerBit: number
}

/** What drives of one batch multiply a further failure by, once one has failed. */
export const batchFactor = 3
/**
 * How much longer a rebuild takes on shingled drives: one after the other, and with copy-on-write
 * parity.
 */
export const shingledFactors = { sequential: 3, copyOnWriteParity: 8 } as const
/** Repairs are never told shorter than this, hours: the chain divides by them. */
const shortestRepairHours = 0.01

/** A group with what its own drives are like. */
export interface PoolGroup extends RiskGroup {
  readonly conditions: RiskConditions
}

/** Hours to rebuild one drive of a group. */
export function groupRebuildHours({
  conditions,
  ...group
}: Pick<PoolGroup, 'rebuiltTB' | 'conditions'>): number {
  return rebuildHours({
    sizeTB: group.rebuiltTB,
    usedShare: conditions.usedShare,
    rateMBps: conditions.rebuildMBps,
    shingledFactor: conditions.shingledFactor,
  })
}

export interface LossQuestion {
  /** >= 0 */
  readonly years: number
  /** true where a read error in the last rebuild loses the pool, false where it costs a file */
  readonly readErrorEndsRebuild: boolean
}

/** Chance that the last rebuild of a group, with no redundancy left, meets an unreadable sector. */
export function sectorChance({ readsTB, rebuiltTB, conditions }: PoolGroup): number {
  const readTB = readsTB.reduce((sum, size) => sum + Math.min(size, rebuiltTB), 0)
  return readErrorChance(readTB * conditions.usedShare, conditions.readErrorsPerBit)
}

/** The Markov chain of a group. */
export function groupChain(
  group: PoolGroup,
  readErrorEndsRebuild: boolean,
): Required<FailureChain> {
  const { conditions } = group
  return {
    drives: group.sizesTB.length,
    survives: group.survives,
    repairRatePerHour:
      1 / Math.max(shortestRepairHours, conditions.leadHours + groupRebuildHours(group)),
    batchFactor: conditions.batchFactor,
    rebuildEndsChance: readErrorEndsRebuild ? sectorChance(group) : 0,
  }
}

function groupLoss(group: PoolGroup, { years, readErrorEndsRebuild }: LossQuestion): number {
  return lossChance(groupChain(group, readErrorEndsRebuild), failureSpans(group.conditions, years))
}

/**
 * The chance that the pool loses data through failing drives within some years; for separate disks,
 * that any of them fails.
 */
export function poolLossChance(groups: readonly PoolGroup[], question: LossQuestion): number {
  return anyLost(groups.map(group => groupLoss(group, question)))
}

/** The longest rebuild of the pool, in hours; null when nothing can be rebuilt. */
export function longestRebuildHours({
  survives,
  groups,
}: {
  readonly survives: number
  readonly groups: readonly PoolGroup[]
}): number | null {
  return survives === 0 ? null : Math.max(...groups.map(groupRebuildHours))
}

/**
 * How much longer a rebuild takes: 1 on conventional drives. Parity that is worked out block by
 * block is written in one run, whatever the file system is.
 */
export function shingledFactor(
  shingled: boolean,
  layout: Layout,
  fileSystem: 'journalled' | 'copyOnWrite',
): number {
  if (!shingled) return 1
  return layout.parity && layout.rebuilds !== 'blocks' && fileSystem === 'copyOnWrite'
    ? shingledFactors.copyOnWriteParity
    : shingledFactors.sequential
}
