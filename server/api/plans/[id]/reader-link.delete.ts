import { setResponseStatus } from 'h3'
import { access } from '../../../database/plans'
import { apiHandler } from '../../../http/apiHandler'
import { planId } from '../../../http/planId'
import { Problem } from '../../../http/problem'

/** Revokes the reader's link of a plan. */
export default apiHandler(async event => {
  if (!(await (await access()).removeLink(planId(event))))
    throw new Problem(404, 'No link', "This plan has no reader's link.")
  setResponseStatus(event, 204)
  return null
})
