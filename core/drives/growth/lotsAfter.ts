import type { LayoutDrive } from '../layouts/layout'
import { drivesAfter, type Purchase } from './purchases'

/**
 * Single drives after a purchase, those that stay as they are.
 * @param lots of one drive each, in their order
 * @param bought makes a drive of the purchase, for the group that it joins
 */
export function lotsAfter<Lot extends LayoutDrive & { readonly group: number }>(
  lots: readonly Lot[],
  purchase: Omit<Purchase, 'month'>,
  bought: (group: number) => Lot,
): Lot[] {
  // Each drive that stays is known again by its place, which goes along as its role would.
  return drivesAfter(lots, purchase).drives.map(
    drive => lots.find(lot => lot === drive) ?? bought(drive.group ?? lots.at(-1)?.group ?? 1),
  )
}
