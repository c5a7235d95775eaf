import type { Arrangement } from './arrangeDrives'
import type { FileSystem } from './fileSystem'

export interface WaterfallStep {
  readonly id:
    | 'raw'
    | 'spares'
    | 'redundancy'
    | 'mismatch'
    | 'usable'
    | 'reserve'
    | 'ceiling'
    | 'snapshots'
    | 'room'
  readonly label: string
  /** TB of this step; for a loss, what it takes */
  readonly sizeTB: number
  readonly kind: 'total' | 'loss'
}

/**
 * From the drives as bought to the room for content, step by step.
 * room = usable · (1 − reserve) · ceiling − snapshots, never below zero.
 * The losses between two totals add up to their difference.
 */
export function spaceWaterfall(
  arrangement: Arrangement,
  fileSystem: FileSystem,
  snapshotsTB: number,
): WaterfallStep[] {
  const { rawTB, redundancyTB, mismatchTB, usableTB } = arrangement
  const sparesTB = arrangement.sparesTB.reduce((sum, size) => sum + size, 0)
  const reserveTB = usableTB * fileSystem.reserveShare
  const underCeilingTB = (usableTB - reserveTB) * fileSystem.ceilingShare
  const ceilingTB = usableTB - reserveTB - underCeilingTB
  const heldTB = Math.min(snapshotsTB, underCeilingTB)
  return [
    { id: 'raw', label: 'Raw', sizeTB: rawTB, kind: 'total' },
    { id: 'spares', label: 'Hot spares', sizeTB: sparesTB, kind: 'loss' },
    { id: 'redundancy', label: 'Copies and parity', sizeTB: redundancyTB, kind: 'loss' },
    { id: 'mismatch', label: 'Unused: drives differ in size', sizeTB: mismatchTB, kind: 'loss' },
    { id: 'usable', label: 'Usable', sizeTB: usableTB, kind: 'total' },
    { id: 'reserve', label: 'File-system reserve', sizeTB: reserveTB, kind: 'loss' },
    { id: 'ceiling', label: 'Left empty (fill limit)', sizeTB: ceilingTB, kind: 'loss' },
    { id: 'snapshots', label: 'Snapshots', sizeTB: heldTB, kind: 'loss' },
    { id: 'room', label: 'Room', sizeTB: underCeilingTB - heldTB, kind: 'total' },
  ]
}
