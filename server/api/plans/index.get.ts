import { getQuery } from 'h3'
import { z } from 'zod'
import { plans } from '../../database/plans'
import { apiHandler } from '../../http/apiHandler'
import { Problem } from '../../http/problem'
import { maxOnPage } from '../../repositories/planRepository'

const querySchema = z.object({
  limit: z.coerce.number().int().min(1).max(maxOnPage).optional(),
  after: z.string().max(100).optional(),
})

/** A page of the list of plans, last saved first; `next` is the `after` of the page behind it. */
export default apiHandler(async event => {
  const query = querySchema.safeParse(getQuery(event))
  if (!query.success)
    throw new Problem(
      422,
      'Not valid',
      `"limit" must be a whole number from 1 to ${maxOnPage}, and "after" the "next" of ` +
        'the page before.',
    )
  return (await plans()).list({
    ...(query.data.limit ? { limit: query.data.limit } : {}),
    ...(query.data.after ? { after: query.data.after } : {}),
  })
})
