import { exactly, type Estimate } from '../figure'
import { monthsPerYear } from '../units/time'
import { headroomState, type VerdictState } from '../verdict'
import type { RoomFacts } from './roomFacts'

export interface SpaceQuestion {
  readonly contentAtHorizonTB: Estimate
  readonly nothingKept: boolean
  readonly horizonYears: number
}

/**
 * The state of space: impossible where today's library does not fit, short where it is full before
 * the horizon at the likely growth, tight where it is with fast growth; else by how much is left.
 */
export function spaceState(
  { roomAtHorizonTB, monthFull }: Pick<RoomFacts, 'roomAtHorizonTB' | 'monthFull'>,
  { contentAtHorizonTB, nothingKept, horizonYears }: SpaceQuestion,
): VerdictState {
  if (nothingKept) return 'unknown'
  const within = (month: number | null) => month !== null && month <= horizonYears * monthsPerYear
  if (monthFull.likely === 0) return 'impossible'
  if (within(monthFull.likely)) return 'short'
  if (within(monthFull.soonest)) return 'tight'
  return headroomState(contentAtHorizonTB, exactly(roomAtHorizonTB))
}
