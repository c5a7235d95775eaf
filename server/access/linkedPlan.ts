import { getRouterParam, type H3Event } from 'h3'
import type { PlanLinkKind } from '~~/core/plan/sessionState'
import type { StoredPlan } from '~~/core/plan/storedPlan'
import { access, plans } from '../database/plans'
import { Problem } from '../http/problem'
import { tokenHashOf } from './token'

/**
 * The plan that the link of a request leads to.
 * @throws {Problem} 404 where it leads nowhere (any more)
 */
export async function linkedPlan(event: H3Event, kind: PlanLinkKind): Promise<StoredPlan> {
  const hash = tokenHashOf(getRouterParam(event, 'token') ?? '')
  const id = await (await access()).links[kind].planOf(hash)
  const stored = id === null ? null : await (await plans()).get(id)
  if (!stored || !('plan' in stored))
    throw new Problem(404, 'No such link', 'This link shows nothing any more. Ask for a new one.')
  return stored
}
