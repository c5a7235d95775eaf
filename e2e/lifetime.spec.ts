import { expect, test } from '@playwright/test'
import { spawn, type ChildProcess } from 'node:child_process'
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { tideMillHouse } from '../core/catalogue/tideMillHouse'
import { freePort } from '../scripts/freePort.mjs'
import { SqliteFile } from '../scripts/sqliteFile.mjs'

let folder: string
const running: ChildProcess[] = []
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'numeron-lifetime-'))
})
test.afterEach(() => {
  for (const child of running.splice(0)) child.kill('SIGKILL')
  rmSync(folder, { recursive: true, force: true })
})

function start(environment: Record<string, string>) {
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: {
      ...process.env,
      NUMERON_DB: join(folder, 'plans.sqlite'),
      NUMERON_BENCH: 'simulated',
      NUMERON_HOST: '',
      ...environment,
    },
  })
  running.push(child)
  let said = ''
  child.stdout.on('data', (data: Buffer) => (said += data.toString()))
  child.stderr.on('data', (data: Buffer) => (said += data.toString()))
  const ended = new Promise<number | null>(done => child.once('exit', code => done(code)))
  return { child, ended, said: () => said }
}
async function ready(port: number): Promise<void> {
  await expect
    .poll(
      () =>
        fetch(`http://127.0.0.1:${port}/api/health`).then(
          answer => answer.status,
          () => 0,
        ),
      { timeout: 30_000 },
    )
    .toBe(200)
}
const post = (port: number, path: string, body: unknown) =>
  fetch(`http://127.0.0.1:${port}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })

test(
  'a server that is told to end ends at once, with event streams open and a measurement ' +
    'running, and its one file is whole',
  async () => {
    const port = await freePort()
    const { child, ended } = start({ NUMERON_PORT: String(port) })
    await ready(port)
    await post(port, '/api/plans', tideMillHouse)
    await post(port, '/api/assessments', tideMillHouse)
    await post(port, '/api/bench', {})
    const stream = await fetch(`http://127.0.0.1:${port}/api/bench/events`)
    await stream.body!.getReader().read()
    const since = Date.now()
    child.kill('SIGTERM')
    expect(await ended).toBe(0)
    expect(Date.now() - since).toBeLessThan(3000)
    expect(existsSync(join(folder, 'plans.sqlite-wal'))).toBe(false)
    copyFileSync(join(folder, 'plans.sqlite'), join(folder, 'copy.sqlite'))
    const copy = await SqliteFile.open(join(folder, 'copy.sqlite'), 'read')
    expect(await copy.all('SELECT name FROM plans')).toEqual([{ name: 'Tide Mill House' }])
    await copy.close()
    expect(readdirSync(tmpdir()).filter(name => name.includes(`-${child.pid}-`))).toEqual([])
  },
)

test('two servers that start on one new file make the demo plan once', async () => {
  const ports = [await freePort(), await freePort()]
  for (const port of ports) start({ NUMERON_PORT: String(port), NUMERON_DEMO: '1' })
  for (const port of ports) await ready(port)
  const counts = await Promise.all(
    ports.map(port => fetch(`http://127.0.0.1:${port}/api/health`).then(answer => answer.json())),
  )
  expect(counts.map(({ plans }) => plans)).toEqual([1, 1])
})

test('a server that cannot start says why in one sentence, and what to do', async () => {
  test.slow()
  const taken = createServer().listen(0, '127.0.0.1')
  await new Promise(done => taken.once('listening', done))
  const { port } = taken.address() as { port: number }
  writeFileSync(join(folder, 'notes.txt'), 'notes '.repeat(1000))
  mkdirSync(join(folder, 'inner'))
  const cases: [Record<string, string>, RegExp][] = [
    [
      { NUMERON_PORT: String(port) },
      /Port \d+ is in use\. End the program that uses it, or set NUMERON_PORT to another port\./,
    ],
    [{ NUMERON_PORT: '70000' }, /NUMERON_PORT is "70000"\. It must be/],
    [{ NUMERON_HOST: 'mill', NUMERON_PORT: '0' }, /NUMERON_HOST is "mill"\. It must be an address/],
    [{ NUMERON_HOST: '0.0.0.0', NUMERON_PORT: '0' }, /NUMERON_ALLOWED_HOSTS must name/],
    [
      { NUMERON_PASSPHRASE_FILE: join(folder, 'none'), NUMERON_PORT: '0' },
      /NUMERON_PASSPHRASE_FILE is ".*", which cannot be read/,
    ],
    [
      { NUMERON_HOST: '192.0.2.1', NUMERON_ALLOWED_HOSTS: 'mill.example', NUMERON_PORT: '0' },
      /192\.0\.2\.1 is no address of this computer/,
    ],
    [
      { NUMERON_DB: join(folder, 'inner'), NUMERON_PORT: '0' },
      /is a folder\. Set NUMERON_DB to a file\./,
    ],
    [{ NUMERON_DB: join(folder, 'notes.txt'), NUMERON_PORT: '0' }, /is not a database/],
    [{ NUMERON_DB: join(folder, 'notes.txt/x.sqlite'), NUMERON_PORT: '0' }, /cannot be made/],
    [{ NUMERON_DB: '/proc/numeron/x.sqlite', NUMERON_PORT: '0' }, /cannot be made/],
  ]
  for (const [environment, sentence] of cases) {
    const { ended, said } = start(environment)
    expect(await ended, JSON.stringify(environment)).toBe(1)
    const lines = said()
      .trim()
      .split('\n')
      .filter(line => !line.startsWith('Listening on'))
    expect(
      lines.filter(line => sentence.test(line)),
      said(),
    ).toHaveLength(1)
    expect(said()).not.toMatch(/\bat .*\.mjs/)
  }
  taken.close()
})

test(
  'no file of the page is served under a foreign name, and none but its own names by a ' +
    'server open to a network',
  async () => {
    const port = await freePort()
    start({
      NUMERON_PORT: String(port),
      NUMERON_HOST: '0.0.0.0',
      NUMERON_ALLOWED_HOSTS: 'mill.example',
    })
    await expect
      .poll(
        () =>
          fetch(`http://127.0.0.1:${port}/api/session`).then(
            answer => answer.status,
            () => 0,
          ),
        { timeout: 30_000 },
      )
      .toBe(200)
    const { request } = await import('node:http')
    const status = (path: string, host: string) =>
      new Promise(done =>
        request(`http://127.0.0.1:${port}${path}`, { headers: { host } }, answer =>
          done(answer.statusCode),
        ).end(),
      )
    for (const [path, answered] of [
      ['/', 302],
      ['/icon.svg', 200],
      ['/sign-in', 200],
      ['/api/plans', 401],
    ] as const) {
      expect(await status(path, `mill.example:${port}`), path).toBe(answered)
      expect(await status(path, 'evil.example'), path).toBe(421)
    }
  },
)

test('copies of the night are made as soon as the server runs', async () => {
  const port = await freePort()
  start({ NUMERON_PORT: String(port), NUMERON_DEMO: '1', NUMERON_BACKUPS: join(folder, 'copies') })
  await ready(port)
  const name = `numeron-${new Date().toISOString().slice(0, 10)}.sqlite`
  await expect.poll(() => existsSync(join(folder, 'copies', name))).toBe(true)
  const copy = await SqliteFile.open(join(folder, 'copies', name), 'read')
  expect(await copy.all('SELECT name FROM plans')).toEqual([{ name: 'Tide Mill House' }])
  await copy.close()
})
