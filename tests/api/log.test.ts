import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newPlan } from '~~/core/plan/planSchema'
import { startApi } from './apiServer'

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
})
afterAll(() => api.stop())

const create = async () =>
  (await api.send('POST', '/api/plans', newPlan('A log'))).body.id as string
const watts = (id: string, value: number, parts: object = {}) => ({
  id,
  at: '2026-11-20',
  kind: 'watts',
  values: { state: 'idle', watts: value },
  ...parts,
})
const post = (id: string, entries: readonly object[]) =>
  api.send('POST', `/api/plans/${id}/log`, { entries })
const list = (id: string, query = '') => api.send('GET', `/api/plans/${id}/log${query}`)

describe('the log of a plan', () => {
  it('takes entries, and hands them out the newest first, a page at a time', async () => {
    const id = await create()
    const days = ['2026-11-01', '2026-11-03', '2026-11-02']
    const taken = await post(
      id,
      days.map((at, index) => watts(`e${index}`, 60 + index, { at })),
    )
    expect(taken).toMatchObject({ status: 201, body: { known: 0 } })
    expect(taken.body.taken.sort()).toEqual(['e0', 'e1', 'e2'])
    const first = (await list(id, '?limit=2')).body
    expect(first.entries.map((entry: { at: string }) => entry.at)).toEqual([days[1], days[2]])
    expect(first.months).toEqual([{ month: '2026-11', kind: 'watts', count: 3 }])
    const second = (await list(id, `?limit=2&after=${first.next}`)).body
    expect(second.entries.map((entry: { id: string }) => entry.id)).toEqual(['e0'])
    expect(second.next).toBeNull()
  })
  it('never stores the same twice: the same id, the same values, the same place of a file', async () => {
    const id = await create()
    await post(id, [watts('a', 61)])
    expect((await post(id, [watts('a', 75)])).body).toEqual({ taken: [], known: 1 })
    expect((await post(id, [watts('b', 61)])).body).toEqual({ taken: [], known: 1 })
    const origin = { how: 'imported', tool: 'CSV', sha256: 'f'.repeat(64), place: 'line 2' }
    expect((await post(id, [watts('c', 70, { origin })])).body.known).toBe(0)
    expect((await post(id, [watts('d', 70, { origin })])).body.known).toBe(1)
    expect((await list(id)).body.entries).toHaveLength(2)
  })
  it('takes all entries of a request or none', async () => {
    const id = await create()
    const refused = await post(id, [watts('a', 61), watts('b', -5), { id: 'c' }])
    expect(refused.status).toBe(422)
    expect(refused.body.errors.map(({ path }: { path: string }) => path)).toEqual([
      'entries.1.values.watts',
      'entries.2.at',
      'entries.2.kind',
    ])
    expect((await list(id)).body.entries).toEqual([])
    expect((await post(id, [watts('a', 61), watts('a', 62)])).status).toBe(422)
    for (const body of [{}, { entries: [] }, { entries: 'x' }, [], null])
      expect((await api.send('POST', `/api/plans/${id}/log`, body)).status).toBe(422)
  })
  it('is filtered by kind and by time', async () => {
    const id = await create()
    await post(id, [
      watts('a', 61),
      watts('b', 62, { at: '2026-10-20' }),
      { id: 'c', at: '2026-11-21', kind: 'note', note: 'Quiet' },
    ])
    const ids = async (query: string) =>
      (await list(id, query)).body.entries.map((entry: { id: string }) => entry.id)
    expect(await ids('?kinds=watts')).toEqual(['a', 'b'])
    expect(await ids('?kinds=watts,note&from=2026-11-01')).toEqual(['c', 'a'])
    expect(await ids('?to=2026-11-01')).toEqual(['b'])
    for (const query of ['?limit=0', '?limit=9999', '?kinds=noise', '?from=soon'])
      expect((await list(id, query)).status, query).toBe(422)
  })
  it('goes out as JSON lines, whole', async () => {
    const id = await create()
    const entries = Array.from({ length: 4500 }, (_, at) =>
      watts(`e${at}`, 40 + (at % 50), { note: `reading ${at}` }),
    )
    expect((await post(id, entries)).body.taken).toHaveLength(4500)
    const response = await fetch(`${api.base}/api/plans/${id}/log/export`)
    expect(response.headers.get('content-type')).toContain('jsonl')
    const lines = (await response.text()).trim().split('\n')
    expect(lines).toHaveLength(4500)
    expect(new Set(lines.map(line => (JSON.parse(line) as { id: string }).id)).size).toBe(4500)
  })
  it('of a plan that is not there is none; of one that is deleted it goes with it', async () => {
    expect((await list('nowhere')).status).toBe(404)
    expect((await post('nowhere', [watts('a', 61)])).status).toBe(404)
    expect((await api.send('GET', '/api/plans/nowhere/log/export')).status).toBe(404)
    const id = await create()
    await post(id, [watts('a', 61)])
    await api.send('DELETE', `/api/plans/${id}`)
    expect((await list(id)).status).toBe(404)
    await api.send('POST', `/api/plans/${id}/restore`, {})
    expect((await list(id)).body.entries).toHaveLength(1)
  })
})
