import { wallW } from '../../machine/power/supplyCurve'
import type { Frame, Option } from './frame'
import type { PoolOffer } from './poolOffers'
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
  readonly overYears: number
  readonly idleW: number
  readonly loadW: number
  /** every group that is left has something to choose */
  readonly ends: boolean
}

const noTail: Tail = { price: 0, overYears: 0, idleW: 0, loadW: 0, ends: true }

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
          overYears: least(({ overYears = 0 }) => overYears),
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

/** What a bound weighs, and the drives one of which costs least where none are chosen yet. */
export interface BoundParts {
  readonly tails: Tails
  readonly priceWeight: number
  readonly wattWeight: number
  /** what is paid over the years, and what it may cost that a computer at hand is dead */
  readonly countsYears: boolean
  readonly hours: Pick<DayHours, 'idle' | 'watching' | 'converting'>
  readonly leastDrives: readonly PoolOffer[]
  readonly poolCost: (pool: PoolOffer) => number
  /** a machine that was measured may take less than its parts add up to: at least this share */
  readonly leastOfWatts: number
}

type Drives = Pick<PoolOffer, 'idleW' | 'activeW'> | null

/** The fewest watts, at the wall and on average, of anything that comes of a state with drives. */
function leastWith(
  state: State,
  { tails, hours, leastOfWatts }: Pick<BoundParts, 'tails' | 'hours' | 'leastOfWatts'>,
): (drives: Drives) => number {
  const { frame, step, losses } = state
  const tail = tailAt(tails, state)
  const suppliesLater = frame!.groups.some(({ id }, at) => id === 'supply' && at >= step)
  const supplyIsOpen = !state.hasSupply || (suppliesLater && frame!.replaces)
  const atWall = (dcW: number) =>
    supplyIsOpen ? Math.max(0, dcW) / bestEfficiency : wallW(Math.max(0, dcW), losses)
  const [machineIdleW, machineLoadW] = [state.idleW + tail.idleW, state.loadW + tail.loadW]
  // Asleep and off it takes something too, and more while it is read from; to leave that out keeps
  // the bound below.
  const idleHours = hours.idle + hours.watching
  return drives => {
    const idleW = atWall(machineIdleW + (drives?.idleW ?? 0))
    const loadW = Math.max(idleW, atWall(machineLoadW + (drives?.activeW ?? 0)))
    return (leastOfWatts * (idleW * idleHours + loadW * hours.converting)) / 24
  }
}

/** The fewest watts, at the wall and on average, of anything that comes of a state. */
export const leastW = (
  state: State,
  parts: Pick<BoundParts, 'tails' | 'hours' | 'leastOfWatts'>,
): number => leastWith(state, parts)(state.pool)

/** The least that anything can cost which comes of a state, by its drives. */
export interface CostsWith {
  /** whatever drives are chosen */
  readonly bare: number
  readonly with: (drives: PoolOffer) => number
}

export function costsWith(state: State, parts: BoundParts): CostsWith {
  const { tails, priceWeight, wattWeight, poolCost, countsYears } = parts
  const { price, overYears, frame } = state
  const tail = tailAt(tails, state)
  const machine =
    (price + tail.price) * priceWeight +
    (countsYears ? frame!.risk + overYears + tail.overYears : 0)
  const watts = leastWith(state, parts)
  return {
    bare: machine + (wattWeight > 0 ? watts(null) * wattWeight : 0),
    with: drives => machine + (wattWeight > 0 ? watts(drives) * wattWeight : 0) + poolCost(drives),
  }
}

/** The least that anything can cost which comes of a state. */
export function boundOf(state: State, parts: BoundParts): number {
  const costs = costsWith(state, parts)
  return state.pool
    ? costs.with(state.pool)
    : parts.leastDrives.reduce((least, drives) => Math.min(least, costs.with(drives)), Infinity)
}

/**
 * Drives that no others beat in cost and in watts: whatever is chosen, some of these cost no more
 * in the same machine.
 * @param offers cheapest first
 */
export function leastDrivesOf(offers: readonly PoolOffer[]): PoolOffer[] {
  const found: PoolOffer[] = []
  for (const offer of offers)
    if (found.every(({ idleW, activeW }) => idleW > offer.idleW || activeW > offer.activeW))
      found.push(offer)
  return found
}
