import TinyQueue from 'tinyqueue'
import { requireWithin } from '../../errors'
import type { LayoutDrive } from '../layouts/layout'
import { onceByKey } from '../../onceByKey'
import { costBound } from './costBound'
import { drivesAfter, priceIn, priceOfPurchase } from './purchases'
import { roomOfDrives } from './plannedRoom'
import {
  possiblePurchases,
  priceSum,
  type GrowthQuestion,
  type PricedPurchase,
} from './growthQuestion'

/**
 * After so many drives that were looked at, those of each set that was gone through counted, a
 * search stops: one that is longer would keep somebody waiting.
 */
export const maxLooks = 200_000
/** How much a hurried search makes of what is still to come. */
const hurries = [1.05, 1.3, 20]

/** What a search for purchases came to. */
export interface Found {
  /** in their order; null where none were found that are enough */
  readonly purchases: PricedPurchase[] | null
  /** nothing costs less than this; what was found does not where it is proven to be the cheapest */
  readonly atLeast: number
}

/** Drives that are too small from a month on, and the purchases that led to them. */
interface State {
  readonly drives: readonly LayoutDrive[]
  /** null where they last */
  readonly month: number | null
  readonly cost: number
  /** cost with the bound of what is still to come */
  readonly bound: number
  readonly steps: number
  readonly before: State | null
  readonly purchase: PricedPurchase | null
}

/** Prices closer than this are the same: sums of them differ in the last digits by their order. */
const samePrice = 1e-9

const isBetter = (one: Pick<State, 'cost' | 'steps'>, other: Pick<State, 'cost' | 'steps'>) =>
  one.cost < other.cost - samePrice ||
  (one.cost < other.cost + samePrice && one.steps < other.steps)

/**
 * The cheapest purchases that keep the library within the room in every month, within the bays and
 * by the layout's rule; of equal prices the fewer steps. While prices fall, buying earlier than a
 * month in which the room would be too small never pays, and while they rise everything is bought
 * at once. Exact: the way whose price with a bound of the rest is least is followed first, so what
 * comes to its end first is the cheapest. After `most` drives looked at it stops with none. In a
 * hurry (above 1) it is not exact: what it finds costs at most so many times the least.
 * @throws {CoreRangeError} GROWTH_FALL: prices fall by everything
 */
export function searchPurchases(
  question: GrowthQuestion,
  { most = maxLooks, hurry = 1 }: { readonly most?: number; readonly hurry?: number } = {},
): Found {
  const { contentTB, offers, fallPerYear } = question
  requireWithin('GROWTH_FALL', fallPerYear, { min: -1, max: 0.99 })
  const priceOf = new Map(offers.map(({ sizeTB, price }) => [sizeTB, price]))
  const need = fallPerYear < 0 ? [Math.max(...contentTB)] : contentTB
  const asked = { ...question, contentTB: need }
  const boundOf = costBound(asked)
  const rooms = onceByKey<number>()
  const known = new Map<string, State>()
  const open = new TinyQueue<State>([], (a, b) =>
    Math.abs(a.bound - b.bound) > samePrice ? a.bound - b.bound : a.steps - b.steps,
  )

  function put(state: Omit<State, 'month' | 'bound'>, from: number): void {
    const { drives, cost } = state
    const room = rooms.get(keyOf(drives, 0), () => roomOfDrives(question, drives))
    const late = need.findIndex((content, month) => month >= from && content > room)
    const month = late < 0 ? null : late
    const rest = month === null ? 0 : boundOf(drives)
    if (rest === Infinity) return
    const key = keyOf(drives, month ?? need.length)
    const other = known.get(key)
    const next = { ...state, month, bound: cost + hurry * rest }
    if (other && !isBetter(next, other)) return
    known.set(key, next)
    open.push(next)
  }

  put({ drives: question.drives, cost: 0, steps: 0, before: null, purchase: null }, 0)
  for (let looked = 0; looked < most;) {
    const state = open.pop()
    if (!state) return { purchases: null, atLeast: Infinity }
    const { drives, month, cost, steps } = state
    if (month === null) return { purchases: joined(courseTo(state)), atLeast: cost }
    // Another way to these drives cost less.
    if (known.get(keyOf(drives, month)) !== state) continue
    for (const purchase of possiblePurchases(question, drives)) {
      const { drives: after, replaced } = drivesAfter(drives, purchase)
      looked += 1 + after.length
      const price = priceOfPurchase(question, {
        purchase: { ...purchase, month },
        each: priceOf.get(purchase.sizeTB)!,
        replaced: replaced.length,
      })
      put(
        {
          drives: after,
          cost: cost + price,
          steps: steps + 1,
          before: state,
          purchase: { ...purchase, month, price },
        },
        month,
      )
    }
  }
  return { purchases: null, atLeast: open.peek()?.bound ?? Infinity }
}

/** The purchases of the way to a state, the first one first. */
function courseTo(state: State): PricedPurchase[] {
  const found: PricedPurchase[] = []
  for (let at: State | null = state; at; at = at.before) if (at.purchase) found.push(at.purchase)
  return found.reverse()
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

/**
 * As {@link searchPurchases}; where that would take too long, the cheaper of what one in a hurry
 * finds and what drives of a single size come to.
 */
export function cheapestPurchases(question: GrowthQuestion, most = maxLooks): Found {
  const whole = searchPurchases(question, { most })
  if (whole.purchases || whole.atLeast === Infinity) return whole
  let best: PricedPurchase[] | null = null
  const keep = (purchases: PricedPurchase[] | null) => {
    if (purchases && (!best || priceSum(purchases) < priceSum(best))) best = purchases
  }
  for (const hurry of hurries) {
    keep(searchPurchases(question, { most: most / 4, hurry }).purchases)
    if (best) break
  }
  for (const offer of question.offers)
    keep(
      searchPurchases({ ...question, offers: [offer] }, { most: most / 20, hurry: 1.05 }).purchases,
    )
  return { purchases: best, atLeast: whole.atLeast }
}

/** Everything at once: the cheapest purchases today that last to the horizon. */
export function purchasesNow(question: GrowthQuestion): Found {
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
