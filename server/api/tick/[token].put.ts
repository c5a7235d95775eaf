import { withTicks } from '~~/core/commissioning/carried/withTicks'
import { sentTicksSchema } from '~~/core/commissioning/carried/sentTicks'
import { issuesOf } from '~~/core/plan/issues'
import { linkedPlan } from '../../access/linkedPlan'
import { plans } from '../../database/plans'
import { apiHandler } from '../../http/apiHandler'
import { Problem, unprocessable } from '../../http/problem'
import { readJsonBody } from '../../http/readJsonBody'

/** How often ticks are joined anew because somebody else saved in between. */
const mostTries = 5

/**
 * Takes the ticks of a run-book link and joins them with the plan as it is now; nothing else of it
 * can be changed this way.
 */
export default apiHandler(async event => {
  const body = sentTicksSchema.safeParse(await readJsonBody(event))
  if (!body.success) throw unprocessable(issuesOf(body.error))
  for (let tries = 0; tries < mostTries; tries++) {
    const { id, version, plan, updatedAt } = await linkedPlan(event, 'runBook')
    const ticked = withTicks(plan, body.data)
    if (ticked === plan) return { plan, savedAt: updatedAt }
    const stored = await (await plans()).update(id, version, ticked)
    if (typeof stored !== 'string') return { plan: stored.plan, savedAt: stored.updatedAt }
  }
  throw new Problem(503, 'Busy', 'Others save this plan just now. Your ticks are sent again soon.')
})
