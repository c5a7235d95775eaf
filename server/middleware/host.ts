import { defineEventHandler, getRequestHeader, setResponseHeader, setResponseStatus } from 'h3'
import { isAllowedHost } from '../http/allowedHost'
import { Problem, problemDocument } from '../http/problem'

export default defineEventHandler((event) => {
  if (isAllowedHost(getRequestHeader(event, 'host') ?? '', process.env.NITRO_HOST ?? '127.0.0.1')) return
  const problem = problemDocument(new Problem(421, 'Another host', 'This server answers on this machine only. Set NUMERON_HOST to open it to your network.'))
  setResponseStatus(event, problem.status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return problem
})
