import { entryOf } from '../catalogue/catalogue'
import type { DriveClass } from '../catalogue/driveClasses'
import type { Choices } from '../plan/choices'
import type { Drives } from '../plan/drives'
import { arrangeDrives, type Arrangement } from './arrangeDrives'
import { causeFactor, drivesUntilVibration } from './failureRate'
import { fileSystems } from './fileSystem'
import { batchFactor, shingledFactor, type RiskConditions } from './layoutRisk'
import { isRefusal, type Layout, type LayoutDrive, type LayoutRefusal } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { likelyReadErrors } from './readError'
import { rebuildRateMBps } from './rebuildHours'

export const leadHours = { shelf: 12, order: 48, abroad: 168 } as const

/** Drives without what they cost: what space and risk follow from. */
export type PoolDrives = Omit<Drives, 'lots'> & { readonly lots: readonly Pick<Drives['lots'][number], 'count' | 'sizeTB' | 'role'>[] }
export type PoolChoices = Pick<Choices, 'watchingHoursPerDay'>

/** A plan's drives without their prices. */
export function withoutPrices(drives: Drives): PoolDrives {
  return { ...drives, lots: drives.lots.map(({ count, sizeTB, role }) => ({ count, sizeTB, role })) }
}

/** The drives of a plan, one entry each. */
export function drivesOf({ lots }: Pick<PoolDrives, 'lots'>): LayoutDrive[] {
  return lots.flatMap(lot => Array.from({ length: lot.count }, () => ({ sizeTB: lot.sizeTB, role: lot.role })))
}

/** TB that snapshots hold: what changes in a month times the months kept. */
export function snapshotsTB({ changedGBPerMonth, snapshotMonths }: Pick<Drives, 'changedGBPerMonth' | 'snapshotMonths'>): number {
  return changedGBPerMonth * snapshotMonths / 1000
}

/** Class of a plan's drives; a class that the catalogue does not know counts as its first. */
export function driveClassOf({ driveClass }: Pick<Drives, 'driveClass'>, driveClasses: readonly DriveClass[]): DriveClass | null {
  return entryOf(driveClasses, driveClass) ?? driveClasses[0] ?? null
}

/** Class-less drives fail like new ones made for running day and night. */
const usualFailuresPerYear = 0.015

export interface Pool {
  readonly layout: Layout
  readonly arrangement: Arrangement
  readonly conditions: RiskConditions
}

export interface PoolQuestion {
  readonly drives: PoolDrives
  readonly choices: PoolChoices
  readonly driveClasses: readonly DriveClass[]
  /** what a file-aware rebuild would have to copy, likely, at the horizon; where there is nothing yet, a full pool counts */
  readonly contentTB: number
  readonly layoutId: string
}

/** The pool that drives make under a layout, or why they cannot. */
export function poolOf({ drives, choices, driveClasses, contentTB, layoutId }: PoolQuestion): Pool | LayoutRefusal {
  const layout = layouts.find(candidate => candidate.id === layoutId)
  if (!layout) return { refused: 'UNKNOWN_LAYOUT', layout: layoutId }
  const each = drivesOf(drives)
  const arrangement = arrangeDrives(layout, each, drives.hotSpares)
  if (isRefusal(arrangement)) return arrangement
  const fileAware = layout.fileAware || drives.fileSystem === 'copyOnWrite'
  const driveClass = driveClassOf(drives, driveClasses)
  return {
    layout,
    arrangement,
    conditions: {
      failuresPerYear: drives.failuresPerYear ?? driveClass?.failuresPerYear ?? usualFailuresPerYear,
      causesFactor: (drives.above45C ? causeFactor : 1) * (isShaken(drives, each.length, driveClass) ? causeFactor : 1),
      ageYears: drives.ageYears,
      batchFactor: drives.oneBatch ? batchFactor : 1,
      leadHours: drives.hotSpares > 0 ? 0 : leadHours[drives.replacement],
      rebuildMBps: rebuildRateMBps(drives.outerMBps, choices.watchingHoursPerDay),
      usedShare: fileAware && arrangement.usableTB > 0 && contentTB > 0 ? Math.min(1, contentTB / arrangement.usableTB) : 1,
      shingledFactor: shingledFactor(drives.shingled, layout, drives.fileSystem),
      readErrorsPerBit: likelyReadErrors(drives.sheetReadErrorBits),
    },
  }
}

/** Whether so many spinning drives shake each other. */
export function isShaken({ unmounted }: Pick<Drives, 'unmounted'>, count: number, driveClass: DriveClass | null): boolean {
  return unmounted && count > drivesUntilVibration && (driveClass?.spinning ?? true)
}

/** Room for the library in TB under a file system: usable · (1 − reserve) · ceiling − snapshots. */
export function roomTB(usableTB: number, drives: Pick<Drives, 'fileSystem' | 'changedGBPerMonth' | 'snapshotMonths'>): number {
  const { reserveShare, ceilingShare } = fileSystems[drives.fileSystem]
  return Math.max(0, usableTB * (1 - reserveShare) * ceilingShare - snapshotsTB(drives))
}

/** Usable space that a library needs: (content + snapshots) ÷ (ceiling · (1 − reserve)), TB. */
export function usableNeededTB(contentTB: number, drives: Pick<Drives, 'fileSystem' | 'changedGBPerMonth' | 'snapshotMonths'>): number {
  const { reserveShare, ceilingShare } = fileSystems[drives.fileSystem]
  return (contentTB + snapshotsTB(drives)) / (ceilingShare * (1 - reserveShare))
}
