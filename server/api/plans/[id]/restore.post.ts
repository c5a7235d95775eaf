import { getRouterParam } from 'h3'
import { plans } from '../../../database/plans'
import { apiHandler } from '../../../http/apiHandler'
import { noSuchPlan } from '../../../http/noSuchPlan'

/** Takes a deletion back. */
export default apiHandler(async (event) => {
  const stored = await (await plans()).restore(getRouterParam(event, 'id') ?? '')
  if (!stored) throw noSuchPlan()
  return stored
})
