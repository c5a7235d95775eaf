import { requireWithin } from '../../errors'
import type { Layout, LayoutDrive } from '../layouts/layout'
import { drivesAfter, priceIn, type Purchase } from './purchases'
import { roomOfDrives } from './plannedRoom'
import type { DriveOffer } from './driveOffers'

export interface GrowthQuestion {
  readonly layout: Layout
  /** the drives there are, as the layout sees them */
  readonly drives: readonly LayoutDrive[]
  readonly hotSpares: number
  /** room of a usable space, TB */
  readonly roomOf: (usableTB: number) => number
  /** library by month, TB, from today to the horizon */
  readonly contentTB: readonly number[]
  readonly offers: readonly DriveOffer[]
  readonly bays: number
  /** a parity group can take a further drive */
  readonly expandsParity: boolean
  /** share by which prices fall in a year */
  readonly fallPerYear: number
  /** what a replaced drive still brings */
  readonly replacedWorth: number
}

export interface PricedPurchase extends Purchase {
  /** of all its drives, less what the replaced ones bring */
  readonly price: number
}

/** What may be bought next, by the layout's rule and within the bays. */
export function possiblePurchases(
  { layout, hotSpares, bays, expandsParity, offers }: GrowthQuestion,
  drives: readonly LayoutDrive[],
): Omit<Purchase, 'month'>[] {
  const free = bays - drives.length
  const isMade = drives.length - hotSpares >= layout.minimumDrives
  const smallest = Math.min(...drives.map(drive => drive.sizeTB))
  return offers.flatMap(({ sizeTB }): Omit<Purchase, 'month'>[] => {
    const add = (count: number): Omit<Purchase, 'month'>[] =>
      count <= free ? [{ count, sizeTB, how: 'added' }] : []
    // So many drives as are not there yet come first, whatever the layout grows by then.
    if (!isMade) return add(1)
    const smaller = drives.filter(drive => drive.sizeTB < sizeTB).length
    const all: Omit<Purchase, 'month'>[] =
      smaller > 0 ? [{ count: smaller, sizeTB, how: 'allSmaller' }] : []
    const smallestOnes = (count: number): Omit<Purchase, 'month'>[] =>
      sizeTB > smallest && drives.length >= count ? [{ count, sizeTB, how: 'smallest' }] : []
    switch (layout.grows) {
      case 'added': {
        const each = layout.takesAtATime
        return free >= each ? add(each) : smallestOnes(each)
      }
      case 'parityGroup': {
        if (expandsParity) return [...add(1), ...all]
        const groups = Array.from(
          { length: Math.max(0, free - layout.minimumDrives + 1) },
          (_, more): Omit<Purchase, 'month'> => ({
            count: layout.minimumDrives + more,
            sizeTB,
            how: 'newGroup',
          }),
        )
        return [...groups, ...all]
      }
      case 'startOver':
        return [...add(1), ...all]
      case 'replaceAll':
        return all
    }
  })
}

interface Rest {
  readonly cost: number
  readonly purchase: PricedPurchase | null
  readonly after: readonly LayoutDrive[]
}

/**
 * The cheapest purchases that keep the library within the room in every month, within the bays and
 * by the layout's rule.
 * Exact, by dynamic programming over the drives that are there: while prices fall, buying earlier
 * than a month in which the
 * room would be too small never pays, and while they rise everything is bought at once. Of equal
 * prices the fewer steps.
 * @returns in their order; null where no purchases are enough
 * @throws {CoreRangeError} GROWTH_FALL: prices fall by everything
 */
export function cheapestPurchases(question: GrowthQuestion): PricedPurchase[] | null {
  const { contentTB, offers, fallPerYear, replacedWorth } = question
  requireWithin('GROWTH_FALL', fallPerYear, { min: -1, max: 0.99 })
  const priceOf = new Map(offers.map(({ sizeTB, price }) => [sizeTB, price]))
  const isNow = fallPerYear < 0
  const need = isNow ? [Math.max(...contentTB)] : contentTB
  const rests = new Map<string, Rest>()
  const steps = new Map<string, number>()

  /** First month, from one on, in which these drives are too small; null where they last. */
  function monthTooSmall(drives: readonly LayoutDrive[], from: number): number | null {
    const room = roomOfDrives(question, drives)
    for (let month = from; month < need.length; month++) if (need[month]! > room) return month
    return null
  }
  function rest(drives: readonly LayoutDrive[], from: number): Rest {
    const month = monthTooSmall(drives, from)
    if (month === null) return { cost: 0, purchase: null, after: drives }
    const key = keyOf(drives, month)
    const known = rests.get(key)
    if (known) return known
    // Drives only ever become more or bigger, so a way never comes back to where it was.
    let best: Rest = { cost: Infinity, purchase: null, after: drives }
    let fewest = Infinity
    for (const purchase of possiblePurchases(question, drives)) {
      const { drives: after, replaced } = drivesAfter(drives, purchase)
      const price =
        purchase.count * priceIn(priceOf.get(purchase.sizeTB)!, month, fallPerYear) -
        replaced.length * replacedWorth
      const next = rest(after, month)
      const cost = price + next.cost
      const count = 1 + (next.purchase ? steps.get(keyOf(after, next.purchase.month))! : 0)
      if (cost < best.cost - 1e-9 || (cost < best.cost + 1e-9 && count < fewest)) {
        best = { cost, purchase: { ...purchase, month, price }, after }
        fewest = count
      }
    }
    rests.set(key, best)
    steps.set(key, fewest)
    return best
  }

  const found: PricedPurchase[] = []
  let at = rest(question.drives, 0)
  if (at.cost === Infinity) return null
  while (at.purchase) {
    found.push(at.purchase)
    at = rest(at.after, at.purchase.month)
  }
  return joined(found)
}

function keyOf(drives: readonly LayoutDrive[], month: number): string {
  return `${month}|${drives
    .map(({ sizeTB, role, group }) => `${sizeTB}${role === 'any' ? '' : role}${group ?? ''}`)
    .sort()
    .join(' ')}`
}

/** Purchases of the same kind in the same month are one. */
function joined(purchases: readonly PricedPurchase[]): PricedPurchase[] {
  const result: PricedPurchase[] = []
  for (const purchase of purchases) {
    const last = result.at(-1)
    if (
      last &&
      last.month === purchase.month &&
      last.sizeTB === purchase.sizeTB &&
      last.how === purchase.how &&
      (purchase.how === 'added' || purchase.how === 'smallest')
    ) {
      result[result.length - 1] = {
        ...last,
        count: last.count + purchase.count,
        price: last.price + purchase.price,
      }
    } else result.push(purchase)
  }
  return result
}

/** Everything at once: the cheapest purchases today that last to the horizon. */
export function purchasesNow(question: GrowthQuestion): PricedPurchase[] | null {
  return cheapestPurchases({
    ...question,
    contentTB: [Math.max(...question.contentTB)],
    fallPerYear: 0,
  })
}

/**
 * The yearly fall of prices at which steps cost as much as everything today: above it waiting wins.
 * @param steps with their prices at today's level and what replaced drives bring, in the order of
 *   their months
 * @returns within −10 % to 15 %; null where the one or the other always wins
 */
export function fallWhereStepsWin(
  steps: readonly {
    readonly month: number
    readonly priceToday: number
    readonly brings: number
  }[],
  costNow: number,
): number | null {
  const difference = (fall: number) =>
    steps.reduce(
      (sum, { month, priceToday, brings }) => sum + priceIn(priceToday, month, fall) - brings,
      0,
    ) - costNow
  let [low, high] = fallBounds
  if (difference(low) < -1e-9 || difference(high) > 1e-9) return null
  for (let round = 0; round < 60; round++) {
    const middle = (low + high) / 2
    if (difference(middle) > 0) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Prices of drives fall or rise within these shares a year. */
export const fallBounds: readonly [number, number] = [-0.1, 0.15]
