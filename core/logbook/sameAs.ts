import { markOf } from '../markOf'
import { momentTime, type Entry } from './entry'

/**
 * What an entry is known by when it comes again: the file it was in and its place there, else when
 * it was, its kind and its values. A correction is another entry.
 */
export function sameAs({ kind, at, values, origin, corrects, note }: Entry): string {
  const { sha256, place } = origin
  if (sha256 !== '') return `${sha256.slice(0, 40)} ${markOf(`${place} ${kind}`)}`
  // Two marks of 32 bits: one alone would let two of 100,000 entries be taken for one.
  const text = JSON.stringify([kind, momentTime(at), values, corrects, note])
  return `${markOf(text)} ${markOf(`${text} again`)} ${text.length}`
}
