import type { Catalogue } from '../../catalogue/catalogue'
import type { Plan } from '../../plan/planSchema'
import { layoutFor } from '../automaticLayout'
import { layouts } from '../layouts/layouts'
import { driveClassOf } from '../driveTraits'
import { drivesOf, roomTB } from '../poolOf'
import { usualPrice } from '../usualPrice'
import { wholeCents } from '../../units/wholeCents'
import { biggerBoxLater, type BiggerBox } from './biggerBox'
import { cheapestPurchases, fallWhereStepsWin, purchasesNow, type Found } from './cheapestPurchases'
import { priceSum, type GrowthQuestion, type PricedPurchase } from './growthQuestion'
import { driveOffers, type DriveOffer } from './driveOffers'

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
  /** null where no purchases are enough, or none were found */
  readonly cheapest: readonly PricedPurchase[] | null
  /**
   * nothing costs less than this; null where what was found is proven to be the cheapest, or that
   * there is none
   */
  readonly atLeast: number | null
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
          choices.survivesAtLeast ?? 1,
        )
  return {
    layout: layouts.find(layout => layout.id === id) ?? layouts[0]!,
    drives: each,
    hotSpares: drives.hotSpares,
    roomOf: usableTB => roomTB(usableTB, drives),
    contentTB,
    offers: driveOffers(drives, catalogue),
    priceOf: sizeTB =>
      wholeCents(usualPrice(sizeTB, driveClassOf(drives, catalogue), catalogue.driveModels)),
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
  const question = growthQuestion(plan, parts, catalogue)
  const cheapest = cheapestPurchases(question)
  const now = purchasesNow(question).purchases
  return {
    offers: question.offers,
    cheapest: cheapest.purchases,
    atLeast: isProven(cheapest) ? null : cheapest.atLeast,
    now,
    biggerBox: biggerBoxLater(
      question,
      catalogue.machineBases.filter(base => base.class !== 'rack'),
      parts.copyMBps,
    ),
    fallWhereStepsWin:
      cheapest.purchases && now ? fallFor(cheapest.purchases, now, question) : null,
  }
}

const isProven = ({ purchases, atLeast }: Found) =>
  purchases ? priceSum(purchases) <= atLeast + 0.005 : atLeast === Infinity

/**
 * Where drives are only added, or everything is bought at once because prices rise, steps cost less
 * as soon as prices fall at all.
 */
function fallFor(
  steps: readonly PricedPurchase[],
  now: readonly PricedPurchase[],
  question: GrowthQuestion,
): number | null {
  const replaces = steps.some(({ how }) => how === 'smallest' || how === 'allSmaller')
  if (!replaces || question.fallPerYear < 0) return 0
  return fallWhereStepsWin(
    steps.map(step => atTodaysPrice(step, question)),
    priceSum(now),
  )
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
