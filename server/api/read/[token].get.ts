import { getRouterParam } from 'h3'
import { tokenHashOf } from '../../access/token'
import { access, plans } from '../../database/plans'
import { apiHandler } from '../../http/apiHandler'
import { Problem } from '../../http/problem'

/** The plan that a reader's link shows, and nothing by which it could be changed. */
export default apiHandler(async event => {
  const id = await (await access()).planOfLink(tokenHashOf(getRouterParam(event, 'token') ?? ''))
  const stored = id === null ? null : await (await plans()).get(id)
  if (!stored || !('plan' in stored))
    throw new Problem(404, 'No such link', 'This link shows nothing any more. Ask for a new one.')
  return { plan: stored.plan, savedAt: stored.updatedAt }
})
