import { isIP } from 'node:net'
import { allowedHosts, isLoopback } from '../http/allowedHost'

/** Where the server listens; or what is wrong with what the environment says of it. */
export type Settings =
  { readonly host: string; readonly port: string | null } | { readonly problem: string }

/**
 * Loopback unless another host is set on purpose.
 * @param environment NUMERON_HOST, NUMERON_PORT, NUMERON_ALLOWED_HOSTS
 */
export function settingsOf(environment: NodeJS.ProcessEnv): Settings {
  const host = environment.NUMERON_HOST || '127.0.0.1'
  const port = environment.NUMERON_PORT || null
  if (port !== null && (!/^\d{1,5}$/.test(port) || Number(port) > 65_535))
    return { problem: `NUMERON_PORT is "${port}". It must be a whole number from 0 to 65535.` }
  if (host !== 'localhost' && !isIP(host))
    return {
      problem:
        `NUMERON_HOST is "${host}". It must be an address of this computer, such as ` +
        '127.0.0.1, or 0.0.0.0 for all of them.',
    }
  if (!isLoopback(host) && allowedHosts(environment).length === 0) {
    return {
      problem:
        `NUMERON_HOST opens Numeron to a network, so NUMERON_ALLOWED_HOSTS must name how it ` +
        `is reached there, such as "mill.example, 192.0.2.7".`,
    }
  }
  return { host, port }
}

/** What is wrong when a server cannot listen, in a sentence; null for errors of another kind. */
export function listenProblem(
  error: unknown,
  { host, port }: { readonly host: string; readonly port: string },
): string | null {
  const code =
    error instanceof Error && 'syscall' in error && error.syscall === 'listen' && 'code' in error
      ? error.code
      : null
  if (code === 'EADDRINUSE')
    return (
      `Port ${port} is in use. End the program that uses it, or set NUMERON_PORT to another ` +
      'port.'
    )
  if (code === 'EACCES')
    return `Port ${port} may not be used by this user. Set NUMERON_PORT to a port from 1024 on.`
  if (code === 'EADDRNOTAVAIL')
    return (
      `${host} is no address of this computer. Set NUMERON_HOST to one of its own, such as ` +
      '127.0.0.1.'
    )
  return code
    ? `Numeron cannot listen on ${host}, port ${port} (${String(code)}). Set NUMERON_HOST ` +
        'and NUMERON_PORT to others.'
    : null
}
