import { clear, createStore } from 'idb-keyval'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { newPlan, type Plan } from '~~/core/plan/planSchema'
import type { StoredPlan } from '~~/core/plan/storedPlan'
import { draftBox } from '~/services/draftBox'
import { ApiProblem, planApi } from '~/services/planApi'
import { planEditor } from '~/services/planEditor'
import { usePlanStore } from './planStore'

const storedAs = (id: string, plan: Plan = newPlan(`plan ${id}`)): StoredPlan => ({
  id,
  version: 1,
  createdAt: '',
  updatedAt: '',
  plan,
})
/** Answers of the server that the test gives when it likes. */
let answers: Map<string, (stored: StoredPlan) => void>

beforeEach(async () => {
  // What the test before still keeps is kept first.
  await draftBox.list()
  await clear(createStore('numeron', 'drafts'))
  setActivePinia(createPinia())
  answers = new Map()
  vi.spyOn(planApi, 'get').mockImplementation(id => new Promise(answer => answers.set(id, answer)))
  vi.spyOn(planApi, 'save').mockImplementation(async (id, version, plan) => ({
    ...storedAs(id, plan),
    version: version + 1,
  }))
})
afterEach(() => void vi.restoreAllMocks())
const answered = async (id: string) => {
  await vi.waitFor(() => expect(answers.has(id)).toBe(true))
  answers.get(id)!(storedAs(id))
}

describe('opening', () => {
  it('of several counts only the last, however late an earlier one is answered', async () => {
    const store = usePlanStore()
    const first = store.open('a')
    const second = store.open('b')
    await answered('b')
    await second
    await answered('a')
    await first
    expect(store.id).toBe('b')
    expect(store.plan?.name).toBe('plan b')
  })
  it('is not answered any more once the plan was closed', async () => {
    const store = usePlanStore()
    const opening = store.open('a')
    await vi.waitFor(() => expect(answers.has('a')).toBe(true))
    store.close()
    await answered('a')
    await opening
    expect(store.plan).toBeNull()
    expect(store.assessment).toBeNull()
  })
  it('assesses the plan at once, and forgets a plan that was tried', async () => {
    const store = usePlanStore()
    store.tried = newPlan('tried')
    const opening = store.open('a')
    await answered('a')
    await opening
    expect(store.tried).toBeNull()
    expect(store.assessment?.verdicts.map(verdict => verdict.id)).toEqual([
      'streams',
      'space',
      'survival',
      'home',
      'away',
      'fit',
      'money',
    ])
  })
  it('tells of a server that refuses, and leaves nothing open', async () => {
    vi.mocked(planApi.get).mockRejectedValue(new ApiProblem(404, 'There is no such plan.'))
    const store = usePlanStore()
    await expect(store.open('gone')).rejects.toThrow('There is no such plan.')
    expect(store.plan).toBeNull()
  })
  it('takes up a draft that the server never acknowledged, and it can be undone', async () => {
    draftBox.put('a', { version: 1, plan: newPlan('changed here') })
    const store = usePlanStore()
    const opening = store.open('a')
    await answered('a')
    await opening
    expect(store.restoredDraft).toBe(true)
    expect(store.plan?.name).toBe('changed here')
    store.undo()
    expect(store.plan?.name).toBe('plan a')
  })
  it('meets a draft of an older version with a choice', async () => {
    draftBox.put('a', { version: 0, plan: newPlan('changed here') })
    const store = usePlanStore()
    const opening = store.open('a')
    await answered('a')
    await opening
    expect(store.saveState).toBe('conflict')
    expect(store.conflict?.plan.name).toBe('plan a')
  })
  it('passes over a draft that is the same, and ends it', async () => {
    const store = usePlanStore()
    draftBox.put('a', { version: 1, plan: newPlan('plan a') })
    const opening = store.open('a')
    await answered('a')
    await opening
    expect(store.restoredDraft).toBe(false)
    expect(await draftBox.list()).toEqual([])
  })
})

describe('what is edited before editing has been loaded', () => {
  async function opened() {
    const store = usePlanStore()
    const opening = store.open('a')
    await answered('a')
    await opening
    vi.spyOn(planEditor, 'now', 'get').mockReturnValueOnce(null)
    return store
  }
  it('is done as soon as it is there', async () => {
    const store = await opened()
    expect(store.edit('name', 'edited early')).toBeNull()
    expect(store.plan?.name).toBe('plan a')
    await vi.waitFor(() => expect(store.plan?.name).toBe('edited early'))
  })
  it('is left alone when another plan was opened meanwhile', async () => {
    const store = await opened()
    store.edit('name', 'edited early')
    store.close()
    const opening = store.open('b')
    await answered('b')
    await opening
    await planEditor.load()
    expect(store.plan?.name).toBe('plan b')
  })
})
