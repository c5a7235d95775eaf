// npm run torture: kills, races, rubbish and crowds against the built server; prints what was tried
// and what was lost.
// --short makes it fit into the tests; --seed N repeats a run; each part can be named alone: kills
// power races rubbish heavy crowd disk.
import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { freePort } from './freePort.mjs'
import { largestPlan } from './torture/largestPlan.mjs'
import { buildLayer, cutPower } from './torture/unsynced.mjs'
import { watchHealth } from './torture/watchHealth.mjs'

const given = process.argv.slice(2)
const isShort = given.includes('--short')
const seedAt = given.indexOf('--seed')
const seed = seedAt >= 0 ? Number(given[seedAt + 1]) : Date.now() % 1_000_000
const random = xoroshiro128plus(seed)
/** A whole number from 0 to below `most`. */
const below = most => uniformInt(random, 0, most - 1)
const oneOf = list => list[below(list.length)]
const size = isShort
  ? { kills: 8, cuts: 6, races: 40, requests: 1500, clients: 30, heavy: 4, seconds: 4 }
  : { kills: 1000, cuts: 300, races: 300, requests: 100_000, clients: 200, heavy: 8, seconds: 60 }
/** A request that is not answered after so long hangs; a heavy one after so many times its idle. */
const hangMs = 30_000
const idleTimes = 100
const json = { 'content-type': 'application/json' }

const folder = mkdtempSync(join(tmpdir(), 'numeron-torture-'))
const servers = new Set()
let failures = 0
function tell(ok, text) {
  if (!ok) failures++
  console.log(`${ok ? 'ok    ' : 'FAILED'} ${text}`)
}
const wait = ms => new Promise(done => setTimeout(done, ms))

async function startServer(file, environment = {}) {
  const port = await freePort()
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    stdio: 'ignore',
    env: {
      ...process.env,
      NUMERON_DB: file,
      NUMERON_PORT: String(port),
      NUMERON_HOST: '',
      NUMERON_DEMO: '',
      NUMERON_BENCH: 'simulated',
      ...environment,
    },
  })
  servers.add(child)
  const ended = new Promise(done =>
    child.once('exit', () => {
      servers.delete(child)
      done()
    }),
  )
  const base = `http://127.0.0.1:${port}`
  for (let attempt = 0; ; attempt++) {
    if (
      await fetch(`${base}/api/health`).then(
        answer => answer.ok,
        () => false,
      )
    )
      break
    if (child.exitCode !== null)
      throw new Error(`the server ended by itself with code ${child.exitCode}`)
    if (attempt > 600) throw new Error('the built server did not start; run npm run build first')
    await wait(25)
  }
  return {
    base,
    kill: () => (child.kill('SIGKILL'), ended),
    stop: () => (child.kill('SIGTERM'), ended),
  }
}
async function send(base, method, path, body, headers = json, hang = hangMs) {
  const answer = await fetch(base + path, {
    method,
    signal: AbortSignal.timeout(hang),
    ...(body === undefined
      ? {}
      : { headers, body: typeof body === 'string' ? body : JSON.stringify(body) }),
  })
  const text = await answer.text()
  return { status: answer.status, text, json: () => JSON.parse(text) }
}
const planOf = (name, score) => ({ name, machine: { score } })

/**
 * Ends a server in the middle of saves, again and again, and looks whether what was acknowledged is
 * there and nothing is half written.
 * @param afterKill what is done to the files before the server starts again
 */
async function savesUnderKills(
  file,
  { rounds, environment = {}, afterKill = () => {}, report = console.log },
) {
  let server = await startServer(file, environment)
  const plans = []
  for (let at = 0; at < 4; at++)
    plans.push({
      id: (await send(server.base, 'POST', '/api/plans', planOf(`Plan ${at}`, 1))).json().id,
      version: 1,
      score: 1,
      tried: 1,
    })
  let acknowledged = 0
  let lost = 0
  for (let round = 0; round < rounds; round++) {
    let isOver = false
    const writers = plans.map(async plan => {
      while (!isOver) {
        plan.tried = plan.score + 1
        const answer = await send(server.base, 'PUT', `/api/plans/${plan.id}`, {
          version: plan.version,
          plan: planOf('Plan', plan.tried),
        }).catch(() => null)
        if (answer?.status !== 200) return
        plan.version++
        plan.score = plan.tried
        acknowledged++
      }
    })
    await wait(20 + below(120))
    await server.kill()
    isOver = true
    await Promise.all(writers)
    afterKill()
    server = await startServer(file, environment)
    for (const plan of plans) {
      const answer = await send(server.base, 'GET', `/api/plans/${plan.id}`)
      if (answer.status !== 200) {
        lost++
        report(
          `       after kill ${round + 1} a plan is answered with ${answer.status}: ` +
            `${answer.text.slice(0, 200)}`,
        )
        continue
      }
      const stored = answer.json()
      const { score } = stored.plan.machine
      // What was sent and not answered may have been stored; what was answered must have been.
      if (
        !(stored.version === plan.version && score === plan.score) &&
        !(stored.version === plan.version + 1 && score === plan.tried)
      )
        lost++
      plan.version = stored.version
      plan.score = score
    }
  }
  await server.stop()
  return { acknowledged, lost }
}

async function kills() {
  const { acknowledged, lost } = await savesUnderKills(join(folder, 'kills.sqlite'), {
    rounds: size.kills,
  })
  tell(
    lost === 0,
    `${size.kills} kills in the middle of saves: ${acknowledged} saves acknowledged, ${lost} lost`,
  )
}

/**
 * Power cuts: after each kill, of what was not synchronised every sector is lost or kept by chance.
 * A disk that only says it has
 * synchronised is tried last: it must lose something, or else this would find nothing.
 */
async function power() {
  const layer = buildLayer(folder)
  if (!layer) {
    console.log('skipped power cuts: they need a C compiler (Debian: gcc)')
    return
  }
  const cuts = async (name, { rounds, lies }) => {
    const place = join(folder, name)
    mkdirSync(place)
    const log = join(folder, `${name}.log`)
    let atStake = 0
    const environment = {
      LD_PRELOAD: layer,
      POWER_CUT_FOLDER: place,
      POWER_CUT_LOG: log,
      ...(lies ? { POWER_CUT_LIES: '1' } : {}),
    }
    const afterKill = () => {
      atStake += cutPower(log, () => below(2) === 0)
    }
    return {
      ...(await savesUnderKills(join(place, 'plans.sqlite'), {
        rounds,
        environment,
        afterKill,
        ...(lies ? { report: () => {} } : {}),
      })),
      atStake: () => atStake,
    }
  }
  const { acknowledged, lost, atStake } = await cuts('power', { rounds: size.cuts, lies: false })
  // Whether anything was at stake is chance in a short run; that the layer loses it at all is tried
  // below.
  tell(
    lost === 0,
    `${size.cuts} power cuts in the middle of saves: ${acknowledged} saves acknowledged, ` +
      `${atStake()} sectors not synchronised, ${lost} lost`,
  )
  const caught = await cuts('liar', { rounds: 3, lies: true }).then(
    result => result.lost > 0,
    () => true,
  )
  tell(caught, 'a disk that lies about synchronising is found out')
}

/** Two servers on one file: of saves from one version exactly one wins. */
async function races() {
  const file = join(folder, 'races.sqlite')
  const both = await Promise.all([startServer(file), startServer(file)])
  const { id } = (await send(both[0].base, 'POST', '/api/plans', planOf('Race', 1))).json()
  let wrong = 0
  for (let round = 0; round < size.races; round++) {
    const { version } = (await send(both[0].base, 'GET', `/api/plans/${id}`)).json()
    const answers = await Promise.all(
      [0, 1, 0, 1].map((at, who) =>
        send(both[at].base, 'PUT', `/api/plans/${id}`, {
          version,
          plan: planOf(`Run ${who}`, 10 + who),
        }),
      ),
    )
    if (
      answers.filter(({ status }) => status === 200).length !== 1 ||
      answers.some(({ status }) => status !== 200 && status !== 409)
    )
      wrong++
  }
  await Promise.all(both.map(server => server.stop()))
  tell(
    wrong === 0,
    `${size.races} races of four saves through two servers: ${wrong} without exactly one winner`,
  )
}

const strange = [
  null,
  true,
  0,
  -1,
  1e308,
  'x',
  '',
  '\u0000',
  '𝕏'.repeat(50),
  [],
  {},
  [[]],
  { a: { b: 1 } },
  '__proto__',
  ['a', 'a'],
]
const fields = [
  'name',
  'machine',
  'drives',
  'library',
  'household',
  'network',
  'choices',
  'brief',
  'costs',
  'schemaVersion',
  'keptAside',
  'calibration',
  '__proto__',
  'constructor',
  'future',
]
const inner = [
  'score',
  'lots',
  'holdings',
  'habits',
  'viewers',
  'devices',
  'uploadMbps',
  'layout',
  'parts',
  'budget',
  'horizonYears',
  'id',
  'titles',
  'count',
  'sizeTB',
  'days',
]
function strangeValue(depth) {
  if (depth === 0 || below(3) === 0) return oneOf(strange)
  if (below(2)) return Array.from({ length: below(4) }, () => strangeValue(depth - 1))
  return Object.fromEntries(
    Array.from({ length: below(4) }, () => [oneOf(inner), strangeValue(depth - 1)]),
  )
}
function strangeBody() {
  if (below(5) === 0)
    return oneOf([
      '',
      '{',
      '[]',
      'null',
      '"x"',
      '\uFEFF{}',
      '{"name":"x"',
      '[[[[',
      '{"name":"x","name":"y"}',
    ])
  const plan = Object.fromEntries([
    ['name', 'Fuzz'],
    ...Array.from({ length: below(4) }, () => [oneOf(fields), strangeValue(4)]),
  ])
  const wrapped =
    below(3) === 0
      ? { version: oneOf([1, 2, 0, -1, 'x', null, 1.5]), plan }
      : below(6) === 0
        ? { archived: oneOf(strange) }
        : plan
  return JSON.stringify(wrapped)
}

/** Requests of all kinds about a plan, one at each call. */
function strangeRequests(id, base) {
  const ids = [
    id,
    'none',
    '%00',
    '..%2f..',
    '%E0%A4%A',
    'a'.repeat(300),
    '__proto__',
    `${id}'--`,
    '🛶',
  ]
  const paths = [
    () => '/api/plans',
    () =>
      `/api/plans?limit=${oneOf(['1', '0', 'x', '1e9', '-1', ''])}&after=${oneOf(['', 'x', '2026-11-26T00:00:00.000Z_x', '%00'])}`,
    () => `/api/plans/${oneOf(ids)}`,
    () => `/api/plans/${oneOf(ids)}/restore`,
    () => `/api/plans/${oneOf(ids)}/archive`,
    () => '/api/assessments',
    () => '/api/health',
    () => '/api/catalogue',
    () => '/api/schema/plan',
    () => '/api/bench',
    () => '/api/session',
    () => '/api/passphrase',
    () => `/api/plans/${oneOf(ids)}/reader-link`,
    () => `/api/read/${oneOf(ids)}`,
    () => `/read/${oneOf(ids)}`,
    () => `/api/${oneOf(ids)}`,
    () => `/${oneOf(ids)}`,
    () => '/',
  ]
  const types = [
    'application/json',
    'application/json',
    'application/json',
    'text/plain',
    'application/x-www-form-urlencoded; a=+json',
    '',
  ]
  return () => {
    const method = oneOf([
      'GET',
      'GET',
      'POST',
      'POST',
      'PUT',
      'DELETE',
      'PATCH',
      'HEAD',
      'OPTIONS',
    ])
    return {
      method,
      path: oneOf(paths)(),
      body: method === 'GET' || method === 'HEAD' ? undefined : strangeBody(),
      headers: {
        'content-type': oneOf(types),
        ...(below(8) === 0 ? { origin: oneOf(['http://evil.example', 'null', base]) } : {}),
      },
    }
  }
}

/**
 * Requests of all kinds, most of them wrong, in an order that the seed gives: each is answered, and
 * none with a server error.
 */
async function rubbish() {
  const server = await startServer(join(folder, 'rubbish.sqlite'))
  const { id } = (await send(server.base, 'POST', '/api/plans', planOf('Target', 1))).json()
  const ask = strangeRequests(id, server.base)
  const counts = new Map()
  const bad = []
  let left = size.requests
  const client = async () => {
    while (left-- > 0) {
      const { method, path, body, headers } = ask()
      const status = await send(server.base, method, path, body, headers).then(
        answer => answer.status,
        error =>
          error.name === 'TimeoutError'
            ? 'hung'
            : `broken off (${error.cause?.code ?? error.message})`,
      )
      counts.set(status, (counts.get(status) ?? 0) + 1)
      if (typeof status !== 'number' || status >= 500)
        bad.push(`${method} ${path} ${String(body).slice(0, 200)} → ${status}`)
    }
  }
  await Promise.all(Array.from({ length: 16 }, client))
  const alive = (await send(server.base, 'GET', '/api/health')).status === 200
  await server.stop()
  const summary = [...counts]
    .sort()
    .map(([status, count]) => `${status}: ${count}`)
    .join(', ')
  tell(
    bad.length === 0 && alive,
    `${size.requests} requests of all kinds (${summary}): ${bad.length} with a server ` +
      'error or no answer',
  )
  for (const line of bad.slice(0, 10)) console.log(`       ${line}`)
}

/**
 * The largest plan, assessed by as many as may wait and again and again: whoever asks something
 * else is answered meanwhile.
 */
async function heavy() {
  const server = await startServer(join(folder, 'heavy.sqlite'))
  const plan = JSON.stringify(largestPlan())
  // What hangs is told by the machine as it is now: one alone, and all that may wait before it.
  const alone = performance.now()
  await send(server.base, 'POST', '/api/assessments', plan)
  const hang = Math.max(hangMs, Math.ceil(idleTimes * (performance.now() - alone)))
  const until = Date.now() + size.seconds * 1000
  const watch = watchHealth(server.base)
  let [assessed, refused, wrong] = [0, 0, 0]
  let longest = 0
  await Promise.all(
    Array.from({ length: size.heavy }, async () => {
      while (Date.now() < until) {
        const since = performance.now()
        const { status } = await send(server.base, 'POST', '/api/assessments', plan, json, hang)
        longest = Math.max(longest, performance.now() - since)
        if (status === 200) assessed++
        else if (status === 503) refused++
        else wrong++
      }
    }),
  )
  const health = await watch.end()
  await server.stop()
  tell(
    // On a machine so slow that each takes longer than its limit all are refused, in time.
    wrong === 0 && assessed + refused > 0,
    `${size.heavy} clients with the largest plan for ${size.seconds} s: ${assessed} assessed, ` +
      `${refused} refused, the longest wait ${Math.round(longest)} ms; ${health}`,
  )
}

/** Many clients at once that list, read, save and assess; what each saved is there at the end. */
async function crowd() {
  const server = await startServer(join(folder, 'crowd.sqlite'))
  const until = Date.now() + size.seconds * 1000
  let [requests, refused, wrong] = [0, 0, 0]
  const client = async (_, at) => {
    const created = (
      await send(server.base, 'POST', '/api/plans', planOf(`Client ${at}`, 1))
    ).json()
    let [version, score] = [1, 1]
    while (Date.now() < until) {
      const kind = (at + requests++) % 4
      if (kind === 0) {
        const answer = await send(server.base, 'PUT', `/api/plans/${created.id}`, {
          version,
          plan: planOf(`Client ${at}`, score + 1),
        })
        if (answer.status === 200) {
          version++
          score++
        } else {
          wrong++
        }
      } else if (kind === 1) {
        if ((await send(server.base, 'GET', '/api/plans?limit=100')).status !== 200) wrong++
      } else if (kind === 2) {
        if (
          (await send(server.base, 'GET', `/api/plans/${created.id}`)).json().plan.machine.score !==
          score
        )
          wrong++
      } else {
        // More than can wait for a thread are refused, calmly.
        const { status } = await send(server.base, 'POST', '/api/assessments', planOf('x', 900))
        if (status === 503) refused++
        else if (status !== 200) wrong++
      }
    }
  }
  const watch = watchHealth(server.base)
  await Promise.all(Array.from({ length: size.clients }, client))
  const health = await watch.end()
  await server.stop()
  tell(
    wrong === 0,
    `${size.clients} clients for ${size.seconds} s: ${requests} requests, ${wrong} wrong, ` +
      `${refused} assessments refused as too many; ${health}`,
  )
}

/**
 * A disk that is full: saves are refused with 507, nothing that was acknowledged is lost, and it
 * goes on once there is room.
 */
async function disk() {
  const small = join(folder, 'small')
  mkdirSync(small)
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=3m', 'tmpfs', small]).status !== 0) {
    console.log('skipped a full disk: a small file system can be mounted by root only')
    return
  }
  try {
    const server = await startServer(join(small, 'plans.sqlite'))
    const kept = []
    let full = null
    for (let at = 0; at < 200 && full === null; at++) {
      const answer = await send(server.base, 'POST', '/api/plans', {
        ...planOf(`Plan ${at}`, 1),
        brief: { who: 'x'.repeat(400) },
        keptAside: { filler: 'x'.repeat(50_000) },
      })
      if (answer.status === 201) kept.push(answer.json().id)
      else full = answer.status
    }
    const there = await Promise.all(kept.map(id => send(server.base, 'GET', `/api/plans/${id}`)))
    const lost = there.filter(({ status }) => status !== 200).length
    await server.stop()
    tell(
      full === 507 && lost === 0,
      `a full disk: ${kept.length} plans stored, then status ${full}; ${lost} lost`,
    )
  } finally {
    spawnSync('umount', [small])
  }
}

const parts = { kills, power, races, rubbish, heavy, crowd, disk }
const chosen = Object.keys(parts).filter(name => given.includes(name))
console.log(`seed ${seed}`)
try {
  for (const name of chosen.length ? chosen : Object.keys(parts)) await parts[name]()
} catch (error) {
  tell(false, String(error?.stack ?? error))
} finally {
  for (const child of servers) child.kill('SIGKILL')
  rmSync(folder, { recursive: true, force: true })
}
console.log(failures === 0 ? 'nothing was lost' : `${failures} failed`)
process.exit(failures === 0 ? 0 : 1)
