import type { TitleRate } from './titleRates'

/** What several viewers take together, as chances by steps of Mb/s, from nothing on. */
export interface RateDistribution {
  readonly stepMbps: number
  readonly chances: readonly number[]
}

/** Steps, Mb/s: as fine as this, unless so many viewers would need too many of them. */
const finestStepMbps = 0.1
const maxSteps = 2000

/**
 * The sum of what several viewers watch, each by their own chance, and each a title of any rate by
 * its share: Dᵢ = (1 − pᵢ)·Dᵢ₋₁ + pᵢ·(Dᵢ₋₁ * Q), exactly but for rates that are rounded up to a
 * step.
 * @param chances chance of each viewer to watch, 0..1
 * @example rateDistribution([1, 1, 1], [half at 60, half at 1.8 Mb/s]) // an eighth at 180
 */
export function rateDistribution(
  chances: readonly number[],
  rates: readonly Pick<TitleRate, 'mbps' | 'share'>[],
): RateDistribution {
  const highest = rates.reduce((most, { mbps }) => Math.max(most, mbps), 0)
  const stepMbps = Math.max(finestStepMbps, (highest * chances.length) / maxSteps)
  const shares = new Map<number, number>()
  for (const { mbps, share } of rates) {
    const steps = Math.ceil(mbps / stepMbps - 1e-9)
    shares.set(steps, (shares.get(steps) ?? 0) + share)
  }
  const byStep = [...shares]
  const width = Math.max(...shares.keys())
  let sums = Float64Array.of(1)
  for (const chance of chances) {
    const next = new Float64Array(sums.length + width)
    sums.forEach((sum, at) => {
      next[at]! += sum * (1 - chance)
      for (const [steps, share] of byStep) next[at + steps]! += sum * chance * share
    })
    sums = next
  }
  return { stepMbps, chances: Array.from(sums) }
}
