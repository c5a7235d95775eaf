import { deleteCookie, getCookie, getRequestHeader, setCookie, type H3Event } from 'h3'
import { access } from '../database/plans'
import { newToken, tokenHashOf } from './token'

const cookieName = 'numeron-session'
/** How long a browser stays signed in, days. */
export const sessionDays = 30

/**
 * The cookie never reaches a script or a page of another origin; over TLS, also behind a server
 * that ends it, it never goes out in the clear.
 */
function cookieOptions(event: H3Event) {
  const isSecure =
    'encrypted' in event.node.req.socket || getRequestHeader(event, 'x-forwarded-proto') === 'https'
  return { httpOnly: true, sameSite: 'strict', path: '/', secure: isSecure } as const
}

/** Hash of the request's session token; null when it brings none. */
function sessionHash(event: H3Event): string | null {
  const token = getCookie(event, cookieName)
  return token ? tokenHashOf(token) : null
}

export async function isSignedIn(event: H3Event): Promise<boolean> {
  const hash = sessionHash(event)
  return hash !== null && (await (await access()).hasSession(hash))
}

/** Signs the browser in that sent this request. */
export async function openSession(event: H3Event): Promise<void> {
  const token = newToken()
  const seconds = sessionDays * 86_400
  await (await access()).openSession(tokenHashOf(token), new Date(Date.now() + seconds * 1000))
  setCookie(event, cookieName, token, { ...cookieOptions(event), maxAge: seconds })
}

/** Signs the browser out that sent this request. */
export async function endSession(event: H3Event): Promise<void> {
  const hash = sessionHash(event)
  if (hash) await (await access()).endSession(hash)
  deleteCookie(event, cookieName, cookieOptions(event))
}
