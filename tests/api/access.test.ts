import { request } from 'node:http'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { isOpenPath } from '../../server/access/door'
import {
  hashPassphrase,
  isPassphrase,
  passphraseIssue,
  passphraseLength,
} from '../../server/access/passphrase'
import { readPassphraseFile } from '../../server/access/passphraseFile'
import { sessionDays } from '../../server/access/session'
import { forgetTries, signInTries } from '../../server/access/signInLimit'
import { access, closePlans } from '../../server/database/plans'
import { startApi } from './apiServer'

const passphrase = 'four dull words apart'
const wrong = 'four sharp words apart'
let api: Awaited<ReturnType<typeof startApi>>
let cookie = ''

interface Sent {
  method?: string
  path: string
  body?: unknown
  headers?: Record<string, string>
}
interface Got {
  status: number
  headers: Record<string, string | string[] | undefined>
  body: Record<string, unknown> | null
  text: string
}

/** A request that says of itself whatever it likes, as one from elsewhere would. */
function send({ method = 'GET', path, body, headers = {} }: Sent): Promise<Got> {
  return new Promise((done, fail) => {
    const asked = request(
      api.base + path,
      {
        method,
        headers: {
          ...(cookie ? { cookie } : {}),
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          ...headers,
        },
      },
      answer => {
        let text = ''
        answer.on('data', data => (text += data))
        answer.on('end', () =>
          done({
            status: answer.statusCode ?? 0,
            headers: answer.headers,
            text,
            body: text.startsWith('{') ? JSON.parse(text) : null,
          }),
        )
      },
    )
    asked.on('error', fail)
    asked.end(body === undefined ? undefined : JSON.stringify(body))
  })
}
const fromElsewhere = { host: 'mill.example' }
const setFirst = (headers = {}) =>
  send({ method: 'PUT', path: '/api/passphrase', body: { passphrase }, headers })
const signIn = (given = passphrase) =>
  send({
    method: 'POST',
    path: '/api/session',
    body: { passphrase: given },
    headers: fromElsewhere,
  })
function keepCookie({ headers }: Got): string {
  cookie = String(headers['set-cookie']).split(';')[0]!
  return String(headers['set-cookie'])
}

beforeEach(async () => {
  vi.stubEnv('NITRO_HOST', '0.0.0.0')
  vi.stubEnv('NUMERON_ALLOWED_HOSTS', 'mill.example')
  cookie = ''
  api = await startApi()
  await forgetTries('127.0.0.1')
})
afterEach(async () => {
  await closePlans()
  await api.stop()
  vi.unstubAllEnvs()
})

describe('a server that is open to a network', () => {
  it('hands nothing out before somebody has signed in, and everything after', async () => {
    await setFirst()
    for (const [method, path] of [
      ['GET', '/api/plans'],
      ['POST', '/api/plans'],
      ['GET', '/api/plans/x'],
      ['PUT', '/api/plans/x'],
      ['DELETE', '/api/plans/x'],
      ['POST', '/api/plans/x/archive'],
      ['POST', '/api/plans/x/reader-link'],
      ['POST', '/api/plans/x/run-book-link'],
      ['GET', '/api/health'],
      ['GET', '/api/catalogue'],
      ['GET', '/api/schema/plan'],
      ['POST', '/api/assessments'],
      ['GET', '/api/bench'],
      ['POST', '/api/bench'],
      ['GET', '/api/bench/events'],
      ['GET', '/api/nothing'],
    ] as const) {
      expect(
        await send({ method, path, headers: fromElsewhere }),
        `${method} ${path}`,
      ).toMatchObject({ status: 401, headers: { 'content-type': 'application/problem+json' } })
    }
    const signedIn = await signIn()
    expect(signedIn.status).toBe(200)
    keepCookie(signedIn)
    expect((await send({ path: '/api/plans', headers: fromElsewhere })).body).toEqual({
      plans: [],
      next: null,
    })
    expect((await send({ path: '/api/session' })).body).toEqual({
      open: true,
      signedIn: true,
      passphrase: 'set',
    })
  })

  it('asks at this computer as well, once there is a passphrase', async () => {
    await setFirst()
    expect((await send({ path: '/api/plans' })).status).toBe(401)
  })

  it(
    'sends whoever wants a page to the page that signs in, and lets through what holds no ' +
      'data',
    async () => {
      expect(await send({ path: '/plans/a1/streams?x=1' })).toMatchObject({
        status: 302,
        headers: { location: '/sign-in?to=%2Fplans%2Fa1%2Fstreams%3Fx%3D1' },
      })
      expect(await send({ path: '/' })).toMatchObject({
        status: 302,
        headers: { location: '/sign-in' },
      })
      expect(
        ['/_nuxt/a1.js', '/icon.svg', '/sign-in', '/read/Ab-_1', '/api/session', '/api/read/x'].map(
          isOpenPath,
        ),
      ).toEqual(Array(6).fill(true))
      expect(
        [
          '/_nuxt/../api/plans',
          '/_nuxt/%2e%2e/api/plans',
          '/sign-in/x',
          '/api/session/x',
          '/api/sessions',
          '/api/read/x/y',
          '/icon.svg/..',
          '//api/session',
          '/',
        ].map(isOpenPath),
      ).toEqual(Array(9).fill(false))
    },
  )

  it('takes its first passphrase from its own computer only, and only once', async () => {
    expect((await send({ path: '/api/session', headers: fromElsewhere })).body).toEqual({
      open: true,
      signedIn: false,
      passphrase: 'none',
    })
    expect((await signIn()).status).toBe(409)
    expect((await setFirst(fromElsewhere)).status).toBe(403)
    expect((await setFirst({ 'x-forwarded-for': '192.0.2.7' })).status).toBe(403)
    expect((await send({ path: '/api/session' })).body).toEqual({
      open: true,
      signedIn: false,
      passphrase: 'yoursToSet',
    })
    const set = await setFirst()
    expect(set.status).toBe(200)
    expect((await setFirst()).status).toBe(409)
    keepCookie(set)
    expect((await send({ path: '/api/plans' })).status).toBe(200)
  })

  it('of two first passphrases at once keeps one', async () => {
    const answers = await Promise.all([setFirst(), setFirst()])
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409])
  })

  it('gives a cookie that no script and no other page gets, and none in the clear behind TLS', async () => {
    const plain = keepCookie(await setFirst())
    expect(plain).toMatch(
      new RegExp(
        `^numeron-session=[\\w-]{43}; Max-Age=${sessionDays * 86_400}; Path=/; HttpOnly; ` +
          'SameSite=Strict$',
      ),
    )
    const secured = await send({
      method: 'POST',
      path: '/api/session',
      body: { passphrase },
      headers: { ...fromElsewhere, 'x-forwarded-proto': 'https' },
    })
    expect(keepCookie(secured)).toContain('Secure')
    expect(sessionDays).toBe(30)
  })

  it('forgets a session when it is ended, and when its time is over', async () => {
    keepCookie(await setFirst())
    const first = cookie
    keepCookie(await signIn())
    const second = cookie
    await send({ method: 'DELETE', path: '/api/session' })
    expect((await send({ path: '/api/plans' })).status).toBe(401)
    cookie = first
    expect((await send({ path: '/api/plans' })).status).toBe(200)
    vi.useFakeTimers({ toFake: ['Date'], now: Date.now() + (sessionDays * 86_400 - 60) * 1000 })
    expect((await send({ path: '/api/plans' })).status).toBe(200)
    vi.setSystemTime(Date.now() + 120_000)
    expect((await send({ path: '/api/plans' })).status).toBe(401)
    vi.useRealTimers()
    expect(second).not.toBe(first)
  })

  it('signs out everywhere only for somebody who is signed in', async () => {
    keepCookie(await setFirst())
    const mine = cookie
    cookie = 'numeron-session=made-up'
    await send({ method: 'DELETE', path: '/api/session?everywhere' })
    cookie = mine
    expect((await send({ path: '/api/plans' })).status).toBe(200)
    await send({ method: 'DELETE', path: '/api/session?everywhere' })
    cookie = mine
    expect((await send({ path: '/api/plans' })).status).toBe(401)
  })

  it('takes so many tries of one address, and then none for a while, not even a right one', async () => {
    await setFirst()
    expect(signInTries).toEqual({ points: 5, duration: 300 })
    for (let at = 0; at < signInTries.points; at++) expect((await signIn(wrong)).status).toBe(401)
    expect(await signIn()).toMatchObject({
      status: 429,
      body: { detail: 'There were too many wrong passphrases. Try again in 5 minutes.' },
    })
  })

  it('gives all tries back to whoever signs in', async () => {
    await setFirst()
    for (let round = 0; round < 2; round++) {
      for (let at = 0; at < signInTries.points - 1; at++) await signIn(wrong)
      expect((await signIn()).status).toBe(200)
    }
  })

  it('refuses what is no passphrase with a sentence', async () => {
    for (const body of [
      {},
      { passphrase: 7 },
      { passphrase: 'x'.repeat(passphraseLength.least - 1) },
      { passphrase: 'x'.repeat(passphraseLength.most + 1) },
      [],
    ]) {
      expect(await send({ method: 'PUT', path: '/api/passphrase', body })).toMatchObject({
        status: 422,
        body: { detail: expect.stringContaining('12 to 200 letters') },
      })
    }
  })
})

describe('a server on loopback', () => {
  beforeEach(() => vi.stubEnv('NITRO_HOST', '127.0.0.1'))

  it('asks nobody, whatever passphrase there is', async () => {
    expect((await send({ path: '/api/session' })).body).toEqual({
      open: false,
      signedIn: true,
      passphrase: 'none',
    })
    expect((await send({ path: '/api/plans' })).status).toBe(200)
    expect((await setFirst()).status).toBe(409)
    expect(
      (await send({ method: 'POST', path: '/api/session', body: { passphrase } })).status,
    ).toBe(409)
  })
})

describe('the file of the passphrase', () => {
  let folder: string
  const file = () => join(folder, 'passphrase')
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'numeron-passphrase-'))
    vi.stubEnv('NUMERON_PASSPHRASE_FILE', file())
  })
  afterEach(() => rmSync(folder, { recursive: true, force: true }))

  it('is taken over at the start, and ends the sessions of the one before', async () => {
    writeFileSync(file(), `${passphrase}\n`)
    keepCookie(await signIn())
    await closePlans()
    expect((await send({ path: '/api/plans' })).status).toBe(200)
    await closePlans()
    writeFileSync(file(), `${wrong}\r\n`)
    expect((await send({ path: '/api/plans' })).status).toBe(401)
    expect((await signIn()).status).toBe(401)
    expect((await signIn(wrong)).status).toBe(200)
  })

  it('is told about when it cannot be read or holds none', () => {
    expect(readPassphraseFile(process.env)).toEqual({
      problem: expect.stringContaining('cannot be read'),
    })
    writeFileSync(file(), 'short\n')
    expect(readPassphraseFile(process.env)).toEqual({
      problem: expect.stringContaining('12 to 200 letters'),
    })
    expect(readPassphraseFile({})).toEqual({ passphrase: null })
  })
})

describe("a reader's link", () => {
  async function makePlan(): Promise<string> {
    keepCookie(await setFirst())
    return String(
      (await send({ method: 'POST', path: '/api/plans', body: tideMillHouse })).body?.id,
    )
  }
  const makeLink = async (id: string) =>
    (await send({ method: 'POST', path: `/api/plans/${id}/reader-link`, body: {} })).body
      ?.path as string
  const readAt = (path: string) =>
    send({ path: `/api${path}`, headers: { ...fromElsewhere, cookie: '' } })

  it('shows one plan to whoever has it, lets nobody change it, and ends when it is revoked', async () => {
    const id = await makePlan()
    expect((await send({ path: `/api/plans/${id}/reader-link` })).body).toEqual({
      open: true,
      madeAt: null,
    })
    let path = await makeLink(id)
    expect(
      (await send({ method: 'POST', path: `/api/plans/${id}/reader-link`, body: {} })).body,
    ).toMatchObject({ host: 'mill.example' })
    expect((await readAt(path)).status).toBe(404)
    expect((await readAt((path = await makeLink(id)))).body).toMatchObject({
      plan: { name: 'Tide Mill House' },
    })
    const token = path.replace('/read/', '')
    for (const method of ['PUT', 'DELETE', 'GET']) {
      expect(
        (
          await send({
            method,
            path: `/api/plans/${id}`,
            headers: { cookie: `numeron-session=${token}` },
          })
        ).status,
      ).toBe(401)
      expect((await send({ method, path: `/api${path}` })).status).toBe(
        method === 'GET' ? 200 : 404,
      )
    }
    expect((await send({ path: `/api/plans/${id}/reader-link` })).body).toEqual({
      open: true,
      madeAt: expect.stringMatching(/^20/),
    })
    expect((await send({ method: 'DELETE', path: `/api/plans/${id}/reader-link` })).status).toBe(
      204,
    )
    expect((await readAt(path)).status).toBe(404)
    expect((await send({ method: 'DELETE', path: `/api/plans/${id}/reader-link` })).status).toBe(
      404,
    )
  })

  it('is one a plan: a new one ends the one before', async () => {
    const id = await makePlan()
    const before = await makeLink(id)
    const after = await makeLink(id)
    expect((await readAt(before)).status).toBe(404)
    expect((await readAt(after)).status).toBe(200)
  })

  it('shows nothing of a deleted plan, and goes with it', async () => {
    const id = await makePlan()
    const path = await makeLink(id)
    await send({ method: 'DELETE', path: `/api/plans/${id}` })
    expect((await readAt(path)).status).toBe(404)
    const { plans } = await import('../../server/database/plans')
    await (await plans()).purgeDeletedBefore(new Date(Date.now() + 1000))
    expect(await (await access()).links.reader.madeAt(id)).toBe(null)
  })

  it('is made of plans only', async () => {
    await makePlan()
    expect(
      (await send({ method: 'POST', path: '/api/plans/none/reader-link', body: {} })).status,
    ).toBe(404)
    expect((await readAt('/read/made-up')).status).toBe(404)
  })
})

describe('a stored passphrase', () => {
  it('is not in its hash, has a salt of its own and is found again', async () => {
    const [one, two] = [await hashPassphrase(passphrase), await hashPassphrase(passphrase)]
    expect(one).toMatch(/^scrypt\$32768\$8\$3\$[\w-]{22}\$[\w-]{43}$/)
    expect(one).not.toBe(two)
    expect(await isPassphrase(passphrase, one!)).toBe(true)
    expect(await isPassphrase(wrong, one!)).toBe(false)
    expect(await isPassphrase(passphrase, 'plain$text')).toBe(false)
  })
  it('is worked out one at a time, and refused when too many wait', async () => {
    const answers = await Promise.all(Array.from({ length: 12 }, () => hashPassphrase(passphrase)))
    expect(answers.filter(answer => answer === null)).toHaveLength(4)
  })
  it('may be of so many letters', () => {
    expect([11, 12, 200, 201].map(length => passphraseIssue('x'.repeat(length)) === null)).toEqual([
      false,
      true,
      true,
      false,
    ])
  })
})

describe('a run-book link', () => {
  const tick = (more: object = {}) => ({
    step: 'before.check',
    state: 'done',
    day: '2026-12-02',
    who: '',
    note: 'box is dented',
    measured: '',
    ...more,
  })
  async function makeLink() {
    keepCookie(await setFirst())
    const made = await send({ method: 'POST', path: '/api/plans', body: tideMillHouse })
    const id = String(made.body?.id)
    const link = await send({ method: 'POST', path: `/api/plans/${id}/run-book-link`, body: {} })
    return { id, path: String(link.body?.path) }
  }
  const away = { headers: { ...fromElsewhere, cookie: '' } }
  const put = (path: string, body: unknown) =>
    send({ method: 'PUT', path: `/api${path}`, body, ...away })
  const planOf = async (id: string) =>
    (await send({ path: `/api/plans/${id}` })).body as unknown as {
      version: number
      plan: { name: string; commissioning: { steps: { step: string }[] } }
    }

  it('shows the plan and takes ticks without signing in, and nothing else', async () => {
    const { id, path } = await makeLink()
    expect(path).toMatch(/^\/tick\/[\w-]{43}$/)
    expect((await send({ path: `/api${path}`, ...away })).body).toMatchObject({
      plan: { name: 'Tide Mill House' },
    })
    const before = await planOf(id)
    expect((await put(path, { basis: 'a.b.c.d', ticks: [tick()] })).status).toBe(200)
    const after = await planOf(id)
    expect(after.version).toBe(before.version + 1)
    expect(after.plan.commissioning.steps).toContainEqual(
      expect.objectContaining({ ...tick(), basis: 'a.b.c.d' }),
    )
    expect({ ...after.plan, commissioning: null }).toEqual({ ...before.plan, commissioning: null })
    // The same again writes nothing.
    expect((await put(path, { basis: 'a.b.c.d', ticks: [tick()] })).status).toBe(200)
    expect((await planOf(id)).version).toBe(after.version)
    expect((await put(path, { basis: '', ticks: [tick({ step: 'no.such' })] })).status).toBe(200)
    expect((await planOf(id)).version).toBe(after.version)
    for (const method of ['DELETE', 'POST'])
      expect((await send({ method, path: `/api${path}`, ...away })).status, method).toBe(404)
    expect((await send({ path: `/api/plans/${id}`, ...away })).status).toBe(401)
  })
  it('refuses what is no tick, another origin, and its token elsewhere', async () => {
    const { id, path } = await makeLink()
    for (const body of [
      {},
      { basis: '', ticks: [] },
      { basis: '', ticks: [tick({ state: 'gone' })] },
      { basis: '', ticks: [tick({ day: 'today' })] },
      { basis: '', ticks: [tick({ basis: 'x' })] },
      { basis: '', ticks: [tick()], plan: {} },
    ])
      expect((await put(path, body)).status, JSON.stringify(body)).toBe(422)
    expect(
      (
        await send({
          method: 'PUT',
          path: `/api${path}`,
          body: { basis: '', ticks: [tick()] },
          headers: { ...away.headers, origin: 'http://evil.example' },
        })
      ).status,
    ).toBe(403)
    const read = path.replace('/tick/', '/read/')
    expect((await send({ path: `/api${read}`, ...away })).status).toBe(404)
    expect((await planOf(id)).version).toBe(1)
  })
  it('joins ticks of many who send at once, and ends when it is revoked', async () => {
    const { id, path } = await makeLink()
    const steps = ['before.check', 'before.labels', 'before.sharing', 'before.clean']
    const sent = await Promise.all(
      steps.map(step => put(path, { basis: '', ticks: [tick({ step })] })),
    )
    const taken = steps.filter((_, at) => sent[at]!.status === 200)
    expect(taken.length).toBeGreaterThan(0)
    const known = (await planOf(id)).plan.commissioning.steps.map(({ step }) => step)
    expect(known).toEqual(expect.arrayContaining(taken))
    await send({ method: 'DELETE', path: `/api/plans/${id}/run-book-link` })
    expect((await put(path, { basis: '', ticks: [tick()] })).status).toBe(404)
    expect((await send({ path: `/api${path}`, ...away })).status).toBe(404)
  })
})
