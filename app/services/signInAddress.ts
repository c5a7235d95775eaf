/** Address of the page that signs in, and comes back to where one is. */
export function signInAddress({ pathname, search } = window.location): string {
  return `/sign-in?to=${encodeURIComponent(pathname + search)}`
}

export function goToSignIn(): void {
  window.location.assign(signInAddress())
}

/**
 * A whole address of this server that other computers can open: made on the server's own computer,
 * it names the server as they know it.
 * @param host a name under which they reach it, with or without a port
 */
export function addressForOthers(
  path: string,
  host: string | null,
  { origin, protocol, hostname, port } = window.location,
): string {
  const isOwn = hostname === 'localhost' || hostname === '[::1]' || hostname.startsWith('127.')
  if (!isOwn || host === null) return origin + path
  return `${protocol}//${host}${port && !/:\d+$/.test(host) ? `:${port}` : ''}${path}`
}

/** Where to go after signing in: an address of this server, whatever the link said. */
export function returnAddress(wanted: unknown, { origin } = window.location): string {
  if (typeof wanted !== 'string' || !URL.canParse(wanted, origin)) return '/'
  const address = new URL(wanted, origin)
  return address.origin === origin && address.pathname !== '/sign-in'
    ? address.pathname + address.search
    : '/'
}
