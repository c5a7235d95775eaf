import { z } from 'zod'
import { issuesOf } from '~~/core/plan/issues'
import { plans } from '../../../database/plans'
import { acceptPlan } from '../../../http/acceptPlan'
import { apiHandler } from '../../../http/apiHandler'
import { noSuchPlan } from '../../../http/noSuchPlan'
import { planId } from '../../../http/planId'
import { Problem, unprocessable } from '../../../http/problem'
import { readable } from '../../../http/readable'
import { readJsonBody } from '../../../http/readJsonBody'

const bodySchema = z.object({
  version: z
    .int({ error: 'Version must be the whole number that the plan had when it was read.' })
    .min(1),
  plan: z.unknown(),
})

/**
 * Saves a plan over the version it was read at; 409 with the stored one when somebody else saved
 * meanwhile.
 */
export default apiHandler(async event => {
  const id = planId(event)
  const body = bodySchema.safeParse(await readJsonBody(event))
  if (!body.success) throw unprocessable(issuesOf(body.error))
  const { plan, keptAside, leftOut } = acceptPlan(body.data.plan)
  const repository = await plans()
  const stored = await repository.update(id, body.data.version, plan)
  if (stored === 'missing') throw noSuchPlan()
  if (stored === 'stale') {
    const current = readable(await repository.get(id))
    throw new Problem(
      409,
      'Changed meanwhile',
      'This plan was saved elsewhere since it was read here; nothing was overwritten.',
      [],
      { current },
    )
  }
  return { ...stored, keptAside, leftOut }
})
