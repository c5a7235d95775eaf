import { getRouterParam, setResponseStatus } from 'h3'
import { plans } from '../../../database/plans'
import { apiHandler } from '../../../http/apiHandler'
import { noSuchPlan } from '../../../http/noSuchPlan'

/** Deletes a plan; it can be restored for thirty days. */
export default apiHandler(async (event) => {
  if (!await (await plans()).remove(getRouterParam(event, 'id') ?? '')) throw noSuchPlan()
  setResponseStatus(event, 204)
  return null
})
