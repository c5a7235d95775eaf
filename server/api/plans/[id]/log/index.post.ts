import { setResponseStatus } from 'h3'
import { readEntries } from '../../../../http/readEntries'
import { logs, plans } from '../../../../database/plans'
import { apiHandler } from '../../../../http/apiHandler'
import { planId } from '../../../../http/planId'
import { readable } from '../../../../http/readable'

/**
 * Takes entries into a plan's log: all of them, or none. One that is there already is left as it
 * is, and counted as known.
 */
export default apiHandler(async event => {
  const id = planId(event)
  const entries = await readEntries(event)
  readable(await (await plans()).get(id))
  const taken = await (await logs()).add(id, entries)
  setResponseStatus(event, 201)
  return { taken, known: entries.length - taken.length }
})
