import { existsSync, mkdtempSync, rmSync, writeFileSync, chmodSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { BenchState } from '../core/streams/bench'
import { BenchJob } from '../server/bench/benchJob'
import { realEncoder, simulatedEncoder, type Encoder } from '../server/bench/encoder'
import { startApi } from './api/apiServer'

function ended(job: BenchJob): Promise<BenchState> {
  return new Promise(done => {
    const stop = job.watch(state => {
      if (['done', 'cancelled', 'failed'].includes(state.state)) {
        setTimeout(() => stop())
        done(state)
      }
    })
  })
}
/** A program that stands in for the encoder and behaves badly. */
const folder = mkdtempSync(join(tmpdir(), 'numeron-encoder-'))
function program(name: string, script: string): string {
  const path = join(folder, name)
  writeFileSync(
    path,
    `#!/bin/sh\nif [ "$1" = -version ]; then echo 'ffmpeg version 9.9 rest'; exit 0; ` +
      `fi\n${script}\n`,
  )
  chmodSync(path, 0o755)
  return path
}
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const alive = (pid: number) => {
  try {
    process.kill(pid, 0)
    return !readFileSync(`/proc/${pid}/stat`, 'utf8').includes(') Z ')
  } catch {
    return false
  }
}

describe('the bench as a job', () => {
  it('runs rounds until one falls behind, telling every step', async () => {
    const job = new BenchJob(() => simulatedEncoder(1))
    const seen: string[] = []
    job.watch(state => seen.push(`${state.state} ${state.copies}`))
    job.start()
    const end = await ended(job)
    expect(end).toMatchObject({
      state: 'done',
      isSimulated: true,
      result: { whole: 3, streams: 3.4 },
    })
    expect(seen).toEqual([
      'idle 0',
      'preparing 0',
      'running 1',
      'running 2',
      'running 3',
      'running 4',
      'done 0',
    ])
  })
  it('is one at a time, and can be cancelled and started again', async () => {
    const job = new BenchJob(() => simulatedEncoder(2000))
    job.start()
    expect(() => job.start()).toThrow('Only one can run at a time')
    job.cancel()
    expect(await ended(job)).toMatchObject({ state: 'cancelled', result: null })
    await new Promise(done => setTimeout(done))
    expect(job.start().state).toBe('preparing')
    job.cancel()
  })
  it('is ended when it takes longer than it may', async () => {
    const job = new BenchJob(() => simulatedEncoder(5000), 30)
    job.start()
    expect(await ended(job)).toMatchObject({
      state: 'failed',
      message: expect.stringContaining('passed its time limit'),
    })
  })
})

describe('an encoder that behaves badly', () => {
  const jobOf = (path: string, limit?: number) =>
    new BenchJob(() => realEncoder(path) as Encoder, limit)
  it('that is absent, or no such program, is none', () => {
    expect(realEncoder(join(folder, 'nothing'))).toBeNull()
    expect(realEncoder('/bin/true')).toBeNull()
  })
  it('that fails and prints rubbish: its last words, tidied', async () => {
    const job = jobOf(program('rubbish', 'printf "\\001\\377 no such codec \\033[31m" >&2; exit 3'))
    job.start()
    expect(await ended(job)).toMatchObject({
      state: 'failed',
      message: expect.stringMatching(/^The encoder stopped with an error: no such codec \[31m$/),
    })
  })
  it('that is killed from outside is said to be', async () => {
    const job = jobOf(program('killed', 'kill -9 $$'))
    job.start()
    expect(await ended(job)).toMatchObject({
      state: 'failed',
      message: expect.stringContaining('SIGKILL'),
    })
  })
  it('that hangs ends with the cancel, and leaves no process', async () => {
    const pidFile = join(folder, 'pid')
    const job = jobOf(program('hangs', `echo $$ > ${pidFile}\nexec sleep 60`))
    job.start()
    for (let wait = 0; !existsSync(pidFile) && wait < 200; wait++)
      await new Promise(done => setTimeout(done, 20))
    await new Promise(done => setTimeout(done, 100))
    const pid = Number(readFileSync(pidFile, 'utf8'))
    expect(alive(pid)).toBe(true)
    job.cancel()
    expect(await ended(job)).toMatchObject({ state: 'cancelled' })
    expect(alive(pid)).toBe(false)
  })
})

describe('the bench by its routes', () => {
  let api: Awaited<ReturnType<typeof startApi>>
  beforeAll(async () => {
    process.env.NUMERON_BENCH = 'simulated'
    api = await startApi()
  })
  afterAll(() => api.stop())
  it('starts once, is watched by events, cancelled, and takes only JSON', async () => {
    expect(
      (await api.send('POST', '/api/bench', '{}', { 'content-type': 'text/plain' })).status,
    ).toBe(415)
    expect(await api.send('POST', '/api/bench', {})).toMatchObject({
      status: 200,
      body: { state: 'preparing', isSimulated: true },
    })
    expect((await api.send('POST', '/api/bench', {})).status).toBe(409)
    const abort = new AbortController()
    const response = await fetch(`${api.base}/api/bench/events`, { signal: abort.signal })
    expect(response.headers.get('content-type')).toContain('text/event-stream')
    const { value } = await response.body!.getReader().read()
    expect(new TextDecoder().decode(value)).toContain('"state":"')
    abort.abort()
    await api.send('DELETE', '/api/bench')
    for (let wait = 0; wait < 100; wait++) {
      if ((await api.send('GET', '/api/bench')).body.state === 'cancelled') break
      await new Promise(done => setTimeout(done, 20))
    }
    expect((await api.send('GET', '/api/bench')).body).toMatchObject({
      state: 'cancelled',
      result: null,
    })
  })
})

const real = realEncoder()
real?.dispose()
describe.runIf(real)('the real encoder of this machine', () => {
  it('makes the clip and converts it', async () => {
    const encoder = realEncoder()!
    const { signal } = new AbortController()
    await encoder.prepare(signal)
    const speeds = await encoder.run(1, signal)
    encoder.dispose()
    expect(speeds).toHaveLength(1)
    expect(speeds[0]).toBeGreaterThan(0.05)
  }, 120_000)
})
