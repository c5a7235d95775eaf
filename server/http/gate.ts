import { defineEventHandler, getRequestHeader, setResponseHeader, setResponseStatus } from 'h3'
import { allowedHosts, isAllowedHost } from './allowedHost'
import { Problem, problemDocument } from './problem'

/** What a request says of where it goes and where it comes from. */
export interface RequestOrigin {
  readonly method: string
  readonly host: string
  readonly origin: string | undefined
  readonly fetchSite: string | undefined
}

const readingMethods = new Set(['GET', 'HEAD'])

/**
 * Whether a request comes from a page of this server, or from no page at all. Browsers say so by
 * themselves; programs that
 * are no browsers say neither and are let through.
 */
export function isFromHere({
  host,
  origin,
  fetchSite,
}: Pick<RequestOrigin, 'host' | 'origin' | 'fetchSite'>): boolean {
  if (fetchSite !== undefined && fetchSite !== 'same-origin' && fetchSite !== 'none') return false
  // By host alone: in front of a server that speaks plain HTTP there may be one that ends TLS.
  return (
    origin === undefined || (URL.canParse(origin) && new URL(origin).host === host.toLowerCase())
  )
}

/** Why a request is not served; null when it is. */
export function refusalOf(request: RequestOrigin, environment: NodeJS.ProcessEnv): Problem | null {
  if (
    !isAllowedHost(request.host, environment.NITRO_HOST || '127.0.0.1', allowedHosts(environment))
  ) {
    return new Problem(
      421,
      'Another host',
      'This server does not answer to that name. Name it in NUMERON_ALLOWED_HOSTS if it should.',
    )
  }
  if (!readingMethods.has(request.method) && !isFromHere(request)) {
    return new Problem(
      403,
      'Another page',
      "Only Numeron's own pages may change anything here. Nothing was changed.",
    )
  }
  return null
}

/** Stands before everything that is served, the files of the page too. */
export const gate = defineEventHandler(event => {
  const problem = refusalOf(
    {
      method: event.method,
      host: getRequestHeader(event, 'host') ?? '',
      origin: getRequestHeader(event, 'origin'),
      fetchSite: getRequestHeader(event, 'sec-fetch-site'),
    },
    process.env,
  )
  if (!problem) return
  setResponseStatus(event, problem.status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return problemDocument(problem)
})
