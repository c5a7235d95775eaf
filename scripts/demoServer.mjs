import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from './freePort.mjs'

/**
 * The built server with the demo plan in a database that goes away with it. It may not listen yet
 * when this answers.
 */
export async function startDemoServer() {
  const folder = mkdtempSync(join(tmpdir(), 'numeron-'))
  const port = await freePort()
  const server = spawn(process.execPath, ['.output/server/index.mjs'], {
    stdio: 'ignore',
    env: {
      ...process.env,
      NUMERON_DB: join(folder, 'demo.sqlite'),
      NUMERON_DEMO: '1',
      NUMERON_PORT: String(port),
      NUMERON_HOST: '',
    },
  })
  return {
    address: `http://127.0.0.1:${port}`,
    stop() {
      server.kill()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/** Opens an address as soon as the server listens. */
export async function openWhenReady(page, address) {
  for (let attempt = 0; attempt < 1500; attempt++) {
    if (
      await page.goto(address).then(
        () => true,
        () => false,
      )
    )
      return
    await new Promise(done => setTimeout(done, 20))
  }
  throw new Error('the server did not start')
}
