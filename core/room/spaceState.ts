import { monthsPerYear } from '../units/time'
import type { VerdictState } from '../verdict'
import type { RoomFacts } from './roomFacts'

export interface SpaceQuestion {
  readonly nothingKept: boolean
  readonly horizonYears: number
}

/**
 * The state of space: impossible where today's library does not fit, short where it is full before
 * the horizon at the likely growth, tight where it is with fast growth; else by how much is left in
 * the fullest month: a library may be larger today than at the horizon.
 */
export function spaceState(
  { monthFull, left }: Pick<RoomFacts, 'monthFull' | 'left'>,
  { nothingKept, horizonYears }: SpaceQuestion,
): VerdictState {
  if (nothingKept) return 'unknown'
  const within = (month: number | null) => month !== null && month <= horizonYears * monthsPerYear
  if (monthFull.likely === 0) return 'impossible'
  if (within(monthFull.likely)) return 'short'
  if (within(monthFull.soonest)) return 'tight'
  return left
}
