import type { DriveLot } from '../plan/drives'
import { wholeCents } from '../units/wholeCents'
import { driveTraits, type CommonDrives, type DriveCatalogue } from './driveTraits'

/** What the drives of one lot cost. */
export interface LotPrice {
  /** of one drive, were it bought, in the plan's currency */
  readonly each: number
  /** to pay now for all of them: nothing where they are owned */
  readonly toPay: number
  /** no price is given, so the usual one stands in */
  readonly isUsual: boolean
}

/**
 * Price of a lot of drives: as entered, else that of its model, else size × the usual price of a
 * terabyte of its class.
 * @example priceOfLot({ count: 2, sizeTB: 8, model: 'own', condition: 'new', priceEach: null },
 *   NAS-class at 20 a TB) // each 160, to pay 320
 */
export function priceOfLot(
  lot: Pick<DriveLot, 'count' | 'sizeTB' | 'model' | 'condition' | 'priceEach'>,
  drives: CommonDrives,
  catalogue: DriveCatalogue,
): LotPrice {
  const { count, condition, priceEach } = lot
  const each = priceEach ?? wholeCents(driveTraits(lot, drives, catalogue).usualPrice)
  return {
    each,
    toPay: condition === 'owned' ? 0 : wholeCents(count * each),
    isUsual: priceEach === null && condition !== 'owned',
  }
}

/** What is to pay now for all drives of a pool. */
export function drivesToPay(
  drives: CommonDrives & { readonly lots: readonly DriveLot[] },
  catalogue: DriveCatalogue,
): number {
  return drives.lots.reduce((sum, lot) => sum + priceOfLot(lot, drives, catalogue).toPay, 0)
}
