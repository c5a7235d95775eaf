import type { Catalogue } from '../../catalogue/catalogue'
import type { Plan } from '../../plan/planSchema'
import { layoutFor } from '../automaticLayout'
import { layouts } from '../layouts/layouts'
import { drivesOf, roomTB } from '../poolOf'
import { biggerBoxLater, type BiggerBox } from './biggerBox'
import {
  cheapestPurchases,
  fallWhereStepsWin,
  purchasesNow,
  type GrowthQuestion,
  type PricedPurchase,
} from './cheapestPurchases'
import { driveOffers, offersWithin, type DriveOffer } from './driveOffers'

export interface PlanGrowthParts {
  /** the library by month to the horizon, TB: likely, or another end of its range */
  readonly contentTB: readonly number[]
  readonly layoutId: string
  readonly bays: number
  /** MB/s at which everything is copied to another machine */
  readonly copyMBps: number
}

/** Ways to grow a plan's drives to its horizon. */
export interface PlanGrowth {
  readonly offers: readonly DriveOffer[]
  /** sizes that were left out because there are too many bays to go through all */
  readonly leftOutTB: readonly number[]
  /** null where no purchases are enough */
  readonly cheapest: readonly PricedPurchase[] | null
  readonly now: readonly PricedPurchase[] | null
  readonly biggerBox: BiggerBox | null
  /**
   * yearly fall of prices above which the steps cost less than everything today; null where one of
   * them always does
   */
  readonly fallWhereStepsWin: number | null
}

/** So many drives of one size stand for a plan without drives, to see what layout it would get. */
const usualDrives = 4

/** The question that growth of a plan's drives is, with every size that can be bought. */
export function growthQuestion(
  { drives, choices }: Pick<Plan, 'drives' | 'choices'>,
  { contentTB, layoutId, bays }: Omit<PlanGrowthParts, 'copyMBps'>,
  catalogue: Catalogue,
): GrowthQuestion {
  const each = drivesOf(drives)
  const id =
    each.length > 0
      ? layoutId
      : layoutFor(
          Array<{ sizeTB: number }>(usualDrives).fill({ sizeTB: 1 }),
          choices.survivesAtLeast,
        )
  return {
    layout: layouts.find(layout => layout.id === id) ?? layouts[0]!,
    drives: each,
    hotSpares: drives.hotSpares,
    roomOf: usableTB => roomTB(usableTB, drives),
    contentTB,
    offers: driveOffers(drives, catalogue),
    bays,
    expandsParity: drives.expandsParity,
    fallPerYear: drives.priceFallPerYear,
    replacedWorth: drives.replacedWorth,
  }
}

/** The cheapest purchases, everything now, and a bigger machine later, for a plan. */
export function planGrowth(
  plan: Pick<Plan, 'drives' | 'choices'>,
  parts: PlanGrowthParts,
  catalogue: Catalogue,
): PlanGrowth {
  const all = growthQuestion(plan, parts, catalogue)
  const offers = offersWithin(all.offers, all.bays)
  const question = { ...all, offers }
  const cheapest = cheapestPurchases(question)
  const now = purchasesNow(question)
  return {
    offers,
    leftOutTB: all.offers.filter(offer => !offers.includes(offer)).map(({ sizeTB }) => sizeTB),
    cheapest,
    now,
    biggerBox: biggerBoxLater(
      question,
      catalogue.machineBases.filter(base => base.class !== 'rack'),
      parts.copyMBps,
    ),
    fallWhereStepsWin:
      cheapest && now
        ? fallWhereStepsWin(
            cheapest.map(purchase => atTodaysPrice(purchase, question)),
            sumOf(now),
          )
        : null,
  }
}

export function sumOf(purchases: readonly PricedPurchase[]): number {
  return purchases.reduce((sum, { price }) => sum + price, 0)
}

function atTodaysPrice(
  { month, count, sizeTB, price }: PricedPurchase,
  { offers, fallPerYear }: GrowthQuestion,
) {
  const each = offers.find(offer => offer.sizeTB === sizeTB)!.price
  return {
    month,
    priceToday: count * each,
    brings: count * each * (1 - fallPerYear) ** (month / 12) - price,
  }
}
