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
  /**
   * chance that a read error ends the rebuild when no redundancy is left, 0..1; 0 when it only
   * costs a file
   */
  readonly rebuildEndsChance?: number
}

/** Ways out of a state: to one more failed drive, one fewer, and straight to lost. */
interface Leaving {
  readonly more: number
  readonly fewer: number
  readonly lost: number
}

/** Rates out of the states 0…p failed drives. Lost, the state after them, is never left. */
function leavingRates(
  { drives, survives, repairRatePerHour, batchFactor = 1, rebuildEndsChance = 0 }: FailureChain,
  failureRatePerHour: number,
): Leaving[] {
  return Array.from({ length: survives + 1 }, (_, failed) => {
    const ends = failed === survives ? rebuildEndsChance : 0
    return {
      more: (drives - failed) * failureRatePerHour * (failed > 0 ? batchFactor : 1),
      fewer: failed > 0 ? repairRatePerHour * (1 - ends) : 0,
      lost: failed > 0 ? repairRatePerHour * ends : 0,
    }
  })
}

/**
 * Where a distribution over the states is after one event of the uniformized chain; only sums of
 * what is not negative.
 */
function oneEvent(
  next: Float64Array,
  states: Float64Array,
  { leaving, fastest }: { readonly leaving: readonly Leaving[]; readonly fastest: number },
): void {
  const lost = states.length - 1
  next.fill(0)
  next[lost] = states[lost]!
  for (let failed = 0; failed < lost; failed++) {
    const { more, fewer, lost: ends } = leaving[failed]!
    const here = states[failed]! / fastest
    next[failed]! += here * (fastest - more - fewer - ends)
    next[failed + 1]! += here * more
    if (failed > 0) next[failed - 1]! += here * fewer
    next[lost]! += here * ends
  }
}

/** A distribution after a time in which the uniformized chain sees `events` events on average. */
function afterEvents(
  states: Float64Array,
  leaving: readonly Leaving[],
  events: number,
): Float64Array {
  const chain = { leaving, fastest: fastestOf(leaving) }
  let weight = Math.exp(-events)
  let moved = states.slice()
  let next = new Float64Array(states.length)
  const result = moved.map(value => value * weight)
  const terms = Math.ceil(events + 12 * Math.sqrt(events) + 24 + states.length)
  for (let count = 1; count <= terms; count++) {
    oneEvent(next, moved, chain)
    ;[moved, next] = [next, moved]
    weight *= events / count
    for (let at = 0; at < result.length; at++) result[at]! += weight * moved[at]!
  }
  return result
}

/** A square matrix, row by row, times itself, into `product`. */
function square(product: Float64Array, matrix: Float64Array, size: number): void {
  product.fill(0)
  for (let row = 0; row < size; row++) {
    for (let through = 0; through < size; through++) {
      const factor = matrix[row * size + through]!
      if (factor === 0) continue
      for (let column = 0; column < size; column++)
        product[row * size + column]! += factor * matrix[through * size + column]!
    }
  }
}

/** Events up to which one sum of the uniformized chain stays within the range of numbers. */
const eventsAtOnce = 200

/** Step after step: quick for many drives and slow repairs. */
function byStepping(
  states: Float64Array,
  leaving: readonly Leaving[],
  events: number,
): Float64Array {
  const steps = Math.max(1, Math.ceil(events / eventsAtOnce))
  let moved = states
  for (let step = 0; step < steps; step++) moved = afterEvents(moved, leaving, events / steps)
  return moved
}

/** By squaring the transitions of a short step: quick for few drives, however fast the repairs. */
function bySquaring(
  states: Float64Array,
  leaving: readonly Leaving[],
  events: number,
): Float64Array {
  const size = states.length
  const doublings = Math.max(0, Math.ceil(Math.log2(events * 2)))
  let transitions = new Float64Array(size * size)
  for (let from = 0; from < size; from++) {
    const only = new Float64Array(size)
    only[from] = 1
    transitions.set(afterEvents(only, leaving, events / 2 ** doublings), from * size)
  }
  let squared = new Float64Array(size * size)
  for (let doubling = 0; doubling < doublings; doubling++) {
    square(squared, transitions, size)
    ;[transitions, squared] = [squared, transitions]
  }
  const result = new Float64Array(size)
  for (let from = 0; from < size; from++)
    for (let to = 0; to < size; to++) result[to]! += states[from]! * transitions[from * size + to]!
  return result
}

function fastestOf(leaving: readonly Leaving[]): number {
  return Math.max(...leaving.map(({ more, fewer, lost }) => more + fewer + lost))
}

/**
 * Where the states are after some hours: the exponential of rates · hours by uniformization, so
 * that even 1e-12 keeps its
 * leading digits. Two ways to the same numbers; the one that takes less is used.
 */
function afterHours(
  states: Float64Array,
  leaving: readonly Leaving[],
  hours: number,
): Float64Array {
  const events = fastestOf(leaving) * hours
  if (events === 0) return states
  const size = states.length
  const steppingCost = events * 1.5 * size
  const squaringCost = size ** 3 * Math.max(1, Math.log2(events * 2))
  return steppingCost < squaringCost
    ? byStepping(states, leaving, events)
    : bySquaring(states, leaving, events)
}

/** A time in which one drive fails at a steady rate. */
export interface Span {
  readonly failureRatePerHour: number
  readonly hours: number
}

/**
 * The chance that a group of drives is lost within a time: a continuous-time Markov chain over the
 * number of failed drives.
 * From i failed drives the next fails at (n − i)·λ (times the batch factor once one has failed);
 * one repair at a time at rate μ.
 * Assumes exponential lives and repairs; with several spans, one after the other, each with its own
 * λ.
 * @param spans what λ is, and for how many hours, >= 0
 * @returns 0..1
 * @throws {CoreRangeError} CHAIN_DRIVES, CHAIN_SURVIVES, CHAIN_FAILURE_RATE, CHAIN_REPAIR_RATE,
 *   CHAIN_HOURS, CHAIN_READ_ERROR
 * @example lossChance({ drives: 2, survives: 1, repairRatePerHour: 1 / 78 }, [{ failureRatePerHour:
 *   failureRatePerHour(0.02), hours: 5 * 8766 }]) // 3.62e-5
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
  if (chain.survives === 0)
    return -Math.expm1(
      -chain.drives * spans.reduce((sum, span) => sum + span.failureRatePerHour * span.hours, 0),
    )
  const start = new Float64Array(chain.survives + 2)
  start[0] = 1
  let states: Float64Array = start
  for (const { failureRatePerHour, hours } of merged(spans))
    states = afterHours(states, leavingRates(chain, failureRatePerHour), hours)
  return Math.min(1, states.at(-1)!)
}

/** Neighbouring spans of one rate as one. */
function merged(spans: readonly Span[]): Span[] {
  const result: Span[] = []
  for (const span of spans) {
    const last = result.at(-1)
    if (last?.failureRatePerHour === span.failureRatePerHour)
      result[result.length - 1] = { ...last, hours: last.hours + span.hours }
    else result.push(span)
  }
  return result
}

/** The chance that any of several independent groups is lost: 1 − Π(1 − P). */
export function anyLost(chances: readonly number[]): number {
  return 0 - Math.expm1(chances.reduce((sum, chance) => sum + Math.log1p(-Math.min(chance, 1)), 0))
}
