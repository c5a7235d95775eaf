import type { DriveParts, LayoutDrive } from './layout'

export function sumTB(sizesTB: readonly number[]): number {
  return sizesTB.reduce((sum, size) => sum + size, 0)
}

/** Sizes of the drives, largest first. */
export function sizesDescending(drives: readonly LayoutDrive[]): number[] {
  return drives.map(drive => drive.sizeTB).sort((a, b) => b - a)
}

/** Places of the drives, the largest first; of equals in their order. */
export function placesDescending(drives: readonly LayoutDrive[]): number[] {
  return drives.map((_, place) => place).sort((a, b) => drives[b]!.sizeTB - drives[a]!.sizeTB)
}

/** Parts of a drive from those that are not nothing; the rest of it is unused. */
export function partsOf(
  sizeTB: number,
  { dataTB = 0, copyTB = 0, parityTB = 0 }: Partial<DriveParts>,
): DriveParts {
  return { dataTB, copyTB, parityTB, unusedTB: Math.max(0, sizeTB - dataTB - copyTB - parityTB) }
}
