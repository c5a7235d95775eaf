import type { Arrangement } from './arrangeDrives'
import { failureSpans, type FailureConditions } from './failureRate'
import type { Layout, RiskGroup } from './layouts/layout'
import { anyLost, lossChance, type FailureChain } from './lossChance'
import { readErrorChance } from './readError'
import { rebuildHours } from './rebuildHours'

/** What a risk figure needs to know beside the layout. */
export interface RiskConditions extends FailureConditions {
  /** 1, or 3 for drives of one batch */
  readonly batchFactor: number
  /** hours until a new drive is in the machine */
  readonly leadHours: number
  readonly rebuildMBps: number
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

/** Hours to rebuild one drive of a group. */
export function groupRebuildHours(group: RiskGroup, conditions: RiskConditions): number {
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

/** The Markov chain of a group. */
export function groupChain(
  group: RiskGroup,
  conditions: RiskConditions,
  readErrorEndsRebuild: boolean,
): Required<FailureChain> {
  const readTB =
    group.readsTB.reduce((sum, size) => sum + Math.min(size, group.rebuiltTB), 0) *
    conditions.usedShare
  return {
    drives: group.sizesTB.length,
    survives: group.survives,
    repairRatePerHour:
      1 /
      Math.max(shortestRepairHours, conditions.leadHours + groupRebuildHours(group, conditions)),
    batchFactor: conditions.batchFactor,
    rebuildEndsChance: readErrorEndsRebuild
      ? readErrorChance(readTB, conditions.readErrorsPerBit)
      : 0,
  }
}

function groupLoss(
  group: RiskGroup,
  conditions: RiskConditions,
  { years, readErrorEndsRebuild }: LossQuestion,
): number {
  return lossChance(
    groupChain(group, conditions, readErrorEndsRebuild),
    failureSpans(conditions, years),
  )
}

/**
 * The chance that the pool loses data through failing drives within some years; for separate disks,
 * that any of them fails.
 */
export function poolLossChance(
  arrangement: Pick<Arrangement, 'groups'>,
  conditions: RiskConditions,
  question: LossQuestion,
): number {
  return anyLost(arrangement.groups.map(group => groupLoss(group, conditions, question)))
}

/** The longest rebuild of the pool, in hours; null when nothing can be rebuilt. */
export function longestRebuildHours(
  layout: Layout,
  arrangement: Arrangement,
  conditions: RiskConditions,
): number | null {
  if (arrangement.survives === 0) return null
  return Math.max(...arrangement.groups.map(group => groupRebuildHours(group, conditions)))
}

/** How much longer a rebuild takes: 1 on conventional drives. */
export function shingledFactor(
  shingled: boolean,
  layout: Layout,
  fileSystem: 'journalled' | 'copyOnWrite',
): number {
  if (!shingled) return 1
  return layout.parity && fileSystem === 'copyOnWrite'
    ? shingledFactors.copyOnWriteParity
    : shingledFactors.sequential
}
