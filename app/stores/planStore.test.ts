import { clear, createStore } from 'idb-keyval'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { withStepEntry } from '~~/core/commissioning/stepEntries'
import { planSchema, type Plan } from '~~/core/plan/planSchema'
import type { StoredPlan } from '~~/core/plan/storedPlan'
import { ApiProblem, planApi } from '~/services/planApi'
import { draftBox } from '~/services/draftBox'
import { usePlanStore } from './planStore'

const demo = planSchema.parse(tideMillHouse)
let server: { version: number; plan: Plan }
let reachable: boolean
const stored = (): StoredPlan => ({ id: 'a', createdAt: '', updatedAt: '', ...server })

beforeEach(async () => {
  // What the test before still keeps is kept first.
  await draftBox.list()
  await clear(createStore('numeron', 'drafts'))
  // Not those by which the browser's storage works.
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'Date'] })
  localStorage.clear()
  setActivePinia(createPinia())
  server = { version: 1, plan: demo }
  reachable = true
  vi.spyOn(planApi, 'get').mockImplementation(async () => stored())
  vi.spyOn(planApi, 'create').mockImplementation(async plan => ({
    ...stored(),
    id: 'copy',
    plan: plan as Plan,
  }))
  vi.spyOn(planApi, 'save').mockImplementation(async (_id, version, plan) => {
    if (!reachable) throw new ApiProblem(0, 'The server does not answer.')
    if (version !== server.version) throw new ApiProblem(409, 'changed', [], stored())
    server = { version: version + 1, plan }
    return stored()
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.restoreAllMocks()
})
async function opened() {
  const store = usePlanStore()
  await store.open('a')
  return store
}
const settle = () => vi.advanceTimersByTimeAsync(1000)

describe('editing', () => {
  it('changes the assessment at once and is saved by itself', async () => {
    const store = await opened()
    expect(store.edit('machine.score', 20_000)).toBeNull()
    expect(store.assessment?.figures['streams.possible']?.value).toBe(10)
    expect(store.saveState).toBe('unsaved')
    await settle()
    expect(store.saveState).toBe('saved')
    expect(server.plan.machine.score).toBe(20_000)
    expect(await draftBox.take('a')).toBeNull()
  })
  it('refuses a bad value with a sentence and keeps the plan', async () => {
    const store = await opened()
    expect(store.edit('network.uploadMbps', 'fast')).toContain('Upload must be a number from 0')
    expect(store.plan).toEqual(demo)
    expect(store.saveState).toBe('saved')
  })
  it('of one drag on a picture are one step, whatever they touch', async () => {
    const store = await opened()
    store.grab()
    store.edit('machine.score', 100)
    store.edit('machine.cores', 9)
    await settle()
    store.edit('machine.score', 300)
    store.letGo()
    store.edit('machine.score', 400)
    store.undo()
    expect(store.plan?.machine).toMatchObject({ score: 300, cores: 9 })
    store.undo()
    expect(store.plan).toEqual(demo)
  })
  it('is undone a step at a time where lists are exchanged, however quickly', async () => {
    const store = await opened()
    const lots = demo.drives.lots
    store.edit('drives.lots', [...lots, { sizeTB: 12, count: 1 }])
    store.edit('drives.lots', lots.slice(0, 1))
    store.undo()
    expect(store.plan?.drives.lots.at(-1)?.sizeTB).toBe(12)
    store.undo()
    expect(store.plan).toEqual(demo)
  })
  it('is undone and redone, typing in one field as one step', async () => {
    const store = await opened()
    for (const score of [2, 20, 200]) store.edit('machine.score', score)
    await settle()
    await settle()
    store.edit('machine.cores', 9)
    store.undo()
    expect(store.plan?.machine).toMatchObject({ score: 200, cores: null })
    store.undo()
    expect(store.plan?.machine.score).toBe(6200)
    expect(store.canUndo).toBe(false)
    store.redo()
    store.redo()
    expect(store.plan?.machine).toMatchObject({ score: 200, cores: 9 })
    store.undo()
    store.edit('machine.bays', 1)
    expect(store.canRedo).toBe(false)
  })
  it('sends what was typed while a save was under way afterwards', async () => {
    const store = await opened()
    store.edit('machine.score', 100)
    vi.advanceTimersByTime(360)
    store.edit('machine.score', 300)
    await settle()
    await settle()
    expect(server.plan.machine.score).toBe(300)
    expect(store.saveState).toBe('saved')
  })
})

describe('when the server is gone', () => {
  it('keeps the change in the browser and saves it once it is back', async () => {
    const store = await opened()
    reachable = false
    store.edit('machine.score', 777)
    await settle()
    expect(store.saveState).toBe('offline')
    expect((await draftBox.take('a'))?.plan.machine.score).toBe(777)
    reachable = true
    await vi.advanceTimersByTimeAsync(4000)
    expect(store.saveState).toBe('saved')
    expect(server.plan.machine.score).toBe(777)
  })
  it('takes a change up again after the page was closed', async () => {
    const store = await opened()
    reachable = false
    store.edit('machine.score', 777)
    await settle()
    setActivePinia(createPinia())
    reachable = true
    const next = await opened()
    expect(next.restoredDraft).toBe(true)
    expect(next.plan?.machine.score).toBe(777)
    await settle()
    expect(server).toMatchObject({ version: 2, plan: { machine: { score: 777 } } })
  })
  it('knows its own save again when only the answer was lost', async () => {
    const store = await opened()
    store.edit('machine.score', 555)
    server = { version: 2, plan: store.plan! }
    await settle()
    expect(store.saveState).toBe('saved')
    expect(store.version).toBe(2)
  })
})

describe('two tabs', () => {
  async function inConflict() {
    const store = await opened()
    server = { version: 2, plan: { ...demo, name: 'Theirs' } }
    store.edit('name', 'Mine')
    await settle()
    expect(store.saveState).toBe('conflict')
    expect(server.plan.name).toBe('Theirs')
    return store
  }
  it('an old version is not written over the newer one until that is chosen', async () => {
    const store = await inConflict()
    store.edit('machine.score', 1234)
    await settle()
    expect(server.plan.name).toBe('Theirs')
    await store.settle('mine')
    expect(server).toMatchObject({ version: 3, plan: { name: 'Mine', machine: { score: 1234 } } })
    expect(store.saveState).toBe('saved')
  })
  it('the other version can be taken, and mine brought back by undo', async () => {
    const store = await inConflict()
    await store.settle('theirs')
    expect(store.plan?.name).toBe('Theirs')
    expect(await draftBox.take('a')).toBeNull()
    store.undo()
    expect(store.plan?.name).toBe('Mine')
  })
  it('ticks from a run-book link join what is edited here, and no undo drops them', async () => {
    const store = await opened()
    store.edit('name', 'Mill')
    await settle()
    const ticked = withStepEntry(server.plan, 'before.check', { state: 'done', day: '2026-12-01' })
    server = { version: server.version + 1, plan: ticked }
    store.edit('machine.score', 20_000)
    await settle()
    expect(store.saveState).toBe('saved')
    expect(server.plan).toMatchObject({ name: 'Mill', machine: { score: 20_000 } })
    expect(server.plan.commissioning.steps).toHaveLength(1)
    store.undo()
    store.undo()
    await settle()
    expect(server.plan.name).toBe(demo.name)
    expect(server.plan.commissioning.steps).toHaveLength(1)
    store.redo()
    expect(store.plan).toMatchObject({ name: 'Mill' })
    expect(store.plan?.commissioning.steps).toHaveLength(1)
  })
  it('both can be kept, mine as a copy', async () => {
    const store = await inConflict()
    expect(await store.settle('both')).toBe('copy')
    expect(planApi.create).toHaveBeenCalledWith(expect.objectContaining({ name: 'Mine (mine)' }))
    expect(store.plan?.name).toBe('Theirs')
  })
})
