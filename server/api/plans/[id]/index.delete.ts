import { setResponseStatus } from 'h3'
import { plans } from '../../../database/plans'
import { apiHandler } from '../../../http/apiHandler'
import { noSuchPlan } from '../../../http/noSuchPlan'
import { planId } from '../../../http/planId'

/** Deletes a plan; it can be restored for thirty days. */
export default apiHandler(async event => {
  const id = planId(event)
  if (!(await (await plans()).remove(id))) throw noSuchPlan()
  setResponseStatus(event, 204)
  return null
})
