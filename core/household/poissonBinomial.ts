import { requireWithin } from '../errors'

/**
 * How many of several independent things happen: the Poisson-binomial distribution, exactly, by
 * convolution.
 * d₀ = [1]; dᵢ[k] = dᵢ₋₁[k]·(1 − pᵢ) + dᵢ₋₁[k−1]·pᵢ
 * @param chances chance of each, 0..1
 * @returns chance of 0, 1, … all of them
 * @throws {CoreRangeError} CHANCE
 * @example poissonBinomial([0.6, 0.5, 0.35, 0.2, 0.1]) // 0.0936, 0.3182, 0.3717, 0.1797, 0.0347,
 *   0.0021
 */
export function poissonBinomial(chances: readonly number[]): number[] {
  const distribution = new Float64Array(chances.length + 1)
  distribution[0] = 1
  chances.forEach((chance, of) => {
    requireWithin('CHANCE', chance, { min: 0, max: 1 })
    addChance(distribution, of, chance)
  })
  return Array.from(distribution)
}

/**
 * One more chance into a distribution that so far counts `of` things; in place, for loops that must
 * be quick.
 */
export function addChance(distribution: Float64Array, of: number, chance: number): void {
  distribution[of + 1] = 0
  for (let k = of + 1; k > 0; k--)
    distribution[k] = distribution[k]! * (1 - chance) + distribution[k - 1]! * chance
  distribution[0]! *= 1 - chance
}

/** Rounding of a sum of many shares; a level must not miss its share by it. */
const tolerance = 1e-12

/**
 * The smallest count that is not exceeded with at least this chance.
 * @param distribution chances of 0, 1, 2 …, adding up to 1
 * @param share 0..1
 * @example levelOf(poissonBinomial([0.6, 0.5, 0.35, 0.2, 0.1]), 0.95) // 3
 */
export function levelOf(distribution: readonly number[], share: number): number {
  let sum = 0
  for (const [count, chance] of distribution.entries()) {
    sum += chance
    if (sum >= share - tolerance) return count
  }
  return distribution.length - 1
}
