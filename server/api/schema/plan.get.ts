import { setResponseHeader } from 'h3'
import { planJsonSchema } from '~~/core/plan/planField'
import { apiHandler } from '../../http/apiHandler'

/** The plan document as JSON Schema. */
export default apiHandler(event => {
  setResponseHeader(event, 'content-type', 'application/schema+json')
  return planJsonSchema
})
