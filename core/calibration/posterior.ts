import { likelihood, type Observation } from './noise'
import { atDeviation, type Prior } from './prior'

/** Out to so many standard deviations of what the plan knows, in steps of so many of them. */
const outermost = 8
const step = 0.01
/** Ten steps at a time are gone through first, to leave out what has no weight at all. */
const stride = 10
/** Logarithm below the highest from which a stretch has none: e⁻⁶⁰ of its weight. */
const nothing = 60

/** What is known of a figure after measuring. */
export interface Posterior {
  /** logarithms of true ÷ likely with 10, 50 and 90 % of the chance below them */
  readonly low: number
  readonly likely: number
  readonly high: number
  /** of each measurement the chance that nothing else ran, 0..1 */
  readonly weights: readonly number[]
}

/** Where sums that rise reach a share, on a straight line between the two points around it. */
function crossing(points: readonly number[], sums: readonly number[], share: number): number {
  const after = sums.findIndex(sum => sum >= share)
  if (after <= 0) return points[after < 0 ? points.length - 1 : 0]!
  const [before, behind] = [sums[after - 1]!, sums[after]!]
  const part = behind > before ? (share - before) / (behind - before) : 0
  return points[after - 1]! + part * (points[after]! - points[after - 1]!)
}

/** What a point of the grid weighs, and the chances there that nothing else ran. */
interface Cell {
  readonly x: number
  readonly log: number
  readonly plainShares: readonly number[]
}

function cellAt(prior: Prior, observations: readonly Observation[], index: number): Cell {
  const z = -outermost + index * step
  const x = atDeviation(prior, z)
  let log = (-z * z) / 2
  const plainShares = observations.map(observation => {
    const { plain, whole } = likelihood(observation, x)
    log += Math.log(whole)
    return whole > 0 ? plain / whole : 0
  })
  return { x, log, plainShares }
}

const topOf = (cells: readonly Cell[]) =>
  cells.reduce((top, { log }) => Math.max(top, log), -Infinity)

/** The cells of the grid that weigh anything. */
function cellsOf(prior: Prior, observations: readonly Observation[]): Cell[] {
  const last = Math.round((2 * outermost) / step)
  const rough = Array.from({ length: last / stride + 1 }, (_, at) =>
    cellAt(prior, observations, at * stride),
  )
  const least = topOf(rough) - nothing
  const weighs = rough.map(({ log }) => log > least)
  return rough.flatMap((cell, at) =>
    weighs[at] || weighs[at + 1]
      ? [
          cell,
          ...Array.from({ length: at * stride === last ? 0 : stride - 1 }, (_, more) =>
            cellAt(prior, observations, at * stride + more + 1),
          ),
        ]
      : weighs[at - 1]
        ? [cell]
        : [],
  )
}

/**
 * What a figure is after measurements: on a grid of z = −8 … 8 in steps of 0.01, weights are the
 * normal density times the likelihood of every measurement, in logarithms; points by straight lines
 * through the sums at the middle of each cell.
 * @param prior what the plan knows
 * @param observations logarithms of measured ÷ predicted; predicted at the figure's likely value
 */
export function posterior(prior: Prior, observations: readonly Observation[]): Posterior {
  const cells = cellsOf(prior, observations)
  const top = topOf(cells)
  // Nothing that the plan thinks possible explains them: then the plan stands.
  if (top === -Infinity) return { ...posterior(prior, []), weights: observations.map(() => 0) }
  const weights = cells.map(({ log }) => Math.exp(log - top))
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  let sum = 0
  const sums = weights.map(weight => {
    const middle = (sum + weight / 2) / total
    sum += weight
    return middle
  })
  const points = cells.map(({ x }) => x)
  return {
    low: crossing(points, sums, 0.1),
    likely: crossing(points, sums, 0.5),
    high: crossing(points, sums, 0.9),
    weights: observations.map(
      (_, at) =>
        cells.reduce((mean, cell, of) => mean + cell.plainShares[at]! * weights[of]!, 0) / total,
    ),
  }
}
