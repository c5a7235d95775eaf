import { requireWithin } from '../errors'
import { band } from '../band'
import { exactly, type Estimate } from '../figure'

export interface ProcessorCapacity {
  /** multi-thread benchmark points, >= 0; with a band when they were worked out themselves */
  readonly score: number | Estimate
  /** points that convert one reference stream, > 0 */
  readonly pointsPerStream: number
  /** share left for the system, 0..1 */
  readonly reserveShare: number
  readonly passivelyCooled: boolean
}

/** Capacity left of a processor without a fan under a long load. */
export const passiveFactor = 0.8

/** The score rule is good to this much either way. */
export const pointsSpread = 0.25

/**
 * Score rule: reference streams a processor converts at once = score · (1 − reserve) ÷ points a
 * stream.
 * The band runs from points × 1.25 to points × 0.75; it is not rounded down.
 * @throws {CoreRangeError} SCORE, POINTS, RESERVE
 * @example processorCapacity({ score: 8000, pointsPerStream: 2000, reserveShare: 0.15,
 *   passivelyCooled: false }) // 2.72, 3.4, 4.53
 */
export function processorCapacity({
  score,
  pointsPerStream,
  reserveShare,
  passivelyCooled,
}: ProcessorCapacity): Estimate {
  const points = typeof score === 'number' ? exactly(score) : score
  requireWithin('SCORE', points.low, { min: 0 })
  requireWithin('POINTS', pointsPerStream, { min: 1 })
  requireWithin('RESERVE', reserveShare, { min: 0, max: 1 })
  const perStream = {
    low: pointsPerStream * (1 - pointsSpread),
    likely: pointsPerStream,
    high: pointsPerStream * (1 + pointsSpread),
  }
  return band(
    { perStream, points },
    values =>
      (values.points * (1 - reserveShare) * (passivelyCooled ? passiveFactor : 1)) /
      values.perStream,
    'log',
  )
}

/** How many of a processor's cores one conversion can use. */
export const coresOneConversionUses = 6

/**
 * Reference streams that one conversion alone can use: capacity · min(1, 6/cores).
 * A conversion whose work exceeds it cannot run in real time, however many cores are idle.
 */
export function singleConversionCapacity(capacity: number, cores: number): number {
  requireWithin('CORES', cores, { min: 1 })
  return capacity * Math.min(1, coresOneConversionUses / cores)
}
