import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/**
 * A source of chance: numbers in [0, 1). Handed in wherever chance is needed, so that a result can
 * be had again.
 */
export type RandomSource = () => number

/**
 * Chance from a seed: the same numbers for the same seed, everywhere; good for simulation, not for
 * secrets.
 * @param seed whole number; its lowest 32 bits count
 */
export function seededRandom(seed: number): RandomSource {
  const generator = xoroshiro128plus(seed)
  return () => uniformFloat64(generator)
}

/**
 * A seed from a small number such as a count: neighbours give unlike chances from the first one on.
 */
export function spreadSeed(count: number): number {
  const mixed = Math.imul(count + 1, 0x9e3779b1)
  return Math.imul(mixed ^ (mixed >>> 15), 0x85ebca6b)
}
