import { door } from '../access/door'
import { readPassphraseFile } from '../access/passphraseFile'
import { startNightlyBackups } from '../backup/nightlyBackups'
import { bench } from '../bench/benchJob'
import { DatabaseProblem } from '../database/databaseProblem'
import { access, closePlans, copyPlans, plans } from '../database/plans'
import { isLoopback } from '../http/allowedHost'
import { gate } from '../http/gate'
import { endStreams } from '../lifetime/eventStreams'
import { clearLeftovers } from '../lifetime/leftovers'
import { listenProblem, settingsOf } from '../lifetime/settings'
import { assessmentPool } from '../work/assessmentPool'

/** Longest that requests under way may take once the server was told to leave, ms. */
const leavingMs = 4000

/** Ends the start with one sentence. */
function giveUp(sentence: string): never {
  console.error(sentence)
  process.exit(1)
}

function chooseHost(): void {
  const settings = settingsOf(process.env)
  if ('problem' in settings) giveUp(settings.problem)
  const { host, port } = settings
  process.env.NITRO_HOST = host
  if (port !== null) process.env.NITRO_PORT = port
  const file = readPassphraseFile(process.env)
  if ('problem' in file) giveUp(file.problem)
  process.prependListener('uncaughtException', error => {
    const sentence = listenProblem(error, {
      host,
      port: process.env.NITRO_PORT ?? process.env.PORT ?? '3000',
    })
    if (sentence) giveUp(sentence)
  })
}

/** On a server that is open to a network: who comes in, and what is missing yet. */
async function tellOpenness(): Promise<void> {
  const host = process.env.NITRO_HOST ?? ''
  if (isLoopback(host)) return
  console.warn(
    `Numeron is open to every computer that reaches ${host}. Whoever knows the passphrase ` +
      'can read and change all plans; without TLS in front of it, others on the way can ' +
      'listen.',
  )
  if ((await (await access()).passphrase()) === null)
    console.warn(
      'No passphrase is set yet, so nobody comes in. Open Numeron on this computer, at ' +
        '"localhost", and set one; or name a file that holds it in NUMERON_PASSPHRASE_FILE ' +
        'and start Numeron again.',
    )
}

/**
 * What never ends by itself is ended as soon as the server is told to leave; requests under way may
 * finish.
 */
function leaveAtOnce(): void {
  process.env.NITRO_SHUTDOWN_TIMEOUT = String(leavingMs)
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    process.once(signal, () => {
      bench.cancel()
      endStreams()
    })
  }
}

export default defineNitroPlugin(({ h3App, hooks }) => {
  chooseHost()
  // Before every other layer, so that it stands before static files as well.
  h3App.stack.unshift({ route: '/', handler: gate }, { route: '/', handler: door })
  leaveAtOnce()
  let endBackups: () => void = () => undefined
  hooks.hook('close', async () => {
    endBackups()
    await Promise.allSettled([assessmentPool.close(), closePlans()])
  })
  clearLeftovers()
  plans()
    .then(tellOpenness)
    .then(() => {
      endBackups = startNightlyBackups(process.env.NUMERON_BACKUPS, copyPlans)
    })
    .catch((error: unknown) =>
      giveUp(
        error instanceof DatabaseProblem
          ? error.message
          : `The database could not be opened: ${String(error)}`,
      ),
    )
})
