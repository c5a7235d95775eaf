import { wallW } from '../../machine/power/supplyCurve'
import type { Frame, Option } from './frame'
import type { State } from './searchState'
import type { DayHours } from '../../machine/power/dayHours'

/**
 * The best efficiency that any supply of the table has, at 230 V: while none is chosen, no machine
 * takes less at the wall than its watts divided by it.
 */
export const bestEfficiency = 0.955

/** The least that the groups from a step on add. */
interface Tail {
  readonly price: number
  readonly idleW: number
  readonly loadW: number
  /** every group that is left has something to choose */
  readonly ends: boolean
}

const noTail: Tail = { price: 0, idleW: 0, loadW: 0, ends: true }

/** By frame and step. */
export type Tails = ReadonlyMap<Frame, readonly Tail[]>

export function tailsOf(frames: readonly Frame[]): Tails {
  return new Map(
    frames.map(frame => [
      frame,
      frame.groups.map((_, step): Tail => {
        const rest = frame.groups.slice(step).filter(({ id }) => id !== 'pool')
        const least = (of: (option: Option) => number) =>
          rest.reduce(
            (sum, { options }) =>
              sum + options.reduce((min, option) => Math.min(min, of(option)), Infinity),
            0,
          )
        return {
          price: least(({ price }) => price),
          idleW: least(({ idleW }) => idleW),
          loadW: least(({ loadW }) => loadW),
          ends: rest.every(({ options }) => options.length > 0),
        }
      }),
    ]),
  )
}

export const tailAt = (tails: Tails, { frame, step }: Pick<State, 'frame' | 'step'>): Tail =>
  tails.get(frame!)![step] ?? noTail

/** What a bound weighs, and what the drives that are not chosen yet cost at least. */
export interface BoundParts {
  readonly tails: Tails
  readonly priceWeight: number
  readonly wattWeight: number
  /** what it may cost that a computer at hand is dead */
  readonly countsRisk: boolean
  readonly hours: Pick<DayHours, 'idle' | 'watching' | 'converting'>
  readonly minPoolCost: number
  readonly poolCost: (pool: NonNullable<State['pool']>) => number
}

/** The fewest watts, at the wall and on average, of anything that comes of a state. */
export function leastW(
  state: State,
  { tails, hours }: Pick<BoundParts, 'tails' | 'hours'>,
): number {
  const { frame, step, pool } = state
  const tail = tailAt(tails, state)
  const suppliesLater = frame!.groups.some(({ id }, at) => id === 'supply' && at >= step)
  const supplyIsOpen = !state.hasSupply || (suppliesLater && frame!.replaces)
  const atWall = (dcW: number) =>
    supplyIsOpen ? Math.max(0, dcW) / bestEfficiency : wallW(Math.max(0, dcW), state.losses)
  const idleW = atWall(state.idleW + tail.idleW + (pool?.idleW ?? 0))
  const loadW = Math.max(idleW, atWall(state.loadW + tail.loadW + (pool?.activeW ?? 0)))
  // Asleep and off it takes something too, and more while it is read from; to leave that out keeps
  // the bound below.
  return (idleW * (hours.idle + hours.watching) + loadW * hours.converting) / 24
}

/** The least that anything can cost which comes of a state. */
export function boundOf(state: State, parts: BoundParts): number {
  const { tails, priceWeight, wattWeight, minPoolCost, poolCost } = parts
  const { pool, price } = state
  const tail = tailAt(tails, state)
  return (
    (price + tail.price) * priceWeight +
    (parts.countsRisk ? state.frame!.risk : 0) +
    (wattWeight > 0 ? leastW(state, parts) * wattWeight : 0) +
    (pool ? poolCost(pool) : minPoolCost)
  )
}
