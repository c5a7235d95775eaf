import { requireWhole, requireWithin } from '../errors'

export interface FailureChain {
  /** drives in the group, whole, >= 1 */
  readonly drives: number
  /** drives that may be dead at once without loss, whole, 0 <= p < drives */
  readonly survives: number
  /** λ of one drive, 1/h, >= 0 */
  readonly failureRatePerHour: number
  /** one over lead time plus rebuild time, 1/h, > 0; one repair at a time */
  readonly repairRatePerHour: number
  /** how much likelier a further failure is once one drive is dead: 1, or 3 for one batch */
  readonly batchFactor?: number
  /** chance that a read error ends the rebuild when no redundancy is left, 0..1; 0 when it only costs a file */
  readonly rebuildEndsChance?: number
}

type Matrix = number[][]

/** Ways out of a state: to one more dead drive, one fewer, and straight to lost. */
interface Leaving { readonly more: number, readonly fewer: number, readonly lost: number }

/** Rates out of the states 0…p dead drives. Lost, the state after them, is never left. */
function leavingRates({ drives, survives, failureRatePerHour, repairRatePerHour, batchFactor = 1, rebuildEndsChance = 0 }: FailureChain): Leaving[] {
  return Array.from({ length: survives + 1 }, (_, dead) => {
    const ends = dead === survives ? rebuildEndsChance : 0
    return {
      more: (drives - dead) * failureRatePerHour * (dead > 0 ? batchFactor : 1),
      fewer: dead > 0 ? repairRatePerHour * (1 - ends) : 0,
      lost: dead > 0 ? repairRatePerHour * ends : 0,
    }
  })
}

/** Where a distribution over the states is after one event of the uniformized chain; only sums of what is not negative. */
function afterOneEvent(states: readonly number[], leaving: readonly Leaving[], fastest: number): number[] {
  const lost = states.length - 1
  const next = states.map((value, index) => index === lost ? value : 0)
  leaving.forEach((out, dead) => {
    const here = states[dead]! / fastest
    next[dead]! += here * (fastest - out.more - out.fewer - out.lost)
    next[dead + 1]! += here * out.more
    if (dead > 0) next[dead - 1]! += here * out.fewer
    next[lost]! += here * out.lost
  })
  return next
}

/** A distribution after a time in which the uniformized chain sees `events` events on average. */
function afterEvents(states: readonly number[], leaving: readonly Leaving[], fastest: number, events: number): number[] {
  let weight = Math.exp(-events)
  let moved = [...states]
  const result = moved.map(value => value * weight)
  const terms = Math.ceil(events + 12 * Math.sqrt(events) + 24 + states.length)
  for (let count = 1; count <= terms; count++) {
    moved = afterOneEvent(moved, leaving, fastest)
    weight *= events / count
    moved.forEach((value, index) => {
      result[index]! += weight * value
    })
  }
  return result
}

function multiply(a: Matrix, b: Matrix): Matrix {
  const size = a.length
  return a.map(row => Array.from({ length: size }, (_, j) => {
    let sum = 0
    for (let k = 0; k < size; k++) sum += row[k]! * b[k]![j]!
    return sum
  }))
}

/** Events up to which one sum of the uniformized chain stays within the range of numbers. */
const eventsAtOnce = 200

/** The chance of being lost, step after step from the start: quick for many drives and slow repairs. */
function lostByStepping(leaving: readonly Leaving[], fastest: number, hours: number): number {
  const steps = Math.max(1, Math.ceil(fastest * hours / eventsAtOnce))
  let states: number[] = [1, ...leaving.map(() => 0)]
  for (let step = 0; step < steps; step++) states = afterEvents(states, leaving, fastest, fastest * hours / steps)
  return states.at(-1)!
}

/** The same by squaring the transitions of a short step: quick for few drives, however fast the repairs. */
function lostBySquaring(leaving: readonly Leaving[], fastest: number, hours: number): number {
  const size = leaving.length + 1
  const doublings = Math.max(0, Math.ceil(Math.log2(fastest * hours * 2)))
  let transitions: Matrix = Array.from({ length: size }, (_, from) =>
    afterEvents(Array.from({ length: size }, (_, to) => from === to ? 1 : 0), leaving, fastest, fastest * hours / 2 ** doublings))
  for (let doubling = 0; doubling < doublings; doubling++) transitions = multiply(transitions, transitions)
  return transitions[0]!.at(-1)!
}

/**
 * The chance of being lost: the exponential of rates · hours by uniformization, so that even 1e-12 keeps its leading
 * digits. Two ways to the same number; the one that takes less is used.
 */
function lostWithin(leaving: readonly Leaving[], hours: number): number {
  const fastest = Math.max(...leaving.map(({ more, fewer, lost }) => more + fewer + lost))
  const events = fastest * hours
  if (events === 0) return 0
  const size = leaving.length + 1
  const steppingCost = events * 1.5 * size
  const squaringCost = size ** 3 * Math.max(1, Math.log2(events * 2))
  return steppingCost < squaringCost ? lostByStepping(leaving, fastest, hours) : lostBySquaring(leaving, fastest, hours)
}

/**
 * The chance that a group of drives is lost within a time: a continuous-time Markov chain over the number of dead drives.
 * From i dead drives the next fails at (n − i)·λ (times the batch factor once one is dead); one repair at a time at rate μ.
 * Assumes exponential lives and repairs.
 * @param hours length of the time, >= 0
 * @returns 0..1
 * @throws {CoreRangeError} CHAIN_DRIVES, CHAIN_SURVIVES, CHAIN_FAILURE_RATE, CHAIN_REPAIR_RATE, CHAIN_HOURS, CHAIN_READ_ERROR
 * @example lossChance({ drives: 2, survives: 1, failureRatePerHour: failureRatePerHour(0.02), repairRatePerHour: 1 / 78 }, 5 * 8766) // 3.62e-5
 */
export function lossChance(chain: FailureChain, hours: number): number {
  requireWhole('CHAIN_DRIVES', chain.drives, 1)
  requireWhole('CHAIN_SURVIVES', chain.survives)
  requireWithin('CHAIN_SURVIVES', chain.survives, 0, chain.drives - 1)
  requireWithin('CHAIN_FAILURE_RATE', chain.failureRatePerHour, 0)
  requireWithin('CHAIN_REPAIR_RATE', chain.repairRatePerHour, 1e-9)
  requireWithin('CHAIN_HOURS', hours, 0)
  requireWithin('CHAIN_READ_ERROR', chain.rebuildEndsChance ?? 0, 0, 1)
  if (chain.survives === 0) return -Math.expm1(-chain.drives * chain.failureRatePerHour * hours)
  return Math.min(1, lostWithin(leavingRates(chain), hours))
}

/** The chance that any of several independent groups is lost: 1 − Π(1 − P). */
export function anyLost(chances: readonly number[]): number {
  return 0 - Math.expm1(chances.reduce((sum, chance) => sum + Math.log1p(-Math.min(chance, 1)), 0))
}
