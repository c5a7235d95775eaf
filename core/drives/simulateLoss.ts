import { requireWhole } from '../errors'
import type { Estimate } from '../figure'
import type { Plan } from '../plan/planSchema'
import { seededRandom, type RandomSource } from '../random'
import type { DriveCatalogue } from './driveTraits'
import { failureSpans } from './failureRate'
import { groupChain } from './layoutRisk'
import type { FailureChain, Span } from './lossChance'
import { poolOf, type PoolChoices } from './poolOf'

/** What simulated arrays came to; several such can be added up. */
export interface SimulatedLoss {
  readonly arrays: number
  /** Σ of the weights of the lost arrays, and of their squares */
  readonly sum: number
  readonly sumOfSquares: number
}

/**
 * Without steering, this many failures in the time of an array would leave the weights far apart.
 */
const steeredAtMost = 0.5
/** Half the width of a 95 % interval, in standard errors. */
export const standardErrors95 = 1.96

/**
 * Lives of one group of drives, event by event: exponential lives and repairs, one repair at a
 * time, as in the chain. Losses are
 * rare, so further failures are drawn more often than they come, and each array counts by how much
 * likelier it was made
 * (importance sampling).
 * @returns 0 where the group outlives its time, else the weight of the loss; its mean is the chance
 *   of loss
 */
function simulateGroup(
  { drives, survives, repairRatePerHour, batchFactor = 1, rebuildEndsChance = 0 }: FailureChain,
  spans: readonly Span[],
  { random, steering }: { readonly random: RandomSource; readonly steering: number },
): number {
  let failed = 0
  let weight = 1
  for (const { failureRatePerHour, hours } of spans) {
    for (let left = hours; ;) {
      const more = (drives - failed) * failureRatePerHour * (failed > 0 ? batchFactor : 1)
      const ends = failed > 0 && failed === survives ? repairRatePerHour * rebuildEndsChance : 0
      const fewer = failed > 0 ? repairRatePerHour - ends : 0
      const total = more + ends + fewer
      left += Math.log(1 - random()) / total
      // What has not happened at the end of a span begins anew in the next: lives and repairs have
      // no memory.
      if (!(left > 0)) break
      const worse = (more + ends) / total
      const drawn = failed > 0 ? Math.max(worse, steering) : 1
      if (random() < drawn) {
        weight *= worse / drawn
        // A rebuild ends in a loss only where one more failed drive would be one too.
        if (++failed > survives) return weight
      } else {
        weight *= (1 - worse) / (1 - drawn)
        failed--
      }
    }
  }
  return 0
}

export interface SimulationQuestion {
  readonly chains: readonly FailureChain[]
  /** of each chain: groups may be of unlike drives */
  readonly spans: readonly (readonly Span[])[]
  /** arrays to simulate, >= 1 */
  readonly count: number
  readonly seed: number
}

/**
 * Simulates pools of groups that are lost when any group is.
 * @throws {CoreRangeError} SIMULATED_ARRAYS
 */
export function simulateLoss({ chains, spans, count, seed }: SimulationQuestion): SimulatedLoss {
  requireWhole('SIMULATED_ARRAYS', count, 1)
  const random = seededRandom(seed)
  const hazards = spans.map(ofChain =>
    ofChain.reduce((sum, { failureRatePerHour, hours }) => sum + failureRatePerHour * hours, 0),
  )
  // The more failures an array has in its time, the less each is steered: weights of those that
  // live on would grow otherwise.
  const steering = chains.map(({ drives }, at) =>
    Math.min(steeredAtMost, 1 / (2 + 2 * drives * hazards[at]!)),
  )
  let [sum, sumOfSquares] = [0, 0]
  for (let array = 0; array < count; array++) {
    let outlives = 1
    chains.forEach(
      (chain, at) =>
        (outlives *= 1 - simulateGroup(chain, spans[at]!, { random, steering: steering[at]! })),
    )
    const lost = 1 - outlives
    sum += lost
    sumOfSquares += lost * lost
  }
  return { arrays: count, sum, sumOfSquares }
}

/** Two lots of simulated arrays as one. */
export function addedUp(one: SimulatedLoss, other: SimulatedLoss): SimulatedLoss {
  return {
    arrays: one.arrays + other.arrays,
    sum: one.sum + other.sum,
    sumOfSquares: one.sumOfSquares + other.sumOfSquares,
  }
}

/** The simulated chance of loss with its 95 % interval. */
export function lossInterval({ arrays, sum, sumOfSquares }: SimulatedLoss): Estimate {
  const mean = sum / arrays
  const error =
    standardErrors95 * Math.sqrt(Math.max(0, sumOfSquares / arrays - mean * mean) / arrays)
  return { low: Math.max(0, mean - error), likely: mean, high: Math.min(1, mean + error) }
}

export interface PlanSimulation extends PoolChoices {
  readonly catalogue: DriveCatalogue
  readonly layoutId: string
  /**
   * the library at the horizon, likely, TB: what a rebuild copies where the system knows the files
   */
  readonly contentTB: number
  readonly count: number
  readonly seed: number
}

/**
 * The drives of a plan under a layout, simulated over the horizon; null where they do not make it.
 */
export function simulatePlanLoss(
  { drives, choices }: Pick<Plan, 'drives' | 'choices'>,
  { catalogue, layoutId, contentTB, count, seed, ...around }: PlanSimulation,
): SimulatedLoss | null {
  const pool = poolOf({ drives, choices: around, catalogue, contentTB, layoutId })
  if ('refused' in pool) return null
  const chains = pool.arrangement.groups.map(group =>
    groupChain(group, choices.readErrorEndsRebuild),
  )
  return simulateLoss({
    chains,
    spans: pool.arrangement.groups.map(({ conditions }) =>
      failureSpans(conditions, choices.horizonYears),
    ),
    count,
    seed,
  })
}
