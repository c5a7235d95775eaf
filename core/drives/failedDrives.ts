import { requireWithin } from '../errors'
import { failureSpans } from './failureRate'
import type { Arrangement } from './arrangeDrives'
import type { RiskGroup } from './layouts/layout'
import { groupRebuildHours, type PoolGroup } from './layoutRisk'
import { anyLost, lossChance } from './lossChance'
import { pairShares } from './pairShares'
import type { Pool } from './poolOf'

/**
 * What is left of a pool once some of its drives have failed. Shares are of all that is kept, and
 * add up to 1.
 */
export interface AfterFailures {
  readonly playingShare: number
  /** whole, but not played before it is rebuilt or switched over */
  readonly waitingShare: number
  readonly lostShare: number
  /** which files are lost depends on where they lie: the share is that of the average file */
  readonly isAverage: boolean
  /**
   * further drives that may fail without any further loss, whichever they are; 0 once something is
   * lost
   */
  readonly stillSurvives: number
  /**
   * hours until it survives again what it did, new drives and rebuilds one after the other; null
   * where there is nothing to rebuild
   */
  readonly wholeHours: number | null
  /** chance that something more is lost before that; null where there is nothing to rebuild */
  readonly worseChance: number | null
}

/** Repairs so slow that none ends meanwhile, 1/h: the chain has no other word for none. */
const noRepairPerHour = 1e-9

/**
 * What still plays, what is lost and how long it takes to be whole again, with some drives failed
 * at the same time.
 * @param failed places of the failed drives among those of the machine, hot spares too
 * @param leadHours until drives that were not there are there
 * @throws {CoreRangeError} FAILED_DRIVE: no such drive
 */
export function afterFailures(
  { layout, arrangement }: Pick<Pool, 'layout' | 'arrangement'>,
  failed: ReadonlySet<number>,
  leadHours: number,
): AfterFailures {
  const { memberPlaces, sparePlaces, groups } = arrangement
  for (const place of failed)
    requireWithin('FAILED_DRIVE', place, {
      min: 0,
      max: memberPlaces.length + sparePlaces.length - 1,
    })
  const isFailed = (member: number) => failed.has(memberPlaces[member]!)
  const down = groups.map(group => group.members.filter(isFailed).length)
  const lostShare = lostShareOf({ layout, arrangement }, { isFailed, down })
  const isAllLost = lostShare > 0 && layout.loss !== 'failedDrivesOnly'
  const waitingShare =
    layout.runsOn || isAllLost
      ? 0
      : dataShare(
          arrangement,
          membersOf(groups, at => down[at]! <= groups[at]!.survives, isFailed),
        )
  const failedMembers = down.reduce((sum, count) => sum + count, 0)
  const shared = {
    playingShare: Math.max(0, 1 - lostShare - waitingShare),
    waitingShare,
    lostShare,
    isAverage: layout.loss === 'shareOfFiles' && lostShare > 0,
  }
  if (lostShare > 0) return { ...shared, stillSurvives: 0, wholeHours: null, worseChance: null }
  // Two copies may outlast more failures than they promise, where the failed drives share no file.
  const stillSurvives = Math.max(
    0,
    Math.min(...groups.map((group, at) => group.survives - down[at]!)),
  )
  if (failedMembers === 0) return { ...shared, stillSurvives, wholeHours: null, worseChance: null }
  const sparesLeft = sparePlaces.filter(place => !failed.has(place)).length
  const wholeHours =
    (failedMembers > sparesLeft ? leadHours : 0) +
    Math.max(...groups.map((group, at) => down[at]! * groupRebuildHours(group)))
  const worse = groups.map((group, at) =>
    chanceOfMore(group, { down: down[at]!, hours: wholeHours }),
  )
  return { ...shared, stillSurvives, wholeHours, worseChance: anyLost(worse) }
}

type PoolShape = Pick<Pool, 'layout' | 'arrangement'>

function lostShareOf(
  { layout, arrangement }: PoolShape,
  {
    isFailed,
    down,
  }: { readonly isFailed: (member: number) => boolean; readonly down: readonly number[] },
): number {
  const isLost = arrangement.groups.some((group, at) => down[at]! > group.survives)
  if (!isLost) return 0
  if (layout.loss === 'everything') return 1
  // A group that survives its failures loses nothing of what lies on them.
  if (layout.loss === 'failedDrivesOnly')
    return dataShare(
      arrangement,
      membersOf(arrangement.groups, at => down[at]! > arrangement.groups[at]!.survives, isFailed),
    )
  let lostTB = 0
  for (const { members } of arrangement.groups) {
    const parts = members.map(member => arrangement.parts[member]!)
    const shares = pairShares(parts.map(({ dataTB, copyTB }) => dataTB + copyTB))
    const heldTB = parts.reduce((sum, { dataTB }) => sum + dataTB, 0)
    for (let one = 0; one < shares.length; one++)
      for (let other = 0; other < one; other++)
        if (isFailed(members[one]!) && isFailed(members[other]!))
          lostTB += shares[one]![other]! * heldTB
  }
  return Math.min(1, lostTB / arrangement.usableTB)
}

/** Whether a member has failed, and belongs to one of some groups. */
function membersOf(
  groups: readonly RiskGroup[],
  isOne: (at: number) => boolean,
  isFailed: (member: number) => boolean,
): (member: number) => boolean {
  const members = new Set(groups.flatMap((group, at) => (isOne(at) ? group.members : [])))
  return member => members.has(member) && isFailed(member)
}

/** Share of the data that lies on the failed drives; files are taken to fill all drives alike. */
function dataShare(
  { parts, usableTB }: Arrangement,
  isFailed: (member: number) => boolean,
): number {
  const onFailed = parts.reduce(
    (sum, { dataTB }, member) => sum + (isFailed(member) ? dataTB : 0),
    0,
  )
  return usableTB > 0 ? Math.min(1, onFailed / usableTB) : 0
}

/**
 * Chance that a group loses more than it can while it is rebuilt: no repair ends meanwhile, which
 * is the safe side.
 */
function chanceOfMore(
  { members, survives, conditions }: PoolGroup,
  { down, hours }: { readonly down: number; readonly hours: number },
): number {
  const left = members.length - down
  const [span] = failureSpans(conditions, 1)
  if (left === 0 || !span) return 0
  // Once one has failed the others of its batch are likelier to, all along.
  const rate = span.failureRatePerHour * (down > 0 ? conditions.batchFactor : 1)
  return lossChance(
    {
      drives: left,
      survives: Math.max(0, Math.min(survives - down, left - 1)),
      repairRatePerHour: noRepairPerHour,
      batchFactor: down > 0 ? 1 : conditions.batchFactor,
    },
    [{ failureRatePerHour: rate, hours }],
  )
}
