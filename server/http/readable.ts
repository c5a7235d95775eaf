import type { StoredPlan, UnreadablePlan } from '~~/core/plan/storedPlan'
import { noSuchPlan } from './noSuchPlan'
import { Problem } from './problem'

/**
 * A stored plan that can be handed out.
 * @throws {Problem} 404 when there is none; 409 with the stored text when this version cannot read
 *   it
 */
export function readable(stored: StoredPlan | UnreadablePlan | null): StoredPlan {
  if (!stored) throw noSuchPlan()
  if ('plan' in stored) return stored
  throw new Problem(
    409,
    'The plan cannot be read',
    `"${stored.name}" is stored, but this version of Numeron cannot read it. Its text can ` +
      'be exported; nothing of it was changed.',
    stored.issues,
    { raw: stored.raw },
  )
}
