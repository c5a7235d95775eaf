import { singles } from './bayOrder'

/**
 * Drives in groups by their size, largest first: sizes of which there are too few for a group go
 * with the next smaller one, and the smallest with those above.
 * @returns null where they make one group only
 */
export function groupsBySize<
  Lot extends { readonly count: number; readonly sizeTB: number; readonly group: number },
>(lots: readonly Lot[], minimumDrives: number): Lot[] | null {
  const drives = singles(lots)
  const sizes = [...new Set(drives.map(({ sizeTB }) => sizeTB))].sort((a, b) => b - a)
  const groupOf = new Map<number, number>()
  let [group, inGroup] = [1, 0]
  for (const size of sizes) {
    if (inGroup >= minimumDrives) [group, inGroup] = [group + 1, 0]
    groupOf.set(size, group)
    inGroup += drives.filter(({ sizeTB }) => sizeTB === size).length
  }
  if (inGroup < minimumDrives)
    for (const [size, own] of groupOf) if (own === group) groupOf.set(size, Math.max(1, own - 1))
  return new Set(groupOf.values()).size < 2
    ? null
    : drives.map(drive => ({ ...drive, group: groupOf.get(drive.sizeTB)! }))
}
