import type { MachineBase } from '../../catalogue/machineBases'
import { possiblePurchases, type GrowthQuestion, type PricedPurchase } from './cheapestPurchases'
import { roomOfDrives } from './plannedRoom'
import { drivesAfter, priceIn } from './purchases'
import type { LayoutDrive } from '../layouts/layout'

/**
 * The present machine filled up first, then a bigger one with new drives, onto which everything is
 * copied.
 */
export interface BiggerBox {
  /** into the present machine */
  readonly first: readonly PricedPurchase[]
  readonly month: number
  readonly base: MachineBase
  readonly count: number
  readonly sizeTB: number
  /** of the new drives in that month, less what the old ones bring */
  readonly drivesPrice: number
  readonly total: number
  /** hours that the copy takes, with both pools full */
  readonly copyHours: number
}

/** Hours to copy so many TB at so many MB/s. */
export function copyHours(sizeTB: number, rateMBps: number): number {
  return (sizeTB * 1e6) / rateMBps / 3600
}

/**
 * Smaller machine now, bigger one later: drives are added while there are bays, and when they no
 * longer do, a machine of the
 * catalogue with more bays takes new drives of one size that last to the horizon. The price of a
 * machine stays as it is.
 * @returns null where the present bays are enough, or no machine of the catalogue is
 */
export function biggerBoxLater(
  question: GrowthQuestion,
  bases: readonly MachineBase[],
  copyMBps: number,
): BiggerBox | null {
  const { contentTB, offers, fallPerYear, replacedWorth, bays } = question
  const priceOf = new Map(offers.map(({ sizeTB, price }) => [sizeTB, price]))
  const need = Math.max(...contentTB)
  const bigger = bases.filter(base => base.bays > bays)
  const pools = offers.flatMap(({ sizeTB, price }) => {
    const most = Math.max(0, ...bigger.map(base => base.bays))
    for (let count = 1; count <= most; count++) {
      if (
        roomOfDrives(
          question,
          Array.from({ length: count }, (): LayoutDrive => ({ sizeTB, role: 'any' })),
        ) >= need
      ) {
        const base = bigger
          .filter(candidate => candidate.bays >= count)
          .reduce((least, candidate) => (candidate.price < least.price ? candidate : least))
        return [{ sizeTB, count, price, base }]
      }
    }
    return []
  })
  if (pools.length === 0) return null

  type Way = Omit<BiggerBox, 'copyHours'>
  /** null where the drives last without another machine */
  const known = new Map<string, Way | null>()
  function way(drives: readonly LayoutDrive[], from: number): Way | null {
    const room = roomOfDrives(question, drives)
    const month = contentTB.findIndex((content, at) => at >= from && content > room)
    if (month < 0) return null
    const key = `${month}|${drives
      .map(drive => drive.sizeTB)
      .sort((a, b) => a - b)
      .join(' ')}`
    const found = known.get(key)
    if (found !== undefined) return found
    const additions = possiblePurchases(question, drives).filter(({ how }) => how === 'added')
    const ways = additions.map((purchase): Way | null => {
      const next = way(drivesAfter(drives, purchase).drives, month)
      const price = purchase.count * priceIn(priceOf.get(purchase.sizeTB)!, month, fallPerYear)
      return (
        next && {
          ...next,
          first: [{ ...purchase, month, price }, ...next.first],
          total: price + next.total,
        }
      )
    })
    let best = ways.includes(null)
      ? null
      : ways.reduce(
          (least, other) => (least && other && least.total <= other.total ? least : other),
          null,
        )
    if (additions.length === 0)
      for (const { sizeTB, count, price, base } of pools) {
        const drivesPrice =
          count * priceIn(price, month, fallPerYear) - drives.length * replacedWorth
        if (!best || drivesPrice + base.price < best.total)
          best = {
            first: [],
            month,
            base,
            count,
            sizeTB,
            drivesPrice,
            total: drivesPrice + base.price,
          }
      }
    known.set(key, best)
    return best
  }
  const best = way(question.drives, 0)
  return best && { ...best, copyHours: copyHours(contentTB[best.month]!, copyMBps) }
}
