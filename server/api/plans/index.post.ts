import { setResponseHeader, setResponseStatus } from 'h3'
import { plans } from '../../database/plans'
import { acceptPlan } from '../../http/acceptPlan'
import { apiHandler } from '../../http/apiHandler'
import { readJsonBody } from '../../http/readJsonBody'

/** Stores a plan document, such as an exported file, as a new plan. */
export default apiHandler(async event => {
  const { plan, keptAside, leftOut } = acceptPlan(await readJsonBody(event))
  const stored = await (await plans()).create(plan)
  setResponseStatus(event, 201)
  setResponseHeader(event, 'location', `/api/plans/${stored.id}`)
  return { ...stored, keptAside, leftOut }
})
