import { setResponseStatus } from 'h3'
import { z } from 'zod'
import { plans } from '../../../database/plans'
import { apiHandler } from '../../../http/apiHandler'
import { noSuchPlan } from '../../../http/noSuchPlan'
import { planId } from '../../../http/planId'
import { Problem } from '../../../http/problem'
import { readJsonBody } from '../../../http/readJsonBody'

const bodySchema = z.object({ archived: z.boolean() })

/** Puts a plan away, or takes it out again. */
export default apiHandler(async event => {
  const id = planId(event)
  const body = bodySchema.safeParse(await readJsonBody(event))
  if (!body.success)
    throw new Problem(
      422,
      'Not valid',
      'The request must say whether the plan is archived: {"archived": true} or ' +
        '{"archived": false}.',
    )
  if (!(await (await plans()).archive(id, body.data.archived))) throw noSuchPlan()
  setResponseStatus(event, 204)
  return null
})
