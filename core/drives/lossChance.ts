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

/** Rates between the states 0…p dead drives and lost, the last one. */
function generator({ drives, survives, failureRatePerHour, repairRatePerHour, batchFactor = 1, rebuildEndsChance = 0 }: FailureChain): Matrix {
  const lost = survives + 1
  const rates: Matrix = Array.from({ length: lost + 1 }, () => Array<number>(lost + 1).fill(0))
  for (let dead = 0; dead <= survives; dead++) {
    const row = rates[dead]!
    row[dead + 1]! += (drives - dead) * failureRatePerHour * (dead > 0 ? batchFactor : 1)
    if (dead === 0) continue
    const ends = dead === survives ? rebuildEndsChance : 0
    row[dead - 1]! += repairRatePerHour * (1 - ends)
    row[lost]! += repairRatePerHour * ends
  }
  return rates
}

function multiply(a: Matrix, b: Matrix): Matrix {
  const size = a.length
  return a.map(row => Array.from({ length: size }, (_, j) => {
    let sum = 0
    for (let k = 0; k < size; k++) sum += row[k]! * b[k]![j]!
    return sum
  }))
}

/**
 * Transition probabilities over a time, the exponential of rates · hours.
 * By uniformization on a short step and repeated squaring: only sums and products of numbers that are not
 * negative, so that even a chance of 1e-12 keeps its leading digits.
 */
function transitions(rates: Matrix, hours: number): Matrix {
  const size = rates.length
  const fastest = Math.max(...rates.map(row => row.reduce((sum, rate) => sum + rate, 0)))
  const doublings = Math.max(0, Math.ceil(Math.log2(Math.max(fastest * hours, 1e-300) * 2)))
  const events = fastest * hours / 2 ** doublings
  const identity: Matrix = Array.from({ length: size }, (_, i) => Array.from({ length: size }, (_, j) => i === j ? 1 : 0))
  if (fastest === 0) return identity
  const jump: Matrix = rates.map((row, i) => {
    const leaving = row.reduce((sum, rate) => sum + rate, 0)
    return row.map((rate, j) => i === j ? (fastest - leaving) / fastest : rate / fastest)
  })
  let power = identity
  let weight = Math.exp(-events)
  let result: Matrix = identity.map(row => row.map(value => value * weight))
  for (let count = 1; count <= 24 + size; count++) {
    power = multiply(power, jump)
    weight *= events / count
    result = result.map((row, i) => row.map((value, j) => value + weight * power[i]![j]!))
  }
  for (let doubling = 0; doubling < doublings; doubling++) result = multiply(result, result)
  return result
}

/**
 * The chance that a group of drives is lost within a time: a continuous-time Markov chain over the number of dead drives.
 * From i dead drives the next fails at (n − i)·λ (times the batch factor once one is dead); one repair at a time at rate μ.
 * @param hours length of the time, >= 0
 * @returns 0..1
 * @throws {CoreRangeError} CHAIN_DRIVES, CHAIN_SURVIVES, CHAIN_FAILURE_RATE, CHAIN_REPAIR_RATE, CHAIN_HOURS, CHAIN_READ_ERROR
 * @see handbook 05, Risk; assumes exponential lives and repairs
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
  return Math.min(1, transitions(generator(chain), hours)[0]!.at(-1)!)
}

/** The chance that any of several independent groups is lost: 1 − Π(1 − P). */
export function anyLost(chances: readonly number[]): number {
  return -Math.expm1(chances.reduce((sum, chance) => sum + Math.log1p(-Math.min(chance, 1)), 0))
}
