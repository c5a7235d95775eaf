import { getRouterParam } from 'h3'
import { plans } from '../../../database/plans'
import { apiHandler } from '../../../http/apiHandler'
import { noSuchPlan } from '../../../http/noSuchPlan'

export default apiHandler(async (event) => {
  const stored = await (await plans()).get(getRouterParam(event, 'id') ?? '')
  if (!stored) throw noSuchPlan()
  return stored
})
