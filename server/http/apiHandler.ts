import { defineEventHandler, setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import { problemDocument } from './problem'

/** A route whose every refusal, expected or not, goes out as a problem document. */
export function apiHandler<Result>(handle: (event: H3Event) => Promise<Result> | Result) {
  return defineEventHandler(async (event) => {
    setResponseHeader(event, 'cache-control', 'no-store')
    try {
      return await handle(event)
    }
    catch (error) {
      const problem = problemDocument(error)
      if (problem.status >= 500) console.error(error)
      setResponseStatus(event, problem.status)
      setResponseHeader(event, 'content-type', 'application/problem+json')
      return problem
    }
  })
}
