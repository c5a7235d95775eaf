import { ownEntry } from '../../plan/constants'
import type { Drives } from '../../plan/drives'
import { asLots, singles } from '../bayOrder'
import type { DriveOffer } from './driveOffers'
import { drivesAfter, type Purchase } from './purchases'

/**
 * A plan's drives with purchases taken over: those of today become drives of the plan, later ones
 * are planned.
 * @param offers what the purchases were chosen from: their models
 */
export function applyPurchases(
  drives: Drives,
  purchases: readonly Purchase[],
  offers: readonly DriveOffer[],
): Drives {
  const today = purchases.filter(purchase => purchase.month === 0)
  let lots = singles(drives.lots)
  for (const purchase of today) {
    const model = offers.find(offer => offer.sizeTB === purchase.sizeTB)?.model ?? ownEntry
    // Each drive that stays is known again by its place, which goes along as its role would.
    const { drives: after } = drivesAfter(lots, purchase)
    lots = after.map(
      drive =>
        lots.find(lot => lot === drive) ?? {
          count: 1,
          sizeTB: purchase.sizeTB,
          model,
          condition: 'new',
          priceEach: null,
          group: drive.group ?? lots.at(-1)?.group ?? 1,
          role: 'any',
        },
    )
  }
  return {
    ...drives,
    lots: asLots(lots),
    purchases: purchases
      .filter(purchase => purchase.month > 0)
      .map(({ month, count, sizeTB, how }) => ({ month, count, sizeTB, how })),
  }
}
