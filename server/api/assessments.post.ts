import { setResponseHeader, setResponseStatus } from 'h3'
import { apiHandler } from '../http/apiHandler'
import { readJsonText } from '../http/readJsonBody'
import { assessmentPool } from '../work/assessmentPool'

/** Assesses the plan in the body, in a thread of its own; nothing is stored. */
export default apiHandler(async event => {
  const { status, body } = await assessmentPool.assess(await readJsonText(event))
  setResponseStatus(event, status)
  setResponseHeader(
    event,
    'content-type',
    status === 200 ? 'application/json' : 'application/problem+json',
  )
  return body
})
