import { normalBetween, normalDensity } from './normal'

/**
 * What stands between a measurement and what is true, in logarithms: measured = true × noise.
 * Something else runs in one measurement of twenty, and then it scatters five times as far.
 */
export const disturbedShare = 0.05
export const disturbedTimes = 5

/**
 * One measurement, as the logarithm of measured ÷ predicted: exact, or no more known than that it
 * lies between two ends, either of which may be open.
 */
export type Observation = { readonly spread: number } & (
  | { readonly at: number }
  | { readonly from: number; readonly to: number }
  /** an amount that is the true factor times the planned one, with an error of its own unit */
  | { readonly additive: number; readonly planned: number }
)

/** How likely a measurement is where the truth is x: undisturbed, and in all. */
export interface Likelihood {
  readonly plain: number
  readonly whole: number
}

/**
 * @param x logarithm of true ÷ predicted
 * @param observation its spread is the standard deviation of ln noise, > 0
 */
export function likelihood(observation: Observation, x: number): Likelihood {
  const within = (spread: number) =>
    'additive' in observation
      ? normalDensity((observation.additive - Math.exp(x) * observation.planned) / spread) / spread
      : 'at' in observation
        ? normalDensity((observation.at - x) / spread) / spread
        : normalBetween((observation.from - x) / spread, (observation.to - x) / spread)
  const plain = (1 - disturbedShare) * within(observation.spread)
  return { plain, whole: plain + disturbedShare * within(disturbedTimes * observation.spread) }
}
