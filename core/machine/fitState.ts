import type { VerdictState } from '../verdict'

/**
 * Whether the drives fit into the bays: with one left it is enough, with more ample.
 * @param count drives
 * @param freeBays bays left; below nothing when they do not fit
 */
export function fitState(count: number, freeBays: number): VerdictState {
  if (count === 0) return 'unknown'
  if (freeBays < 0) return 'impossible'
  if (freeBays === 0) return 'tight'
  return freeBays === 1 ? 'enough' : 'ample'
}
