import { worseState, type VerdictState } from '../verdict'
import { copiesState, type CopiesState, type CopyQuestion } from './copies'

/** What the survival of a pool follows from, beside its drives. */
export interface SurvivalQuestion extends CopyQuestion {
  /** failed drives that must be survived */
  readonly asked: number
  readonly allMayBeLost: boolean
  readonly irreplaceableTB: number
}

/** How the data survive: by the drives, and by the copies of what cannot be replaced. */
export interface Survival {
  readonly drives: VerdictState
  /** null where nothing is irreplaceable */
  readonly copies: CopiesState | null
}

/** From this chance of loss on, to the horizon, a layout that survives enough is still tight. */
export const likelyLost = 0.05

/** How a pool survives that bears so many failed drives, with its chance of loss to the horizon. */
export function survivalOf(
  survives: number,
  lossChanceAtHorizon: number,
  question: SurvivalQuestion,
): Survival {
  const { asked } = question
  const enough: VerdictState = survives > asked ? 'ample' : 'enough'
  return {
    drives:
      survives < asked
        ? 'short'
        : lossChanceAtHorizon > likelyLost && !question.allMayBeLost
          ? worseState(enough, 'tight')
          : enough,
    copies: question.irreplaceableTB > 0 ? copiesState(question) : null,
  }
}

/** How a box survives failed drives, copies apart. */
export function survivalOfDrives({
  pool,
  count,
}: {
  readonly pool: { readonly survival: Survival } | null
  readonly count: number
}): VerdictState {
  return pool ? pool.survival.drives : count === 0 ? 'unknown' : 'impossible'
}
