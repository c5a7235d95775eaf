import { defineEventHandler, setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import { problemDocument } from './problem'

/** Whether a request ended because whoever sent it went away: nobody is left to be answered. */
function isBrokenOff(event: H3Event, error: unknown): boolean {
  const code = typeof error === 'object' && error !== null && 'code' in error ? error.code : ''
  return (
    event.node.req.destroyed &&
    !event.node.req.complete &&
    (code === 'ECONNRESET' || code === 'ERR_STREAM_PREMATURE_CLOSE')
  )
}

/** A route whose every refusal, expected or not, goes out as a problem document. */
export function apiHandler<Result>(handle: (event: H3Event) => Promise<Result> | Result) {
  return defineEventHandler(async event => {
    setResponseHeader(event, 'cache-control', 'no-store')
    try {
      return await handle(event)
    } catch (error) {
      if (isBrokenOff(event, error))
        console.warn(
          `${event.method} ${event.path.slice(0, 100)}: the client broke off; nothing was changed.`,
        )
      const problem = problemDocument(error)
      if (problem.status >= 500 && !isBrokenOff(event, error)) console.error(error)
      setResponseStatus(event, problem.status)
      setResponseHeader(event, 'content-type', 'application/problem+json')
      return problem
    }
  })
}
