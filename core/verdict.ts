import type { Estimate } from './figure'
import { headroomOrder } from './headrooms'

/** From best to worst; unknown when the plan does not say enough yet. */
export const verdictStates = ['ample', 'enough', 'tight', 'short', 'impossible', 'unknown'] as const
export type VerdictState = (typeof verdictStates)[number]

/** One headroom of the plan: what is needed against what is possible. */
export interface Verdict {
  readonly id: string
  readonly label: string
  /** the domain (and so the view) it belongs to */
  readonly domain: string
  readonly unit: string
  readonly asked: Estimate | null
  readonly possible: Estimate | null
  /** likely asked ÷ likely possible; null when either is unknown or nothing is possible */
  readonly share: number | null
  readonly state: VerdictState
  /** the state as far as what is bought decides it, where more than that does */
  readonly ofBuild?: VerdictState
  /** what decides it, in a word or two, where that is not asked against possible */
  readonly limit?: string
  /** one plain sentence */
  readonly sentence: string
  /** ids of the figures behind it */
  readonly figures: readonly string[]
}

/** Verdicts in the order of the headroom line; one that is not listed stands behind the others. */
export function byHeadroomOrder(verdicts: readonly Verdict[]): Verdict[] {
  const place = ({ id }: Verdict) => {
    const at = (headroomOrder as readonly string[]).indexOf(id)
    return at < 0 ? headroomOrder.length : at
  }
  return [...verdicts].sort((a, b) => place(a) - place(b))
}

/** The state as far as what is bought decides it: what a build can be held to. */
export function stateOfBuild({ state, ofBuild }: Pick<Verdict, 'state' | 'ofBuild'>): VerdictState {
  return ofBuild ?? state
}

/** Whether a state means that the need is met. */
export function meetsNeed(state: VerdictState): boolean {
  return state === 'ample' || state === 'enough' || state === 'tight'
}

/** The worse of two states; unknown only where both are. */
export function worseState(one: VerdictState, other: VerdictState): VerdictState {
  if (one === 'unknown') return other
  if (other === 'unknown') return one
  return verdictStates.indexOf(one) > verdictStates.indexOf(other) ? one : other
}

/**
 * Of the low end of what is possible, the share up to which the high end of the need leaves ample
 * room.
 */
export const ampleShare = 0.7

/**
 * The state of a headroom: ample when even the high end of the need takes at most 70 % of the low
 * end of what is possible;
 * enough when it still fits; tight when it fits only as likely figures; short when it does not;
 * impossible when there is
 * nothing to meet it.
 */
export function headroomState(asked: Estimate | null, possible: Estimate | null): VerdictState {
  if (!asked || !possible) return 'unknown'
  if (asked.likely > 0 && possible.high <= 0) return 'impossible'
  if (asked.high <= ampleShare * possible.low) return 'ample'
  if (asked.high <= possible.low) return 'enough'
  return asked.likely <= possible.likely ? 'tight' : 'short'
}

/** Likely asked ÷ likely possible, or null where that says nothing. */
export function headroomShare(asked: Estimate | null, possible: Estimate | null): number | null {
  return asked && possible && possible.likely > 0 ? asked.likely / possible.likely : null
}
