import { plans } from '../../../database/plans'
import { apiHandler } from '../../../http/apiHandler'
import { planId } from '../../../http/planId'
import { readable } from '../../../http/readable'

export default apiHandler(async event => {
  const id = planId(event)
  return readable(await (await plans()).get(id))
})
