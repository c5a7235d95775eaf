import type { Estimate } from './figure'

/** From best to worst; unknown when the plan does not say enough yet. */
export const verdictStates = ['ample', 'enough', 'tight', 'short', 'impossible', 'unknown'] as const
export type VerdictState = typeof verdictStates[number]

/** One headroom of the plan: what is asked against what is possible. */
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
  /** one plain sentence */
  readonly sentence: string
  /** ids of the figures behind it */
  readonly figures: readonly string[]
}

/** Whether a state means that the need is met. */
export function meetsNeed(state: VerdictState): boolean {
  return state === 'ample' || state === 'enough' || state === 'tight'
}

/**
 * The state of a headroom: ample when even the high ask takes at most 70 % of the low possible; enough when
 * it still fits; tight when it fits only as likely figures; short when it does not; impossible when there is nothing to meet it.
 */
export function headroomState(asked: Estimate | null, possible: Estimate | null): VerdictState {
  if (!asked || !possible) return 'unknown'
  if (asked.likely > 0 && possible.high <= 0) return 'impossible'
  if (asked.high <= 0.7 * possible.low) return 'ample'
  if (asked.high <= possible.low) return 'enough'
  return asked.likely <= possible.likely ? 'tight' : 'short'
}

/** Likely asked ÷ likely possible, or null where that says nothing. */
export function headroomShare(asked: Estimate | null, possible: Estimate | null): number | null {
  return asked && possible && possible.likely > 0 ? asked.likely / possible.likely : null
}
