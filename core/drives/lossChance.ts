import { requireWhole, requireWithin } from '../errors'

export interface FailureChain {
  /** drives in the group, whole, >= 1 */
  readonly drives: number
  /** drives that may have failed at once without loss, whole, 0 <= p < drives */
  readonly survives: number
  /** one over lead time plus rebuild time, 1/h, > 0; one repair at a time */
  readonly repairRatePerHour: number
  /** how much likelier a further failure is once one drive has failed: 1, or 3 for one batch */
  readonly batchFactor?: number
  /** chance that a read error ends the rebuild when no redundancy is left, 0..1; 0 when it only costs a file */
  readonly rebuildEndsChance?: number
}

type Matrix = number[][]

/** Ways out of a state: to one more failed drive, one fewer, and straight to lost. */
interface Leaving { readonly more: number, readonly fewer: number, readonly lost: number }

/** Rates out of the states 0…p failed drives. Lost, the state after them, is never left. */
function leavingRates({ drives, survives, repairRatePerHour, batchFactor = 1, rebuildEndsChance = 0 }: FailureChain, failureRatePerHour: number): Leaving[] {
  return Array.from({ length: survives + 1 }, (_, failed) => {
    const ends = failed === survives ? rebuildEndsChance : 0
    return {
      more: (drives - failed) * failureRatePerHour * (failed > 0 ? batchFactor : 1),
      fewer: failed > 0 ? repairRatePerHour * (1 - ends) : 0,
      lost: failed > 0 ? repairRatePerHour * ends : 0,
    }
  })
}

/** Where a distribution over the states is after one event of the uniformized chain; only sums of what is not negative. */
function afterOneEvent(states: readonly number[], leaving: readonly Leaving[], fastest: number): number[] {
  const lost = states.length - 1
  const next = states.map((value, index) => index === lost ? value : 0)
  leaving.forEach((out, failed) => {
    const here = states[failed]! / fastest
    next[failed]! += here * (fastest - out.more - out.fewer - out.lost)
    next[failed + 1]! += here * out.more
    if (failed > 0) next[failed - 1]! += here * out.fewer
    next[lost]! += here * out.lost
  })
  return next
}

/** A distribution after a time in which the uniformized chain sees `events` events on average. */
function afterEvents(states: readonly number[], leaving: readonly Leaving[], events: number): number[] {
  const fastest = fastestOf(leaving)
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
  const size = b.length
  return a.map(row => Array.from({ length: size }, (_, j) => {
    let sum = 0
    for (let k = 0; k < size; k++) sum += row[k]! * b[k]![j]!
    return sum
  }))
}

/** Events up to which one sum of the uniformized chain stays within the range of numbers. */
const eventsAtOnce = 200

/** Step after step: quick for many drives and slow repairs. */
function byStepping(states: readonly number[], leaving: readonly Leaving[], events: number): number[] {
  const steps = Math.max(1, Math.ceil(events / eventsAtOnce))
  let moved = [...states]
  for (let step = 0; step < steps; step++) moved = afterEvents(moved, leaving, events / steps)
  return moved
}

/** By squaring the transitions of a short step: quick for few drives, however fast the repairs. */
function bySquaring(states: readonly number[], leaving: readonly Leaving[], events: number): number[] {
  const size = states.length
  const doublings = Math.max(0, Math.ceil(Math.log2(events * 2)))
  let transitions: Matrix = Array.from({ length: size }, (_, from) =>
    afterEvents(Array.from({ length: size }, (_, to) => from === to ? 1 : 0), leaving, events / 2 ** doublings))
  for (let doubling = 0; doubling < doublings; doubling++) transitions = multiply(transitions, transitions)
  return multiply([[...states]], transitions)[0]!
}

function fastestOf(leaving: readonly Leaving[]): number {
  return Math.max(...leaving.map(({ more, fewer, lost }) => more + fewer + lost))
}

/**
 * Where the states are after some hours: the exponential of rates · hours by uniformization, so that even 1e-12 keeps its
 * leading digits. Two ways to the same numbers; the one that takes less is used.
 */
function afterHours(states: readonly number[], leaving: readonly Leaving[], hours: number): readonly number[] {
  const events = fastestOf(leaving) * hours
  if (events === 0) return states
  const size = states.length
  const steppingCost = events * 1.5 * size
  const squaringCost = size ** 3 * Math.max(1, Math.log2(events * 2))
  return steppingCost < squaringCost ? byStepping(states, leaving, events) : bySquaring(states, leaving, events)
}

/** A time in which one drive fails at a steady rate. */
export interface Span { readonly failureRatePerHour: number, readonly hours: number }

/**
 * The chance that a group of drives is lost within a time: a continuous-time Markov chain over the number of failed drives.
 * From i failed drives the next fails at (n − i)·λ (times the batch factor once one has failed); one repair at a time at rate μ.
 * Assumes exponential lives and repairs; with several spans, one after the other, each with its own λ.
 * @param spans what λ is, and for how many hours, >= 0
 * @returns 0..1
 * @throws {CoreRangeError} CHAIN_DRIVES, CHAIN_SURVIVES, CHAIN_FAILURE_RATE, CHAIN_REPAIR_RATE, CHAIN_HOURS, CHAIN_READ_ERROR
 * @example lossChance({ drives: 2, survives: 1, repairRatePerHour: 1 / 78 }, [{ failureRatePerHour: failureRatePerHour(0.02), hours: 5 * 8766 }]) // 3.62e-5
 */
export function lossChance(chain: FailureChain, spans: readonly Span[]): number {
  requireWhole('CHAIN_DRIVES', chain.drives, 1)
  requireWhole('CHAIN_SURVIVES', chain.survives)
  requireWithin('CHAIN_SURVIVES', chain.survives, { min: 0, max: chain.drives - 1 })
  requireWithin('CHAIN_REPAIR_RATE', chain.repairRatePerHour, { min: 1e-9 })
  requireWithin('CHAIN_READ_ERROR', chain.rebuildEndsChance ?? 0, { min: 0, max: 1 })
  for (const { failureRatePerHour, hours } of spans) {
    requireWithin('CHAIN_FAILURE_RATE', failureRatePerHour, { min: 0 })
    requireWithin('CHAIN_HOURS', hours, { min: 0 })
  }
  if (chain.survives === 0) return -Math.expm1(-chain.drives * spans.reduce((sum, span) => sum + span.failureRatePerHour * span.hours, 0))
  const start: readonly number[] = [1, ...Array.from({ length: chain.survives + 1 }, () => 0)]
  const end = merged(spans).reduce((states, { failureRatePerHour, hours }) => afterHours(states, leavingRates(chain, failureRatePerHour), hours), start)
  return Math.min(1, end.at(-1)!)
}

/** Neighbouring spans of one rate as one. */
function merged(spans: readonly Span[]): Span[] {
  const result: Span[] = []
  for (const span of spans) {
    const last = result.at(-1)
    if (last?.failureRatePerHour === span.failureRatePerHour) result[result.length - 1] = { ...last, hours: last.hours + span.hours }
    else result.push(span)
  }
  return result
}

/** The chance that any of several independent groups is lost: 1 − Π(1 − P). */
export function anyLost(chances: readonly number[]): number {
  return 0 - Math.expm1(chances.reduce((sum, chance) => sum + Math.log1p(-Math.min(chance, 1)), 0))
}
