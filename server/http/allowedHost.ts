const loopbackNames = new Set(['localhost', '127.0.0.1', '[::1]'])

/** Whether a server that listens on this host is reached from this machine only. */
export function isLoopback(host: string): boolean {
  return host === 'localhost' || host === '::1' || /^127\.\d+\.\d+\.\d+$/.test(host)
}

/**
 * Whether a request's Host header may be served. A server on loopback answers to loopback names only, so that a
 * web page elsewhere cannot reach it through a name of its own that points here.
 */
export function isAllowedHost(hostHeader: string, listeningHost: string): boolean {
  if (!isLoopback(listeningHost)) return true
  return loopbackNames.has(hostHeader.replace(/:\d+$/, '').toLowerCase())
}
