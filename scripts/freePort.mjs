import { createServer } from 'node:net'

/**
 * A port of this machine that nobody listens on just now.
 * @returns {Promise<number>}
 */
export async function freePort() {
  const probe = createServer()
  await new Promise(done => probe.listen(0, '127.0.0.1', () => done(undefined)))
  const address = probe.address()
  await new Promise(done => probe.close(done))
  if (address === null || typeof address === 'string') throw new Error('no port')
  return address.port
}
