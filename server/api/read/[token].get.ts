import { linkedPlan } from '../../access/linkedPlan'
import { apiHandler } from '../../http/apiHandler'

/** The plan that a reader's link shows, and nothing by which it could be changed. */
export default apiHandler(async event => {
  const { plan, updatedAt } = await linkedPlan(event, 'reader')
  return { plan, savedAt: updatedAt }
})
