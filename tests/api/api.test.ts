import { readFileSync, readdirSync } from 'node:fs'
import { request } from 'node:http'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { withOldIds } from '../../core/renamedFigures'
import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { currentSchemaVersion, newPlan, planSchema } from '~~/core/plan/planSchema'
import { maxIssuesTold } from '../../server/http/problem'
import { startApi } from './apiServer'

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
})
afterAll(() => api.stop())

const demo = planSchema.parse(tideMillHouse)
const stored = async () => (await api.send('GET', '/api/plans')).body.plans.length
const create = async (name: string) => (await api.send('POST', '/api/plans', newPlan(name))).body

describe('plans', () => {
  it('are stored, listed, read and saved with a rising version', async () => {
    const created = await api.send('POST', '/api/plans', tideMillHouse)
    expect(created).toMatchObject({ status: 201, body: { version: 1, plan: demo, keptAside: [] } })
    const { id } = created.body
    expect((await api.send('GET', '/api/plans')).body.plans).toContainEqual(
      expect.objectContaining({ id, name: 'Tide Mill House', version: 1 }),
    )
    const saved = await api.send('PUT', `/api/plans/${id}`, {
      version: 1,
      plan: { ...demo, name: 'The mill' },
    })
    expect(saved).toMatchObject({ status: 200, body: { version: 2, plan: { name: 'The mill' } } })
    expect((await api.send('GET', `/api/plans/${id}`)).body).toMatchObject({
      version: 2,
      plan: { name: 'The mill', drives: demo.drives },
    })
  })

  it('saved from an old version are refused with the stored one, and nothing is overwritten', async () => {
    const { id } = await create('Two tabs')
    await api.send('PUT', `/api/plans/${id}`, { version: 1, plan: newPlan('First tab') })
    const second = await api.send('PUT', `/api/plans/${id}`, {
      version: 1,
      plan: newPlan('Second tab'),
    })
    expect(second).toMatchObject({
      status: 409,
      type: expect.stringContaining('application/problem+json'),
      body: { status: 409, current: { version: 2, plan: { name: 'First tab' } } },
    })
    expect((await api.send('GET', `/api/plans/${id}`)).body.plan.name).toBe('First tab')
  })

  it('of which only one save wins when many come at once', async () => {
    const { id } = await create('Race')
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, index) =>
        api.send('PUT', `/api/plans/${id}`, { version: 1, plan: newPlan(`Run ${index}`) }),
      ),
    )
    expect(answers.filter(answer => answer.status === 200)).toHaveLength(1)
    expect(answers.filter(answer => answer.status === 409)).toHaveLength(7)
  })

  it('are deleted, and come back when the deletion is taken back', async () => {
    const { id } = await create('Short-lived')
    expect((await api.send('DELETE', `/api/plans/${id}`)).status).toBe(204)
    expect((await api.send('GET', `/api/plans/${id}`)).status).toBe(404)
    expect((await api.send('DELETE', `/api/plans/${id}`)).status).toBe(404)
    expect(
      (await api.send('PUT', `/api/plans/${id}`, { version: 1, plan: newPlan('x') })).status,
    ).toBe(404)
    expect(await api.send('POST', `/api/plans/${id}/restore`, {})).toMatchObject({
      status: 200,
      body: { plan: { name: 'Short-lived' } },
    })
    expect((await api.send('GET', `/api/plans/${id}`)).status).toBe(200)
  })

  it('come in pages, last saved first, each once', async () => {
    const made: string[] = []
    for (let at = 0; at < 5; at++) made.push((await create(`Page ${at}`)).id)
    const seen: string[] = []
    for (let after: string | null = ''; after !== null;) {
      const { body } = await api.send(
        'GET',
        `/api/plans?limit=2${after ? `&after=${encodeURIComponent(after)}` : ''}`,
      )
      expect(body.plans.length).toBeLessThanOrEqual(2)
      seen.push(...body.plans.map((entry: { id: string }) => entry.id))
      after = body.next
    }
    expect(new Set(seen).size).toBe(seen.length)
    expect(seen).toEqual(
      (await api.send('GET', '/api/plans')).body.plans.map((entry: { id: string }) => entry.id),
    )
    for (const id of made) expect(seen).toContain(id)
    for (const query of ['limit=0', 'limit=1001', 'limit=x'])
      expect((await api.send('GET', `/api/plans?${query}`)).status).toBe(422)
    expect((await api.send('GET', '/api/plans?after=rubbish')).status).toBe(200)
  })

  it('with far too much that is unknown are stored without it, say so, and can be saved back', async () => {
    const answer = await api.send('POST', '/api/plans', {
      name: 'Padded',
      keptAside: { big: 'x'.repeat(4_800_000), small: 1 },
    })
    expect(answer).toMatchObject({
      status: 201,
      body: { leftOut: ['big'], plan: { keptAside: { small: 1 } } },
    })
    const { id, plan } = answer.body
    expect(await api.send('PUT', `/api/plans/${id}`, { version: 1, plan })).toMatchObject({
      status: 200,
      body: { leftOut: [], plan },
    })
  })

  it('keep unknown fields aside and report them', async () => {
    const answer = await api.send('POST', '/api/plans', { name: 'From the future', sails: 3 })
    expect(answer).toMatchObject({
      status: 201,
      body: { keptAside: ['sails'], plan: { keptAside: { sails: 3 } } },
    })
  })
})

describe('a stored plan', () => {
  const strange = {
    name: 'From another catalogue',
    machine: { base: 'gone-1', processor: 'gone-2', engine: 'gone-3', parts: [{ ref: 'gone-4' }] },
    drives: { driveClass: 'gone-5', layout: 'gone-6', lots: [{ count: 2, sizeTB: 8 }] },
    library: { holdings: [{ quality: 'gone-7' }] },
    household: { devices: [{ id: 'd', class: 'gone-8' }] },
  }
  it(
    'with ids that the catalogue does not know opens, is listed and saved, and its ' +
      'assessment says so',
    async () => {
      const { status, body } = await api.send('POST', '/api/plans', strange)
      expect(status).toBe(201)
      expect((await api.send('GET', '/api/plans')).body.plans).toContainEqual(
        expect.objectContaining({ id: body.id, name: 'From another catalogue' }),
      )
      const opened = (await api.send('GET', `/api/plans/${body.id}`)).body
      expect(opened.plan).toMatchObject({
        machine: { base: 'gone-1' },
        drives: { driveClass: 'gone-5', layout: 'gone-6' },
      })
      expect(
        (await api.send('PUT', `/api/plans/${body.id}`, { version: 1, plan: opened.plan })).status,
      ).toBe(200)
      const assessed = await api.send('POST', '/api/assessments', strange)
      expect(assessed.status).toBe(200)
      const told = JSON.stringify(assessed.body.findings)
      for (const path of [
        'machine.base',
        'machine.engine',
        'machine.parts.0.ref',
        'drives.driveClass',
        'drives.layout',
        'library.holdings.0.quality',
        'household.devices.0.class',
      ])
        expect(told, path).toContain(path)
    },
  )
  it.each([1, 2])('of version %d is brought up, and keeps what it said', async version => {
    const name = readdirSync('tests/fixtures/plans').find(file => file.startsWith(`v${version}`))!
    const { document: plan } = JSON.parse(readFileSync(`tests/fixtures/plans/${name}`, 'utf8'))
    const { status, body } = await api.send('POST', '/api/plans', plan)
    expect(status).toBe(201)
    expect(body.plan.schemaVersion).toBe(currentSchemaVersion)
    expect(body.plan.name).toBe(plan.name)
    expect((await api.send('POST', '/api/assessments', body.plan)).body.verdicts).toHaveLength(7)
  })
  it('is put away and taken out again, which is no save', async () => {
    const {
      body: { id, updatedAt },
    } = await api.send('POST', '/api/plans', { name: 'Boat' })
    const listed = async () =>
      (await api.send('GET', '/api/plans')).body.plans.find(
        (entry: { id: string }) => entry.id === id,
      )
    expect(await listed()).toMatchObject({ archived: false })
    expect((await api.send('POST', `/api/plans/${id}/archive`, { archived: true })).status).toBe(
      204,
    )
    expect(await listed()).toMatchObject({ archived: true, version: 1, updatedAt })
    expect((await api.send('GET', `/api/plans/${id}`)).status).toBe(200)
    await api.send('POST', `/api/plans/${id}/archive`, { archived: false })
    expect(await listed()).toMatchObject({ archived: false, updatedAt })
  })
  it('near every limit is saved and assessed in reasonable time', async () => {
    const holdings = Array.from({ length: 200 }, (_, at) => ({
      name: `Holding ${at}`,
      titles: 500,
      addedPerMonth: 2,
      quality: ['hd1080-h264', 'hd1080-hevc', 'uhd-hdr'][at % 3],
    }))
    const viewers = Array.from({ length: 60 }, (_, at) => ({ id: `v${at}`, name: `Viewer ${at}` }))
    const devices = Array.from({ length: 60 }, (_, at) => ({
      id: `d${at}`,
      name: `Device ${at}`,
      class: catalogue.deviceClasses[at % catalogue.deviceClasses.length]!.id,
    }))
    const habits = Array.from({ length: 200 }, (_, at) => ({
      viewer: `v${at % 60}`,
      device: `d${(at * 7) % 60}`,
      earliest: (at * 13) % 1440,
      latest: (at * 13 + 60) % 1440,
      minutes: 90,
      chance: 0.3,
    }))
    const parts = Array.from({ length: 30 }, () => ({ ref: 'memory-8' }))
    const plan = {
      name: 'A palace',
      household: { viewers, devices, habits },
      library: { holdings },
      drives: { lots: [{ count: 60, sizeTB: 20 }], layout: 'mirror' },
      machine: { base: 'millrace', parts },
    }
    const assessed = await api.send('POST', '/api/assessments', plan)
    expect(assessed.status).toBe(200)
    expect((await api.send('POST', '/api/plans', plan)).status).toBe(201)
    // What it costs is another thread's: the server answers meanwhile.
    const heavy = Promise.all([1, 2, 3].map(() => api.send('POST', '/api/assessments', plan)))
    const waits: number[] = []
    const asked = async (times: number[]) => {
      const since = performance.now()
      expect((await api.send('GET', '/api/health')).status).toBe(200)
      times.push(performance.now() - since)
      await new Promise(done => setTimeout(done, 10))
    }
    for (let at = 0; at < 40; at++) await asked(waits)
    expect((await heavy).map(answer => answer.status)).toEqual([200, 200, 200])
    // The same server with nothing else to do is the measure: three threads share two cores.
    const idle: number[] = []
    for (let at = 0; at < 20; at++) await asked(idle)
    const middle = (times: number[]) => times.sort((a, b) => a - b)[times.length >> 1]!
    expect(middle(waits)).toBeLessThan(30 * Math.max(1, middle(idle)))
    for (const figure of Object.values(assessed.body.figures) as { value: number | null }[])
      expect(figure.value === null || Number.isFinite(figure.value)).toBe(true)
  })
})

describe('assessments', () => {
  it('equal what the page computes, to the last number', async () => {
    const { body } = await api.send('POST', '/api/assessments', tideMillHouse)
    const { keptAside, leftOut, ...assessment } = body
    expect([keptAside, leftOut]).toEqual([[], []])
    const { figures, verdicts, findings } = assess(demo, catalogue)
    // Figures that were renamed answer to their old ids too.
    expect(assessment).toEqual(
      JSON.parse(JSON.stringify({ figures: withOldIds(figures), verdicts, findings })),
    )
    expect(assessment.figures['years.total']).toEqual(assessment.figures['ownership.horizonTotal'])
  })
  it('of an invalid plan are refused with every problem', async () => {
    const answer = await api.send('POST', '/api/assessments', {
      name: 'x',
      network: { uploadMbps: -1 },
      machine: { cores: 0 },
    })
    expect(answer.status).toBe(422)
    expect(answer.type).toContain('application/problem+json')
    expect(answer.body.errors.map((error: { path: string }) => error.path).sort()).toEqual([
      'machine.cores',
      'network.uploadMbps',
    ])
  })
})

describe('bad requests', () => {
  it.each([
    ['POST', '/api/plans', '{"name": "half', 400],
    ['POST', '/api/plans', '[]', 422],
    ['POST', '/api/plans', { name: '' }, 422],
    ['POST', '/api/plans', { name: 'x', schemaVersion: 99 }, 422],
    ['POST', '/api/plans', { name: 'x', drives: { lots: [{ count: 10_000, sizeTB: 8 }] } }, 422],
    ['PUT', '/api/plans/none', { version: 1, plan: { name: 'x' } }, 404],
    ['PUT', '/api/plans/none', { plan: { name: 'x' } }, 422],
    ['GET', '/api/plans/none', undefined, 404],
    ['GET', '/api/nothing/here', undefined, 404],
    ['GET', '/api/plans/%00', undefined, 404],
    ['DELETE', '/api/plans/a%00b', undefined, 404],
    ['POST', '/api/assessments', '{"name": ', 400],
    ['POST', '/api/plans/none/restore', {}, 404],
    ['POST', '/api/plans/none/archive', { archived: true }, 404],
    ['POST', '/api/plans/none/archive', { archived: 'yes' }, 422],
  ] as const)(
    '%s %s %j answers %d as a problem document, without a stack',
    async (method, path, body, status) => {
      const before = await stored()
      const answer = await api.send(method, path, body)
      expect(answer.status).toBe(status)
      expect(answer.type).toContain('application/problem+json')
      expect(answer.body).toMatchObject({
        status,
        title: expect.any(String),
        detail: expect.any(String),
        errors: expect.any(Array),
      })
      expect(JSON.stringify(answer.body)).not.toMatch(/node_modules|\.ts:|at async/)
      expect(await stored()).toBe(before)
    },
  )

  it('a body that is not declared as JSON is refused: a foreign page could send it', async () => {
    expect(
      (await api.send('POST', '/api/plans', '{"name":"x"}', { 'content-type': 'text/plain' }))
        .status,
    ).toBe(415)
  })

  it.each([
    'application/x-www-form-urlencoded; a=+json',
    'text/plain;application/json',
    'multipart/form-data; x=application/json',
    'application/jsonp',
    'application/+json',
  ])('%s is no JSON', async type => {
    const before = await stored()
    for (const path of ['/api/plans', '/api/assessments', '/api/bench'])
      expect((await api.send('POST', path, '{"name":"x"}', { 'content-type': type })).status).toBe(
        415,
      )
    expect(await stored()).toBe(before)
  })
  it.each(['application/json', 'APPLICATION/JSON; charset=utf-8', 'application/vnd.plan+json'])(
    '%s is JSON',
    async type => {
      expect(
        (await api.send('POST', '/api/plans', '{"name":"x"}', { 'content-type': type })).status,
      ).toBe(201)
    },
  )
  it.each<Record<string, string>>([
    { origin: 'http://evil.example' },
    { origin: 'null' },
    { 'sec-fetch-site': 'cross-site' },
    { 'sec-fetch-site': 'same-site' },
    { origin: 'http://127.0.0.1:1' },
  ])('a page elsewhere changes nothing: %j', async headers => {
    const { id } = await create('Untouched')
    const asked = { 'content-type': 'application/json', ...headers }
    for (const [method, path] of [
      ['POST', '/api/plans'],
      ['PUT', `/api/plans/${id}`],
      ['DELETE', `/api/plans/${id}`],
      ['POST', '/api/bench'],
      ['DELETE', '/api/bench'],
    ] as const) {
      expect(await api.send(method, path, { name: 'x' }, asked)).toMatchObject({
        status: 403,
        type: expect.stringContaining('application/problem+json'),
        body: { status: 403 },
      })
    }
    expect((await api.send('GET', `/api/plans/${id}`)).status).toBe(200)
  })
  it('a page of this server may', async () => {
    expect(
      (
        await api.send(
          'POST',
          '/api/plans',
          { name: 'x' },
          { 'content-type': 'application/json', origin: api.base, 'sec-fetch-site': 'same-origin' },
        )
      ).status,
    ).toBe(201)
  })
  it('a document of many wrong fields is answered with the first of them', async () => {
    const answer = await api.send('POST', '/api/plans', {
      name: 'x',
      library: {
        holdings: Array.from({ length: 200 }, () => ({
          titles: -1,
          minutes: -1,
          addedPerMonth: -1,
        })),
      },
    })
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(/^600 fields need a change/)
    expect(answer.body.errors).toHaveLength(maxIssuesTold)
  })

  it('an upload that is broken off says so in one line, and changes nothing', async () => {
    const [warned, failed] = [
      vi.spyOn(console, 'warn').mockImplementation(() => undefined),
      vi.spyOn(console, 'error').mockImplementation(() => undefined),
    ]
    const before = await stored()
    const call = request(`${api.base}/api/plans`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'content-length': 1000 },
    })
    call.on('error', () => undefined)
    call.write('{"name":"half')
    await new Promise(done => setTimeout(done, 100))
    call.destroy()
    await vi.waitFor(() => expect(warned).toHaveBeenCalledTimes(1))
    expect(warned.mock.calls[0]![0]).toBe(
      'POST /api/plans: the client broke off; nothing was changed.',
    )
    expect(failed).not.toHaveBeenCalled()
    expect(await stored()).toBe(before)
    vi.restoreAllMocks()
  })
  it('50 MB are refused with 413, whether the length is stated or not, and the server stays up', async () => {
    expect(
      (await api.send('POST', '/api/plans', `{"name":"${'x'.repeat(50_000_000)}"}`)).status,
    ).toBe(413)
    const status = await new Promise<number>((done, fail) => {
      const call = request(
        `${api.base}/api/plans`,
        {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'transfer-encoding': 'chunked' },
        },
        response => {
          response.resume()
          done(response.statusCode ?? 0)
        },
      )
      call.on('error', error =>
        (error as NodeJS.ErrnoException).code === 'EPIPE' ||
        (error as NodeJS.ErrnoException).code === 'ECONNRESET'
          ? undefined
          : fail(error),
      )
      const chunk = 'x'.repeat(1_000_000)
      for (let sent = 0; sent < 50; sent++) call.write(chunk)
      call.end()
    })
    expect(status).toBe(413)
    expect((await api.send('GET', '/api/health')).body.status).toBe('ok')
  })
})

describe('what the server publishes', () => {
  it("the plan's JSON Schema", async () => {
    const answer = await api.send('GET', '/api/schema/plan')
    expect(answer.type).toContain('application/schema+json')
    expect(answer.body).toMatchObject({
      type: 'object',
      required: ['name'],
      properties: {
        network: { properties: { uploadMbps: { unit: 'Mb/s', minimum: 0, default: 20 } } },
      },
    })
  })
  it('the catalogue', async () => {
    const { body } = await api.send('GET', '/api/catalogue')
    expect(body.waysOfBuilding).toHaveLength(6)
    expect(body.layouts).toHaveLength(16)
    expect(body.qualities.length).toBeGreaterThan(10)
  })
})
