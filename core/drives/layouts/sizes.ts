import type { LayoutDrive } from './layout'

export function sumTB(sizesTB: readonly number[]): number {
  return sizesTB.reduce((sum, size) => sum + size, 0)
}

/** Sizes of the drives, largest first. */
export function sizesDescending(drives: readonly LayoutDrive[]): number[] {
  return drives.map(drive => drive.sizeTB).sort((a, b) => b - a)
}
