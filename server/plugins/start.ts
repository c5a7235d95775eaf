import { plans } from '../database/plans'
import { isLoopback } from '../http/allowedHost'
import { gate } from '../http/gate'

/** Loopback unless another host is set on purpose. Runs before the server listens. */
function chooseHost(): void {
  const host = process.env.NUMERON_HOST || '127.0.0.1'
  process.env.NITRO_HOST = host
  if (process.env.NUMERON_PORT) process.env.NITRO_PORT = process.env.NUMERON_PORT
  if (!isLoopback(host)) {
    console.warn(`Numeron is open to every computer that reaches ${host}: it has no sign-in. Use it like this only on a network you trust.`)
  }
}

export default defineNitroPlugin(({ h3App }) => {
  chooseHost()
  // Before every other layer, so that it stands before static files as well.
  h3App.stack.unshift({ route: '/', handler: gate })
  plans().catch((error: unknown) => console.error('The database could not be opened.', error))
})
