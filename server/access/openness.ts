import { getRequestHeader, type H3Event } from 'h3'
import { isLoopback } from '../http/allowedHost'

/** Whether this server is reached from other computers; only then anybody has to sign in. */
export function isOpen(): boolean {
  return !isLoopback(process.env.NITRO_HOST || '127.0.0.1')
}

const forwarding = ['forwarded', 'x-forwarded-for', 'x-real-ip', 'via']

/**
 * Whether a request was made on this very computer, under a name of its own, and not passed on for
 * somebody else.
 */
export function isFromThisComputer(event: H3Event): boolean {
  const address = event.node.req.socket.remoteAddress ?? ''
  const host = (getRequestHeader(event, 'host') ?? '').replace(/:\d+$/, '').replace(/^\[|\]$/g, '')
  return (
    isLoopback(address.replace(/^::ffff:/, '')) &&
    isLoopback(host) &&
    forwarding.every(name => getRequestHeader(event, name) === undefined)
  )
}
