import type { Drives } from '../plan/drives'
import type { DriveCatalogue } from './driveTraits'
import { priceOfLot } from './drivePrices'

/**
 * The drive that a plan counts on to lie on the shelf for a rebuild: one as large as its largest.
 * Null where it counts on none, rebuilds nothing, or has one in the box that takes over.
 * @param survives failed drives that lose nothing
 */
export function spareOnShelf(
  { drives }: { readonly drives: Drives },
  { survives, ...catalogue }: DriveCatalogue & { readonly survives: number },
): { readonly sizeTB: number; readonly price: number } | null {
  if (drives.replacement !== 'shelf' || survives === 0 || drives.hotSpares > 0) return null
  const largest = drives.lots.reduce<Drives['lots'][number] | null>(
    (most, lot) => (lot.count > 0 && lot.sizeTB > (most?.sizeTB ?? 0) ? lot : most),
    null,
  )
  return largest && { sizeTB: largest.sizeTB, price: priceOfLot(largest, drives, catalogue).each }
}
