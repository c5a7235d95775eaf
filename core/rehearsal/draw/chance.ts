import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plusFromState } from 'pure-rand/generator/xoroshiro128plus'
import type { RandomSource } from '../../random'

/** What a stream of chance is for: a change of one leaves the others as they were. */
export type Purpose = 'start' | 'happens' | 'row' | 'subtitles' | 'drive' | 'fallback' | 'seeks'

/** Chance of one name, one evening after the other. */
export interface ChanceStream {
  /** the numbers of an evening, in [0, 1); the same whenever it is asked */
  readonly of: (evening: number) => RandomSource
}

/** 128 bits of a text: four words, each of which every letter goes into in another way. */
function wordsOf(name: string): [number, number, number, number] {
  let [a, b, c, d] = [0x3c6ef372, 0xa54ff53a, 0x510e527f, 0x1f83d9ab]
  for (let at = 0; at < name.length; at++) {
    const letter = name.charCodeAt(at)
    a = b ^ Math.imul(a ^ letter, 0x9e3779b1)
    b = c ^ Math.imul(b ^ letter, 0x85ebca77)
    c = d ^ Math.imul(c ^ letter, 0xc2b2ae3d)
    d = a ^ Math.imul(d ^ letter, 0x27d4eb2f)
  }
  return [mixed(a ^ d), mixed(b ^ a), mixed(c ^ b), mixed(d ^ c)]
}

/** A word of which each bit depends on every bit of another. */
function mixed(word: number): number {
  let value = Math.imul(word ^ (word >>> 16), 0x85ebca6b)
  value = Math.imul(value ^ (value >>> 13), 0xc2b2ae35)
  return value ^ (value >>> 16)
}

/**
 * A stream of chance of its own for a name. The names are kept apart by 128 bits: with 32, a
 * hundred thousand evenings would share draws.
 */
export function chanceStream(...name: readonly (string | number)[]): ChanceStream {
  // Lengths stand in the name, so that no two lists of parts make one text.
  const [a, b, c, d] = wordsOf(name.map(part => `${String(part).length}:${part}`).join(''))
  return {
    of: evening => {
      const step = evening + 1
      const generator = xoroshiro128plusFromState([
        mixed(a ^ Math.imul(step, 0x9e3779b1)),
        mixed(b + Math.imul(step, 0x85ebca77)),
        mixed(c ^ Math.imul(step, 0xc2b2ae3d)),
        // Never all zero.
        mixed(d + Math.imul(step, 0x27d4eb2f)) | 1,
      ])
      return () => uniformFloat64(generator)
    },
  }
}
