import { ownEntry } from '../../plan/constants'
import type { Drives } from '../../plan/drives'
import { asLots, singles } from '../bayOrder'
import type { DriveOffer } from './driveOffers'
import { lotsAfter } from './lotsAfter'
import type { Purchase } from './purchases'

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
    const { sizeTB } = purchase
    const model = offers.find(offer => offer.sizeTB === sizeTB)?.model ?? ownEntry
    lots = lotsAfter(lots, purchase, group => ({
      count: 1,
      sizeTB,
      model,
      condition: 'new',
      priceEach: null,
      warrantyMonths: null,
      goesInLast: false,
      group,
      role: 'any',
    }))
  }
  return {
    ...drives,
    lots: asLots(lots),
    purchases: purchases
      .filter(purchase => purchase.month > 0)
      .map(({ month, count, sizeTB, how }) => ({ month, count, sizeTB, how })),
  }
}
