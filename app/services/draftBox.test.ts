import { clear, createStore, entries, set } from 'idb-keyval'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { newPlan } from '~~/core/plan/planSchema'
import { draftBox } from './draftBox'
import * as tabs from './tabs'

const store = createStore('numeron', 'drafts')
/** What another tab left, open or closed. */
const leave = (planId: string, tab: string, part: object = {}) =>
  set(
    `${planId} ${tab}`,
    { planId, tab, at: 5, version: 1, plan: newPlan(`of ${tab}`), ...part },
    store,
  )

beforeEach(async () => {
  localStorage.clear()
  localStorage.setItem('numeron.drafts', 'some')
  await clear(store)
  vi.spyOn(tabs, 'livingTabs').mockImplementation(
    async () => new Set([await tabs.thisTab(), 'open']),
  )
})
afterEach(() => void vi.restoreAllMocks())

describe('drafts', () => {
  it('are kept by plan and tab, the last change of several', async () => {
    for (const name of ['first', 'second', 'third'])
      draftBox.put('a', { version: 3, plan: newPlan(name) })
    draftBox.put('b', { version: 1, plan: newPlan('other') })
    expect(await draftBox.take('a')).toMatchObject({ version: 3, plan: { name: 'third' } })
    expect((await draftBox.list()).map(entry => entry.planId).sort()).toEqual(['a', 'b'])
    expect(draftBox.isKeeping.value).toBe(true)
  })
  it('are told to be on their way until they lie in the storage', async () => {
    draftBox.put('a', { version: 1, plan: newPlan('first') })
    expect(draftBox.isWriting.value).toBe(true)
    draftBox.put('b', { version: 1, plan: newPlan('other') })
    await vi.waitFor(() => expect(draftBox.isWriting.value).toBe(false))
    expect((await entries(store)).map(([key]) => String(key).split(' ')[0]).sort()).toEqual([
      'a',
      'b',
    ])
  })
  it('go only by the tab that wrote them', async () => {
    await leave('a', 'open')
    await leave('a', 'closed')
    draftBox.put('a', { version: 1, plan: newPlan('mine') })
    draftBox.drop('a')
    expect((await draftBox.list()).map(entry => entry.draft?.plan.name)).toEqual(['of closed'])
    expect((await entries(store)).map(([key]) => key).sort()).toEqual(['a closed', 'a open'])
  })
  it(
    'of an open tab are its own; those of a closed one are taken up, the newest first, and ' +
      'the others stay',
    async () => {
      await leave('a', 'open', { at: 99 })
      await leave('a', 'closed', { at: 1 })
      await leave('a', 'closed later', { at: 2 })
      expect((await draftBox.take('a'))?.plan.name).toBe('of closed later')
      expect((await entries(store)).map(([key]) => String(key)).sort()).toEqual(
        [`a ${await tabs.thisTab()}`, 'a closed', 'a open'].sort(),
      )
    },
  )
  it('that cannot be read are listed as they are, never taken and never deleted', async () => {
    await leave('a', 'closed', { plan: { name: '' } })
    await leave('b', 'closed', { version: 'x' })
    expect(await draftBox.take('a')).toBeNull()
    expect(await draftBox.take('b')).toBeNull()
    expect(await draftBox.list()).toMatchObject([
      { planId: 'a', draft: null, raw: { name: '' } },
      { planId: 'b', draft: null },
    ])
    await draftBox.discard('a closed')
    expect((await draftBox.list()).map(entry => entry.planId)).toEqual(['b'])
  })
  it('say when nothing can be kept', async () => {
    draftBox.put('a', { version: 1, plan: { name: () => 'cannot be cloned' } as never })
    await draftBox.list()
    expect(draftBox.isKeeping.value).toBe(false)
    draftBox.put('a', { version: 1, plan: newPlan('fits') })
    await draftBox.list()
    expect(draftBox.isKeeping.value).toBe(true)
  })
})

describe('a browser without drafts', () => {
  it('does not look for any, until one is kept, and not any more once the last has gone', async () => {
    localStorage.clear()
    await leave('a', 'closed')
    expect(await draftBox.take('a')).toBeNull()
    draftBox.put('b', { version: 1, plan: newPlan('mine') })
    expect(await draftBox.take('a')).toMatchObject({ plan: { name: 'of closed' } })
    draftBox.drop('b')
    await draftBox.list()
    expect(localStorage.getItem('numeron.drafts')).toBe('some')
    draftBox.drop('a')
    await draftBox.list()
    expect(localStorage.getItem('numeron.drafts')).toBeNull()
  })
})

describe('drafts of an earlier version', () => {
  it('are brought over, also those that are none', async () => {
    vi.resetModules()
    localStorage.setItem(
      'numeron.draft.a',
      JSON.stringify({ version: 1, plan: newPlan('earlier') }),
    )
    localStorage.setItem('numeron.draft.b', '{"version":')
    const { draftBox: fresh } = await import('./draftBox')
    expect((await fresh.take('a'))?.plan.name).toBe('earlier')
    expect((await fresh.list()).find(entry => entry.planId === 'b')).toMatchObject({
      draft: null,
      raw: '{"version":',
    })
    expect(Object.keys(localStorage).filter(key => key.startsWith('numeron.draft.'))).toEqual([])
  })
})
