import { markOf } from '../markOf'
import { exactly } from '../figure'
import { correctionOf, type Correction } from '../calibration/correction'
import { heldAgainst } from '../calibration/heldTrials'
import type { Trial } from '../plan/trials'
import type { Drives } from '../plan/drives'
import { arrangeDrives, type Arrangement } from './arrangeDrives'
import {
  driveTraits,
  pooledTraits,
  type CommonDrives,
  type DriveCatalogue,
  type DriveTraits,
} from './driveTraits'
import { causeFactor, drivesUntilVibration, maxFailuresPerYear } from './failureRate'
import { fileSystems } from './fileSystem'
import {
  batchFactor,
  longestRebuildHours,
  shingledFactor,
  type PoolGroup,
  type RiskConditions,
} from './layoutRisk'
import { isRefusal, type Layout, type LayoutDrive, type LayoutRefusal } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { rebuildRateMBps } from './rebuildHours'
import { narrowestLink, type SharedLink } from './sharedLinks'

export const leadHours = { shelf: 12, order: 48, abroad: 168 } as const

/** Drives without what they cost: what space and risk follow from. */
export type PoolDrives = Omit<Drives, 'lots'> & {
  readonly lots: readonly Pick<
    Drives['lots'][number],
    'count' | 'sizeTB' | 'role' | 'model' | 'group'
  >[]
  /** a UPS stands before the machine; left out where no peril is asked about */
  readonly ups?: boolean
  /** drives hang on USB: in an enclosure, or in cases of their own; likewise */
  readonly onUsb?: boolean
  /** hours a year in which the machine itself is out; likewise */
  readonly outageHoursPerYear?: number
}
export interface PoolChoices {
  /** hours of a day in which anybody watches */
  readonly watchedHoursPerDay: number
  /** what the drives share on their way to the processor */
  readonly sharedLinks: readonly SharedLink[]
  /** measured rebuilds, of these or of other drives */
  readonly rebuilds: readonly Trial[]
  /** drives whose reports speak against them, by bay from 1, with what that makes of their rate */
  readonly ailing: readonly Ailing[]
}

/** A drive that fails more often than others of its kind. */
export interface Ailing {
  readonly bay: number
  readonly factor: number
}

/** A plan's drives without their prices, with what stands before them. */
export function poolDrives(
  drives: Drives,
  around: {
    readonly ups: boolean
    readonly onUsb: boolean
    readonly outageHoursPerYear: number
  },
): PoolDrives {
  return {
    ...drives,
    ...around,
    lots: unpricedLots(drives),
  }
}

/** Lots without what they cost: what space, places and risk follow from. */
export function unpricedLots({ lots }: Pick<Drives, 'lots'>): PoolDrives['lots'] {
  return lots.map(({ count, sizeTB, role, model, group }) => ({
    count,
    sizeTB,
    role,
    model,
    group,
  }))
}

/** The drives of a plan, one entry each. */
export function drivesOf({
  lots,
}: {
  readonly lots: readonly Pick<Drives['lots'][number], 'count' | 'sizeTB' | 'role' | 'group'>[]
}): LayoutDrive[] {
  const isGrouped = lots.some(({ group }) => group !== lots[0]!.group)
  return lots.flatMap(({ count, sizeTB, role, group }) =>
    Array.from({ length: count }, () => ({ sizeTB, role, ...(isGrouped ? { group } : {}) })),
  )
}

/** What each drive of a plan is like, in the order of {@link drivesOf}. */
export function traitsOf(
  drives: CommonDrives & Pick<PoolDrives, 'lots'>,
  catalogue: DriveCatalogue,
): (DriveTraits & { readonly sizeTB: number })[] {
  return drives.lots.flatMap(lot => {
    const traits = { ...driveTraits(lot, drives, catalogue), sizeTB: lot.sizeTB }
    return Array.from({ length: lot.count }, () => traits)
  })
}

/** TB that snapshots hold: what changes in a month times the months kept. */
export function snapshotsTB({
  changedGBPerMonth,
  snapshotMonths,
}: Pick<Drives, 'changedGBPerMonth' | 'snapshotMonths'>): number {
  return (changedGBPerMonth * snapshotMonths) / 1000
}

/** An arrangement whose groups say what their own drives are like. */
export type PoolArrangement = Omit<Arrangement, 'groups'> & {
  readonly groups: readonly PoolGroup[]
}

export interface Pool {
  readonly layout: Layout
  readonly arrangement: PoolArrangement
  /** of all its drives together; each group has its own */
  readonly conditions: RiskConditions
  /** what measured rebuilds make of the hours; null where none count */
  readonly rebuild: Correction | null
}

export interface PoolQuestion {
  readonly drives: PoolDrives
  readonly choices: PoolChoices
  readonly catalogue: DriveCatalogue
  /**
   * what a file-aware rebuild would have to copy, likely, at the horizon; where there is nothing
   * yet, a full pool counts
   */
  readonly contentTB: number
  readonly layoutId: string
}

/** The pool that drives make under a layout, or why they cannot. */
export function poolOf({
  drives,
  choices,
  catalogue,
  contentTB,
  layoutId,
}: PoolQuestion): Pool | LayoutRefusal {
  const layout = layouts.find(candidate => candidate.id === layoutId)
  if (!layout) return { refused: 'UNKNOWN_LAYOUT', layout: layoutId }
  const traits = withAiling(traitsOf(drives, catalogue), choices.ailing)
  const each = drivesOf(drives).map((drive, at) => ({
    ...drive,
    failuresPerYear: traits[at]!.failuresPerYear,
  }))
  const arrangement = arrangeDrives(layout, each, drives.hotSpares)
  if (isRefusal(arrangement)) return arrangement
  const usesFiles =
    layout.rebuilds === 'files' ||
    (layout.rebuilds === 'byFileSystem' && drives.fileSystem === 'copyOnWrite')
  /** a spare serves the groups whose drives are no larger than it is */
  const hasSpare = (members: readonly number[]) =>
    arrangement.sparesTB.some(spareTB =>
      members.every(member => each[arrangement.memberPlaces[member]!]!.sizeTB <= spareTB),
    )
  const conditionsOf = (members: readonly number[], atOnce: number): RiskConditions => {
    const own = members.map(member => traits[arrangement.memberPlaces[member]!]!)
    const pooled = pooledTraits(own)
    const narrowest = narrowestLink(choices.sharedLinks, {
      onPorts: own.filter(({ nvme, inOwnCase }) => !nvme && !inOwnCase).length,
      nvme: own.filter(({ nvme }) => nvme).length,
      atOnce,
    })
    const isNarrowed = narrowest !== null && narrowest.MBps < pooled.sustainedMBps
    return {
      failuresPerYear: pooled.failuresPerYear,
      causesFactor: causesOf(drives, traits),
      ageYears: drives.ageYears,
      batchFactor: drives.oneBatch ? batchFactor : 1,
      leadHours: hasSpare(members) ? 0 : leadHours[drives.replacement],
      rebuildMBps: rebuildRateMBps(
        isNarrowed ? narrowest.MBps : pooled.sustainedMBps,
        choices.watchedHoursPerDay,
      ),
      narrowedBy: isNarrowed ? narrowest : null,
      usedShare:
        usesFiles && arrangement.usableTB > 0 && contentTB > 0
          ? Math.min(1, contentTB / arrangement.usableTB)
          : 1,
      shingledFactor: shingledFactor(pooled.shingled, layout, drives.fileSystem),
      readErrorsPerBit: pooled.readErrorsPerBit,
    }
  }
  const planned = {
    ...arrangement,
    groups: arrangement.groups.map(group => ({
      ...group,
      conditions: conditionsOf(group.members, atOnceIn(group)),
    })),
  }
  const rebuild = rebuildCorrection(planned, choices.rebuilds, drivesMark(layoutId, drives))
  const measured = (conditions: RiskConditions): RiskConditions =>
    rebuild
      ? { ...conditions, rebuildMBps: conditions.rebuildMBps / rebuild.factor.likely }
      : conditions
  return {
    layout,
    rebuild,
    arrangement: {
      ...planned,
      groups: planned.groups.map(group => ({ ...group, conditions: measured(group.conditions) })),
    },
    conditions: measured(
      conditionsOf(
        arrangement.memberPlaces.map((_, member) => member),
        Math.max(...arrangement.groups.map(atOnceIn)),
      ),
    ),
  }
}

/** What drives are like, with a higher rate for those whose reports speak against them. */
function withAiling<Traits extends { readonly failuresPerYear: number }>(
  traits: readonly Traits[],
  ailing: readonly Ailing[],
): Traits[] {
  return traits.map((own, at) => {
    const factor = ailing.find(({ bay }) => bay === at + 1)?.factor ?? 1
    return factor === 1
      ? own
      : {
          ...own,
          failuresPerYear: Math.min(
            maxFailuresPerYear,
            // λ is multiplied, not the share that fails within a year.
            -Math.expm1(factor * Math.log1p(-own.failuresPerYear)),
          ),
        }
  })
}

/** A mark of drives under a layout: others never took so long. */
export function drivesMark(
  layoutId: string,
  { lots, hotSpares }: Pick<PoolDrives, 'lots' | 'hotSpares'>,
): string {
  return markOf(
    JSON.stringify([
      layoutId,
      hotSpares,
      lots.map(({ count, sizeTB, model, role, group }) => [count, sizeTB, model, role, group]),
    ]),
  )
}

/** What measured rebuilds make of the hours of the longest one. */
function rebuildCorrection(
  arrangement: PoolArrangement,
  rebuilds: readonly Trial[],
  mark: string,
): Correction | null {
  const own = rebuilds.filter(trial => trial.mark === mark)
  if (own.length === 0) return null
  const hours = longestRebuildHours(arrangement)
  return hours === null
    ? null
    : correctionOf(
        'rebuildHours',
        exactly(hours),
        own.flatMap(trial => heldAgainst(trial, hours)),
      )
}

/** Drives of a group that a rebuild reads or writes at once: what it reads, and the new one. */
const atOnceIn = ({ readsTB }: Pick<PoolGroup, 'readsTB'>) => readsTB.length + 1

/** What heat and vibration together multiply the failure rate of drives by. */
export function causesOf(
  drives: Pick<Drives, 'unmounted' | 'above45C'>,
  traits: Parameters<typeof isShaken>[1],
): number {
  return (drives.above45C ? causeFactor : 1) * (isShaken(drives, traits) ? causeFactor : 1)
}

/** Whether so many spinning drives shake each other. */
export function isShaken(
  { unmounted }: Pick<Drives, 'unmounted'>,
  drives: readonly Pick<DriveTraits, 'spinning' | 'inOwnCase'>[],
): boolean {
  const inTheBox = drives.filter(({ spinning, inOwnCase }) => spinning && !inOwnCase)
  return unmounted && inTheBox.length > drivesUntilVibration
}

/** Room for the library in TB under a file system: usable · (1 − reserve) · ceiling − snapshots. */
export function roomTB(
  usableTB: number,
  drives: Pick<Drives, 'fileSystem' | 'changedGBPerMonth' | 'snapshotMonths'>,
): number {
  const { reserveShare, ceilingShare } = fileSystems[drives.fileSystem]
  return Math.max(0, usableTB * (1 - reserveShare) * ceilingShare - snapshotsTB(drives))
}

/** Usable space that a library needs: (content + snapshots) ÷ (ceiling · (1 − reserve)), TB. */
export function usableNeededTB(
  contentTB: number,
  drives: Pick<Drives, 'fileSystem' | 'changedGBPerMonth' | 'snapshotMonths'>,
): number {
  const { reserveShare, ceilingShare } = fileSystems[drives.fileSystem]
  return (contentTB + snapshotsTB(drives)) / (ceilingShare * (1 - reserveShare))
}
