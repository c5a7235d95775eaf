import type { DriveClass } from '../catalogue/driveClasses'
import type { DriveLot } from '../plan/drives'

/** What the drives of one lot cost. */
export interface LotPrice {
  /** of one drive, were it bought, in the plan's currency */
  readonly each: number
  /** to pay now for all of them: nothing where they are owned */
  readonly toPay: number
  /** no price is given, so the usual one of a terabyte stands in */
  readonly isUsual: boolean
}

/**
 * Price of a lot of drives: as entered, else size × the usual price of a terabyte of its class.
 * @example priceOfLot({ count: 2, sizeTB: 8, condition: 'new', priceEach: null }, NAS-class at 20 a TB) // each 160, to pay 320
 */
export function priceOfLot({ count, sizeTB, condition, priceEach }: Pick<DriveLot, 'count' | 'sizeTB' | 'condition' | 'priceEach'>, driveClass: Pick<DriveClass, 'pricePerTB'> | null): LotPrice {
  const each = priceEach ?? sizeTB * (driveClass?.pricePerTB ?? 0)
  return { each, toPay: condition === 'owned' ? 0 : count * each, isUsual: priceEach === null && condition !== 'owned' }
}
