/** A source of chance: numbers in [0, 1). Handed in wherever chance is needed, so that a result can be had again. */
export type RandomSource = () => number

/**
 * Chance from a seed: the same numbers for the same seed, everywhere.
 * @param seed whole number; its lowest 32 bits count
 * @see mulberry32, a generator of the public domain with 32 bits of state; good for simulation, not for secrets
 */
export function seededRandom(seed: number): RandomSource {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6D2B79F5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}
