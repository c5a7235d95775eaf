import { drivesAfter, priceIn, type Purchase } from './purchases'
import type { GrowthQuestion, PricedPurchase } from './cheapestPurchases'
import { plannedRoom, roomOfDrives } from './plannedRoom'

/** The room month by month as purchases come in, and what they cost. */
export interface RoomCourse {
  /** by month, from today to the horizon, TB */
  readonly roomTB: readonly number[]
  readonly purchases: readonly (PricedPurchase & {
    /** TB of room from then on */ readonly roomTB: number
    /** drives without a bay after it */ readonly withoutBay: number
  })[]
  readonly total: number
  /** first month in which the library is larger than the room; null where it always fits */
  readonly monthFull: number | null
}

/**
 * What purchases at given months come to. They need not be enough, nor the cheapest.
 * @param purchases in any order; those of one month in theirs
 */
export function roomCourse(question: GrowthQuestion, purchases: readonly Purchase[]): RoomCourse {
  const { contentTB, offers, fallPerYear, replacedWorth, bays } = question
  const perTB = Math.min(...offers.map(({ price, sizeTB }) => price / sizeTB))
  const priceOf = (sizeTB: number) =>
    offers.find(offer => offer.sizeTB === sizeTB)?.price ??
    sizeTB * (Number.isFinite(perTB) ? perTB : 0)
  const inOrder = purchases
    .map((purchase, at) => ({ purchase, at }))
    .sort((a, b) => a.purchase.month - b.purchase.month || a.at - b.at)
  let drives = question.drives
  const roomTB = plannedRoom(question, drives, { purchases, months: contentTB.length })
  const priced = inOrder.map(({ purchase, at }) => {
    const { drives: after, replaced } = drivesAfter(drives, purchase)
    drives = after
    const price =
      purchase.count * priceIn(priceOf(purchase.sizeTB), purchase.month, fallPerYear) -
      replaced.length * replacedWorth
    return {
      at,
      entry: {
        ...purchase,
        price,
        roomTB: roomOfDrives(question, drives),
        withoutBay: Math.max(0, drives.length - bays),
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
