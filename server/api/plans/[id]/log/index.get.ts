import { getQuery } from 'h3'
import { z } from 'zod'
import { momentTime } from '~~/core/logbook/entry'
import { entryKinds } from '~~/core/logbook/kinds'
import { logs, plans } from '../../../../database/plans'
import { apiHandler } from '../../../../http/apiHandler'
import { planId } from '../../../../http/planId'
import { Problem } from '../../../../http/problem'
import { readable } from '../../../../http/readable'
import { maxEntriesOnPage } from '../../../../repositories/logRepository'

const moment = z
  .string()
  .max(40)
  .transform(at => momentTime(at))
  .refine(time => time !== null)
const querySchema = z.object({
  kinds: z
    .string()
    .max(300)
    .transform(kinds => kinds.split(','))
    .refine(kinds => kinds.every(kind => Object.hasOwn(entryKinds, kind)))
    .optional(),
  limit: z.coerce.number().int().min(1).max(maxEntriesOnPage).optional(),
  after: z.string().max(80).optional(),
  from: moment.optional(),
  to: moment.optional(),
})

/** A page of a plan's log, the newest first, and how many entries each month has. */
export default apiHandler(async event => {
  const id = planId(event)
  const query = querySchema.safeParse(getQuery(event))
  if (!query.success)
    throw new Problem(
      422,
      'Not valid',
      `"limit" must be a whole number from 1 to ${maxEntriesOnPage}, "kinds" names of kinds ` +
        'with commas between them, "from" and "to" days, and "after" the "next" of the page ' +
        'before.',
    )
  readable(await (await plans()).get(id))
  const { kinds, limit, after, from, to } = query.data
  const repository = await logs()
  const [page, months] = await Promise.all([
    repository.page(id, {
      ...(kinds ? { kinds } : {}),
      ...(limit ? { limit } : {}),
      ...(after ? { after } : {}),
      ...(typeof from === 'number' ? { from } : {}),
      ...(typeof to === 'number' ? { to } : {}),
    }),
    repository.months(id),
  ])
  return { ...page, months }
})
