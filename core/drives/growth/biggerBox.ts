import type { MachineBase } from '../../catalogue/machineBases'
import { possiblePurchases, type GrowthQuestion, type PricedPurchase } from './growthQuestion'
import { roomOfDrives } from './plannedRoom'
import { drivesAfter, priceOfPurchase } from './purchases'
import type { LayoutDrive } from '../layouts/layout'

/** The present machine as long as it pays, then a bigger one, with drives that all is copied to. */
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

/** Drives of one size that last to the horizon, and the cheapest machine that takes them. */
interface NewPool {
  readonly sizeTB: number
  readonly count: number
  readonly base: MachineBase
}

function newPools(question: GrowthQuestion, bigger: readonly MachineBase[]): NewPool[] {
  const need = Math.max(...question.contentTB)
  const most = Math.max(0, ...bigger.map(({ bays }) => bays))
  return question.offers.flatMap(({ sizeTB }) => {
    const drives: LayoutDrive[] = []
    while (drives.length < most) {
      drives.push({ sizeTB, role: 'any' })
      if (roomOfDrives(question, drives) < need) continue
      const base = bigger
        .filter(({ bays }) => bays >= drives.length)
        .reduce((least, other) => (other.price < least.price ? other : least))
      return [{ sizeTB, count: drives.length, base }]
    }
    return []
  })
}

/** Whether drives that are added to the present machine last, the largest there are. */
function lastsByAdding(question: GrowthQuestion): boolean {
  const largest = Math.max(...question.offers.map(({ sizeTB }) => sizeTB))
  const need = Math.max(...question.contentTB)
  let { drives } = question
  for (;;) {
    if (roomOfDrives(question, drives) >= need) return true
    const more = possiblePurchases(question, drives).find(
      ({ how, sizeTB }) => how === 'added' && sizeTB === largest,
    )
    if (!more) return false
    drives = drivesAfter(drives, more).drives
  }
}

/** Drives in the present machine that are too small from a month on. */
interface Stage {
  readonly drives: readonly LayoutDrive[]
  readonly month: number
  readonly cost: number
  readonly first: readonly PricedPurchase[]
}

/**
 * Smaller machine now, bigger one later: in a month in which the room would be too small a drive is
 * added while there is a bay, or a machine of the catalogue with more bays takes new drives of one
 * size that last to the horizon, whichever costs less in the end. The price of a machine stays as
 * it is.
 * @returns null where the present bays are enough, or no machine of the catalogue is
 */
export function biggerBoxLater(
  question: GrowthQuestion,
  bases: readonly MachineBase[],
  copyMBps: number,
): BiggerBox | null {
  const { contentTB, offers, bays } = question
  const pools = newPools(
    question,
    bases.filter(base => base.bays > bays),
  )
  if (pools.length === 0 || lastsByAdding(question)) return null
  const priceOf = new Map(offers.map(({ sizeTB, price }) => [sizeTB, price]))
  const costAt = ({ count, sizeTB }: NewPool, month: number, replaced: number) =>
    priceOfPurchase(question, {
      purchase: { month, count, sizeTB, how: 'allSmaller' },
      each: priceOf.get(sizeTB)!,
      replaced,
    })
  const months = contentTB.map((_, month) => month)
  const least = Math.min(
    ...pools.flatMap(pool =>
      [months[0]!, months.at(-1)!].map(month => pool.base.price + costAt(pool, month, bays)),
    ),
  )
  const monthTooSmall = (drives: readonly LayoutDrive[], from: number) => {
    const room = roomOfDrives(question, drives)
    return contentTB.findIndex((content, month) => month >= from && content > room)
  }

  let best: BiggerBox | null = null
  const seen = new Map<string, number>()
  const open: Stage[] = [
    { drives: question.drives, month: monthTooSmall(question.drives, 0), cost: 0, first: [] },
  ]
  for (let stage = open.pop(); stage; stage = open.pop()) {
    const { drives, month, cost, first } = stage
    // What lasts needs no other machine, and what costs as much as another way is no better.
    if (month < 0 || (best && cost + least >= best.total)) continue
    const key = `${month} ${drives
      .map(({ sizeTB, group }) => `${sizeTB}/${group ?? ''}`)
      .sort()
      .join(' ')}`
    if ((seen.get(key) ?? Infinity) <= cost) continue
    seen.set(key, cost)
    for (const pool of pools) {
      const drivesPrice = costAt(pool, month, drives.length)
      const total = cost + pool.base.price + drivesPrice
      if (!best || total < best.total - 1e-9)
        best = {
          ...pool,
          first,
          month,
          drivesPrice,
          total,
          copyHours: copyHours(contentTB[month]!, copyMBps),
        }
    }
    for (const purchase of possiblePurchases(question, drives)) {
      if (purchase.how !== 'added') continue
      const after = drivesAfter(drives, purchase).drives
      const price = priceOfPurchase(question, {
        purchase: { ...purchase, month },
        each: priceOf.get(purchase.sizeTB)!,
        replaced: 0,
      })
      open.push({
        drives: after,
        month: monthTooSmall(after, month),
        cost: cost + price,
        first: [...first, { ...purchase, month, price }],
      })
    }
  }
  return best
}
