import { drivesAfter, priceOfPurchase, type Purchase } from './purchases'
import type { GrowthQuestion, PricedPurchase } from './growthQuestion'
import { plannedRoom, roomOfDrives } from './plannedRoom'

/** The room month by month as purchases come in, and what they cost. */
export interface RoomCourse {
  /** by month, from today to the horizon, TB */
  readonly roomTB: readonly number[]
  readonly purchases: readonly (PricedPurchase & {
    /** TB of room from then on */ readonly roomTB: number
  })[]
  readonly total: number
  /** first month in which the library is larger than the room; null where it always fits */
  readonly monthFull: number | null
}

/**
 * What purchases at given months come to. They need not be enough, nor the cheapest.
 * @param purchases in any order; those of one month in theirs
 * @param counted of each how many of its drives have a place, and make room; all unless given
 */
export function roomCourse(
  question: GrowthQuestion,
  purchases: readonly Purchase[],
  counted: readonly number[] = purchases.map(({ count }) => count),
): RoomCourse {
  const { contentTB, priceOf } = question
  const inOrder = purchases
    .map((purchase, at) => ({ purchase, at }))
    .sort((a, b) => a.purchase.month - b.purchase.month || a.at - b.at)
  let drives = question.drives
  const roomTB = plannedRoom(question, drives, {
    purchases: purchases.flatMap((purchase, at) =>
      counted[at]! > 0 ? [{ ...purchase, count: counted[at]! }] : [],
    ),
    months: contentTB.length,
  })
  const priced = inOrder.map(({ purchase, at }) => {
    const { replaced } = drivesAfter(drives, purchase)
    const count = counted[at]!
    if (count > 0) drives = drivesAfter(drives, { ...purchase, count }).drives
    const price = priceOfPurchase(question, {
      purchase,
      each: priceOf(purchase.sizeTB),
      replaced: count > 0 ? replaced.length : 0,
    })
    return {
      at,
      entry: {
        ...purchase,
        price,
        roomTB: roomOfDrives(question, drives),
      },
    }
  })
  const full = contentTB.findIndex((content, month) => content > roomTB[month]!)
  return {
    roomTB,
    monthFull: full < 0 ? null : full,
    total: priced.reduce((sum, { entry }) => sum + entry.price, 0),
    // In the order in which they were given, so that each is found again by its place.
    purchases: priced.toSorted((a, b) => a.at - b.at).map(({ entry }) => entry),
  }
}
