import { defineEventHandler, sendRedirect, setResponseHeader, setResponseStatus } from 'h3'
import { Problem, problemDocument } from '../http/problem'
import { isOpen } from './openness'
import { isSignedIn } from './session'

/**
 * What holds no data of anybody: the program itself, the page to sign in, and what the links of a
 * plan lead to. Everything else is closed.
 */
const openPaths = [
  /^\/_nuxt\/(?!.*\.\.)[\w./-]+$/,
  /^\/icon\.svg$/,
  /^\/sign-in$/,
  /^\/(read|tick)\/[\w-]+$/,
  /^\/api\/(session|passphrase)$/,
  /^\/api\/(read|tick)\/[\w-]+$/,
]

export function isOpenPath(path: string): boolean {
  return openPaths.some(pattern => pattern.test(path))
}

/** Where somebody signs in who wanted to go to an address. */
function signInAddress(wanted: string): string {
  return wanted === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(wanted)}`
}

/**
 * Stands behind the gate: on a server that is open to a network nothing is handed out to whoever
 * has not signed in.
 */
export const door = defineEventHandler(async event => {
  const [path = ''] = event.path.split('?')
  if (!isOpen() || isOpenPath(path)) return
  try {
    if (await isSignedIn(event)) return
    if (!path.startsWith('/api/') && event.method === 'GET')
      return await sendRedirect(event, signInAddress(event.path))
    throw new Problem(
      401,
      'Signed out',
      'You are signed out. Sign in again; what you changed is kept in this browser.',
    )
  } catch (error) {
    const problem = problemDocument(error)
    setResponseStatus(event, problem.status)
    setResponseHeader(event, 'content-type', 'application/problem+json')
    return problem
  }
})
