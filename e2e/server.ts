import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '../scripts/freePort.mjs'
import { tideMillHouse } from '../core/catalogue/tideMillHouse'

/** The built server on a free port with a database of its own, with the demo plan in it. */
export class TestServer {
  private process: ChildProcess | null = null
  private readonly folder = mkdtempSync(join(tmpdir(), 'numeron-e2e-'))
  private port = 0

  get address(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /** @param environment what else the server is told, such as the address it listens on */
  async start(environment: Readonly<Record<string, string>> = {}): Promise<void> {
    this.port ||= await freePort()
    this.process = spawn(process.execPath, ['.output/server/index.mjs'], {
      env: {
        ...process.env,
        NUMERON_DB: join(this.folder, 'numeron.sqlite'),
        NUMERON_DEMO: '1',
        NUMERON_BENCH: 'simulated',
        NUMERON_PORT: String(this.port),
        NUMERON_HOST: '',
        ...environment,
      },
      stdio: 'ignore',
    })
    for (let attempt = 0; attempt < 600; attempt++) {
      if (
        await fetch(`${this.address}/api/health`).then(
          answer => answer.ok || answer.status === 401,
          () => false,
        )
      )
        return
      await new Promise(done => setTimeout(done, 100))
    }
    throw new Error('the built server did not start; run npm run build first')
  }

  /** Leaves the demo plan alone in the database. */
  async reset(): Promise<void> {
    // The list comes in pages: a test may have left more than one.
    for (;;) {
      const { plans } = await (await fetch(`${this.address}/api/plans?limit=50`)).json()
      if (plans.length === 0) break
      await Promise.all(
        plans.map(({ id }: { id: string }) =>
          fetch(`${this.address}/api/plans/${id}`, { method: 'DELETE' }),
        ),
      )
    }
    await fetch(`${this.address}/api/plans`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(tideMillHouse),
    })
  }

  /** Ends the server at once, as a power cut would. */
  async kill(): Promise<void> {
    const running = this.process
    if (!running || running.exitCode !== null) return
    const ended = new Promise(done => running.once('exit', done))
    running.kill('SIGKILL')
    await ended
  }

  async stop(): Promise<void> {
    await this.kill()
    rmSync(this.folder, { recursive: true, force: true })
  }
}
