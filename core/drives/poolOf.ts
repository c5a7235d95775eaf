import type { Catalogue } from '../catalogue/catalogue'
import type { Choices } from '../plan/choices'
import type { Drives } from '../plan/drives'
import { arrangeDrives, type Arrangement } from './arrangeDrives'
import { fileSystems } from './fileSystem'
import { shingledFactor, type RiskConditions } from './layoutRisk'
import { isRefusal, type Layout, type LayoutDrive } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { rebuildRateMBps } from './rebuildHours'

export const leadHours = { shelf: 12, order: 48, abroad: 168 } as const

/** The drives of a plan, one entry each. */
export function drivesOf({ lots }: Pick<Drives, 'lots'>): LayoutDrive[] {
  return lots.flatMap(lot => Array.from({ length: lot.count }, () => ({ sizeTB: lot.sizeTB, role: lot.role })))
}

/** TB that snapshots hold: what changes in a month times the months kept. */
export function snapshotsTB({ changedGBPerMonth, snapshotMonths }: Pick<Drives, 'changedGBPerMonth' | 'snapshotMonths'>): number {
  return changedGBPerMonth * snapshotMonths / 1000
}

export interface Pool {
  readonly layout: Layout
  readonly arrangement: Arrangement
  readonly conditions: RiskConditions
}

/**
 * The pool a plan's drives make under a layout (its own unless another is given), or why they cannot.
 * @param contentTB content that a file-aware rebuild would have to copy, likely, at the horizon
 */
export function poolOf(drives: Drives, choices: Choices, catalogue: Catalogue, contentTB: number, layoutId: string = drives.layout): Pool | { readonly refused: string } {
  const layout = layouts.find(candidate => candidate.id === layoutId)
  if (!layout) return { refused: `There is no layout "${layoutId}".` }
  const arrangement = arrangeDrives(layout, drivesOf(drives), drives.hotSpares)
  if (isRefusal(arrangement)) return arrangement
  const fileAware = layout.fileAware || drives.fileSystem === 'copyOnWrite'
  const driveClass = catalogue.driveClasses.find(candidate => candidate.id === drives.driveClass)
  return {
    layout,
    arrangement,
    conditions: {
      failuresPerYear: drives.failuresPerYear ?? driveClass?.failuresPerYear ?? 0.015,
      batchFactor: drives.oneBatch ? 3 : 1,
      leadHours: drives.hotSpares > 0 ? 0 : leadHours[drives.replacement],
      rebuildMBps: rebuildRateMBps(drives.outerMBps, choices.watchingHoursPerDay),
      usedShare: fileAware && arrangement.usableTB > 0 ? Math.min(1, contentTB / arrangement.usableTB) : 1,
      shingledFactor: shingledFactor(drives.shingled, layout, drives.fileSystem),
      readErrorsPerBit: 0.1 / drives.sheetReadErrorBits,
    },
  }
}

/** Room for content in TB under a file system: usable · (1 − reserve) · ceiling − snapshots. */
export function roomTB(usableTB: number, drives: Drives): number {
  const { reserveShare, ceilingShare } = fileSystems[drives.fileSystem]
  return Math.max(0, usableTB * (1 - reserveShare) * ceilingShare - snapshotsTB(drives))
}
