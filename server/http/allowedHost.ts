const loopbackNames = new Set(['localhost', '127.0.0.1', '[::1]'])

/** Whether a server that listens on this host is reached from this computer only. */
export function isLoopback(host: string): boolean {
  return host === 'localhost' || host === '::1' || /^127\.\d+\.\d+\.\d+$/.test(host)
}

/**
 * The names under which a server that is open to a network answers, as NUMERON_ALLOWED_HOSTS lists
 * them.
 */
export function allowedHosts(environment: NodeJS.ProcessEnv): string[] {
  return (environment.NUMERON_ALLOWED_HOSTS ?? '')
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(name => name.toLowerCase())
}

/**
 * Whether a request's Host header may be served: loopback names always; others only by a server
 * that is open to a network,
 * and only those that were named, so that no web page elsewhere reaches it through a name of its
 * own that points here.
 */
export function isAllowedHost(
  hostHeader: string,
  listeningHost: string,
  named: readonly string[],
): boolean {
  const name = hostHeader.replace(/:\d+$/, '').toLowerCase()
  return (
    loopbackNames.has(name) ||
    (!isLoopback(listeningHost) &&
      (named.includes(name) || named.includes(hostHeader.toLowerCase())))
  )
}
