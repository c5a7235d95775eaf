import { needIds, type NeedId } from '../../headrooms'
import type { Plan } from '../../plan/planSchema'
import type { VerdictState } from '../../verdict'
import type { Evaluation } from '../buildRows'
import type { Frame, WayId } from './frame'
import type { PoolOffer } from './poolOffers'

/** What is paid now, over the years, or for what is added to what is there. */
export type Objective = 'now' | 'horizon' | 'change'

/** What a build has to be. */
export interface BuildQuestion {
  readonly objective: Objective
  /** null: every way */
  readonly ways: readonly WayId[] | null
  /** id of the only frame that is looked at */
  readonly frame?: string
  /** most to pay now */
  readonly cap: number | null
  /** what costs more by the objective is not looked for */
  readonly costsAtMost?: number
  /** headrooms that need not be met */
  readonly without?: readonly NeedId[]
  /** what a practitioner would not do without is not asked for */
  readonly withoutConditions?: boolean
  /** at least, on top of the need */
  readonly possibleAtLeast?: number
  readonly roomAtLeastTB?: number
  readonly lossAtMost?: number
  /** a machine without drives */
  readonly withoutDrives?: boolean
}

/** What is searched, where that is not everything. */
export interface SearchSpace {
  readonly frames: readonly Frame[]
  readonly pools: readonly PoolOffer[]
}

/** A build that a search ended with. */
export interface FoundBuild {
  readonly way: WayId
  readonly frame: string
  /** what it costs over the years that it may be dead, and that it is not sold */
  readonly risk: number
  /** ids of the parts that go into the frame, sorted */
  readonly refs: readonly string[]
  readonly pool: PoolOffer
  readonly evaluation: Evaluation
  readonly plan: Plan
}

/** A headroom in this state does not meet its need. */
export const failsNeed = (state: VerdictState): boolean =>
  state === 'short' || state === 'impossible'

/** Needs that a build does not meet, in the order of the headroom line. */
export function lacksOf(evaluation: Evaluation): NeedId[] {
  return needIds.filter(id => failsNeed(evaluation[id]))
}
