import { request } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { newPlan, planSchema } from '~~/core/plan/planSchema'
import { startApi } from './apiServer'

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
})
afterAll(() => api.stop())

const demo = planSchema.parse(tideMillHouse)
const create = async (name: string) => (await api.send('POST', '/api/plans', newPlan(name))).body

describe('plans', () => {
  it('are stored, listed, read and saved with a rising version', async () => {
    const created = await api.send('POST', '/api/plans', tideMillHouse)
    expect(created).toMatchObject({ status: 201, body: { version: 1, plan: demo, keptAside: [] } })
    const { id } = created.body
    expect((await api.send('GET', '/api/plans')).body.plans).toContainEqual(expect.objectContaining({ id, name: 'Tide Mill House', version: 1 }))
    const saved = await api.send('PUT', `/api/plans/${id}`, { version: 1, plan: { ...demo, name: 'The mill' } })
    expect(saved).toMatchObject({ status: 200, body: { version: 2, plan: { name: 'The mill' } } })
    expect((await api.send('GET', `/api/plans/${id}`)).body).toMatchObject({ version: 2, plan: { name: 'The mill', drives: demo.drives } })
  })

  it('saved from an old version are refused with the stored one, and nothing is overwritten', async () => {
    const { id } = await create('Two tabs')
    await api.send('PUT', `/api/plans/${id}`, { version: 1, plan: newPlan('First tab') })
    const second = await api.send('PUT', `/api/plans/${id}`, { version: 1, plan: newPlan('Second tab') })
    expect(second).toMatchObject({ status: 409, type: expect.stringContaining('application/problem+json'), body: { status: 409, current: { version: 2, plan: { name: 'First tab' } } } })
    expect((await api.send('GET', `/api/plans/${id}`)).body.plan.name).toBe('First tab')
  })

  it('of which only one save wins when many come at once', async () => {
    const { id } = await create('Race')
    const answers = await Promise.all(Array.from({ length: 8 }, (_, index) => api.send('PUT', `/api/plans/${id}`, { version: 1, plan: newPlan(`Run ${index}`) })))
    expect(answers.filter(answer => answer.status === 200)).toHaveLength(1)
    expect(answers.filter(answer => answer.status === 409)).toHaveLength(7)
  })

  it('are deleted, and come back when the deletion is taken back', async () => {
    const { id } = await create('Short-lived')
    expect((await api.send('DELETE', `/api/plans/${id}`)).status).toBe(204)
    expect((await api.send('GET', `/api/plans/${id}`)).status).toBe(404)
    expect((await api.send('DELETE', `/api/plans/${id}`)).status).toBe(404)
    expect((await api.send('PUT', `/api/plans/${id}`, { version: 1, plan: newPlan('x') })).status).toBe(404)
    expect(await api.send('POST', `/api/plans/${id}/restore`, {})).toMatchObject({ status: 200, body: { plan: { name: 'Short-lived' } } })
    expect((await api.send('GET', `/api/plans/${id}`)).status).toBe(200)
  })

  it('keep unknown fields aside and report them', async () => {
    const answer = await api.send('POST', '/api/plans', { name: 'From the future', sails: 3 })
    expect(answer).toMatchObject({ status: 201, body: { keptAside: ['sails'], plan: { keptAside: { sails: 3 } } } })
  })
})

describe('assessments', () => {
  it('equal what the page computes, to the last number', async () => {
    const { body } = await api.send('POST', '/api/assessments', tideMillHouse)
    const { keptAside, ...assessment } = body
    expect(keptAside).toEqual([])
    const { figures, verdicts, findings } = assess(demo, catalogue)
    expect(assessment).toEqual(JSON.parse(JSON.stringify({ figures, verdicts, findings })))
  })
  it('of an invalid plan are refused with every problem', async () => {
    const answer = await api.send('POST', '/api/assessments', { name: 'x', network: { uploadMbps: -1 }, machine: { cores: 0 } })
    expect(answer.status).toBe(422)
    expect(answer.type).toContain('application/problem+json')
    expect(answer.body.errors.map((error: { path: string }) => error.path).sort()).toEqual(['machine.cores', 'network.uploadMbps'])
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
    ['POST', '/api/plans/none/restore', {}, 404],
  ] as const)('%s %s %j answers %d as a problem document, without a stack', async (method, path, body, status) => {
    const before = (await api.send('GET', '/api/health')).body.plans
    const answer = await api.send(method, path, body)
    expect(answer.status).toBe(status)
    expect(answer.type).toContain('application/problem+json')
    expect(answer.body).toMatchObject({ status, title: expect.any(String), detail: expect.any(String), errors: expect.any(Array) })
    expect(JSON.stringify(answer.body)).not.toMatch(/node_modules|\.ts:|at async/)
    expect((await api.send('GET', '/api/health')).body.plans).toBe(before)
  })

  it('a body that is not declared as JSON is refused: a foreign page could send it', async () => {
    expect((await api.send('POST', '/api/plans', '{"name":"x"}', { 'content-type': 'text/plain' })).status).toBe(415)
  })

  it('50 MB are refused with 413, whether the length is stated or not, and the server stays up', async () => {
    expect((await api.send('POST', '/api/plans', `{"name":"${'x'.repeat(50_000_000)}"}`)).status).toBe(413)
    const status = await new Promise<number>((done, fail) => {
      const call = request(`${api.base}/api/plans`, { method: 'POST', headers: { 'content-type': 'application/json', 'transfer-encoding': 'chunked' } }, (response) => {
        response.resume()
        done(response.statusCode ?? 0)
      })
      call.on('error', error => (error as NodeJS.ErrnoException).code === 'EPIPE' || (error as NodeJS.ErrnoException).code === 'ECONNRESET' ? undefined : fail(error))
      const chunk = 'x'.repeat(1_000_000)
      for (let sent = 0; sent < 50; sent++) call.write(chunk)
      call.end()
    })
    expect(status).toBe(413)
    expect((await api.send('GET', '/api/health')).body.status).toBe('ok')
  })
})

describe('what the server publishes', () => {
  it('the plan\'s JSON Schema', async () => {
    const answer = await api.send('GET', '/api/schema/plan')
    expect(answer.type).toContain('application/schema+json')
    expect(answer.body).toMatchObject({ type: 'object', required: ['name'], properties: { network: { properties: { uploadMbps: { unit: 'Mb/s', minimum: 0, default: 20 } } } } })
  })
  it('the catalogue', async () => {
    const { body } = await api.send('GET', '/api/catalogue')
    expect(body.waysOfBuilding).toHaveLength(6)
    expect(body.layouts).toHaveLength(16)
    expect(body.qualities.length).toBeGreaterThan(10)
  })
})
