import { linkedPlan } from '../../access/linkedPlan'
import { apiHandler } from '../../http/apiHandler'

/** The plan whose run-book a link shows. */
export default apiHandler(async event => {
  const { plan, updatedAt } = await linkedPlan(event, 'runBook')
  return { plan, savedAt: updatedAt }
})
