import type { FitSlice } from './fitSlice'
import { worseState, type VerdictState } from '../../verdict'
import { fitState } from '../fitState'
import { laneRate } from '../assembly/lanes'
import type { FitContext } from './fitContext'
import type { FitRule, FitState, Judgement } from './fitRule'
import { fitRules } from './fitRules'
import { fitContext } from './assembleContext'

/** A rule with what it says of the machine. */
export interface Judged {
  readonly rule: FitRule
  readonly judgement: Judgement
}

/** The same as plain data. */
export interface JudgedFacts extends Judgement {
  readonly id: string
}

export interface FitFacts {
  readonly context: FitContext
  /** of the rules that have something to say, in the order of the report */
  readonly judged: readonly JudgedFacts[]
  readonly state: VerdictState
  /**
   * MB/s of the slowest controller card, and of the slowest enclosure with drives in it; null where
   * there is none
   */
  readonly controllerMBps: number | null
  readonly enclosureMBps: number | null
}

/** What every rule says of a machine; those that have nothing to say are left out. */
export function judgeFit(context: FitContext, rules: readonly FitRule[] = fitRules): Judged[] {
  return rules.flatMap(rule => {
    const judgement = rule.judge(context)
    return judgement ? [{ rule, judgement }] : []
  })
}

/**
 * The state of fit: that of the bays, worse where a rule fails: impossible where the machine cannot
 * be put together or does not start.
 */
export function stateOfFit(
  judged: readonly Judged[],
  { drives, freeBays }: Pick<FitContext, 'drives' | 'freeBays'>,
): VerdictState {
  const byBays = fitState(drives.count, freeBays)
  const failing = judged.filter(({ judgement }) => judgement.state === 'fail')
  if (failing.some(({ rule }) => rule.stops)) return 'impossible'
  return failing.length > 0 ? worseState(byBays, 'short') : byBays
}

export function fitFacts(slice: FitSlice): FitFacts {
  const context = fitContext(slice)
  const judged = judgeFit(context)
  return {
    context,
    judged: judged.map(({ rule, judgement }) => ({ id: rule.id, ...judgement })),
    state: stateOfFit(judged, context),
    ...beforeTheDrives(context),
  }
}

/** What stands between the drives and the board. */
function beforeTheDrives({
  places,
  build: { parts },
  enclosedDrives,
}: FitContext): Pick<FitFacts, 'controllerMBps' | 'enclosureMBps'> {
  const controllers = places.flatMap(({ holds, lanes, place, offBy }) =>
    holds?.kind === 'controller' && offBy === null
      ? [laneRate(Math.min(lanes, holds.lanes), Math.min(place.generation, holds.generation))]
      : [],
  )
  const enclosures =
    enclosedDrives > 0
      ? parts.flatMap(({ kind, entry }) => (kind === 'enclosure' ? [entry.throughputMBps] : []))
      : []
  return {
    controllerMBps: controllers.length ? Math.min(...controllers) : null,
    enclosureMBps: enclosures.length ? Math.min(...enclosures) : null,
  }
}

/** How many rules pass, warn, fail and cannot be judged. */
export function countStates(judged: readonly Pick<Judgement, 'state'>[]): Record<FitState, number> {
  const counts = { pass: 0, warning: 0, fail: 0, notKnown: 0 }
  for (const { state } of judged) counts[state] += 1
  return counts
}
