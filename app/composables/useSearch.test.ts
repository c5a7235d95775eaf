import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, nextTick, ref } from 'vue'
import type { Searches } from '~/services/searchWork'
import { openDemo } from '../../tests/stubs/openPlan'
import { useSearch, type SearchHandle } from './useSearch'

type Ways = Searches['ways']['progress']
interface Started {
  readonly report: (progress: Ways) => void
  readonly answer: (progress: Ways) => void
  readonly fail: () => void
  cancelled: boolean
}
const started: Started[] = []
vi.mock('~/services/longSearch', () => ({
  startSearch: (_: string, { report }: { readonly report: (progress: Ways) => void }) => {
    let [answer, fail] = [
      (_progress: Ways) => {
        /* set below */
      },
      () => {
        /* set below */
      },
    ]
    const promise = new Promise<Ways>((done, wrong) => {
      answer = done
      fail = () => wrong(new Error('broke off'))
    })
    const one: Started = {
      report,
      answer: progress => answer(progress),
      fail: () => fail(),
      cancelled: false,
    }
    started.push(one)
    return { answer: promise, cancel: () => void (one.cancelled = true) }
  },
}))

const progress = (nodes: number): Ways => ({
  rows: [],
  at: null,
  done: 0,
  of: 1,
  nodes,
  leaves: 0,
  cut: 0,
})
/** Every test has a question of its own, so that no answer of another stands in for its. */
let questions = 0

function open(cap = ++questions) {
  let handle: SearchHandle<'ways'> | null = null
  const tier = ref(cap)
  const view = mount(
    defineComponent({
      setup() {
        handle = useSearch('ways', () => ({
          objective: 'horizon',
          tiers: [{ name: 'x', cap: tier.value }],
        }))
        return () => h('p')
      },
    }),
  )
  return { view, handle: handle!, cap, tier }
}
const settle = async () => {
  await vi.advanceTimersByTimeAsync(1000)
  await nextTick()
}

describe('a search of a section', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    started.length = 0
  })
  afterEach(() => vi.useRealTimers())

  it('begins when the section opens, tells how far it is, and ends with its answer', async () => {
    openDemo()
    const { handle, view } = open()
    await settle()
    expect(started).toHaveLength(1)
    expect(handle.running.value).toBe(true)
    started[0]!.report(progress(5))
    await settle()
    expect(handle.progress.value?.nodes).toBe(5)
    started[0]!.answer(progress(9))
    await settle()
    expect(handle.progress.value?.nodes).toBe(9)
    expect(handle.running.value).toBe(false)
    view.unmount()
  })
  it('is shared by sections that ask the same, and not asked again for an answer that is there', async () => {
    openDemo()
    const first = open()
    await settle()
    const second = open(first.cap)
    await settle()
    expect(started).toHaveLength(1)
    started[0]!.answer(progress(7))
    await settle()
    expect(second.handle.progress.value?.nodes).toBe(7)
    first.view.unmount()
    second.view.unmount()
    await vi.advanceTimersByTimeAsync(10_000)
    const third = open(first.cap)
    await settle()
    expect(started).toHaveLength(1)
    expect(third.handle.progress.value?.nodes).toBe(7)
    third.view.unmount()
  })
  it('goes on for a moment when its reader leaves, then ends', async () => {
    openDemo()
    const { view } = open()
    await settle()
    view.unmount()
    await vi.advanceTimersByTimeAsync(900)
    expect(started[0]!.cancelled).toBe(false)
    await vi.advanceTimersByTimeAsync(200)
    expect(started[0]!.cancelled).toBe(true)
  })
  it('is begun once by two sections that ask the same at once', async () => {
    openDemo()
    const first = open()
    const second = open(first.cap)
    await settle()
    expect(started).toHaveLength(1)
    first.view.unmount()
    second.view.unmount()
  })
  it('leaves nothing behind that is taken for an answer, when it ended before its end', async () => {
    openDemo()
    const first = open()
    await settle()
    started[0]!.report(progress(5))
    first.view.unmount()
    await vi.advanceTimersByTimeAsync(10_000)
    const second = open(first.cap)
    await settle()
    expect(second.handle.progress.value).toBe(null)
    expect(started).toHaveLength(2)
    second.view.unmount()
  })
  it('is not begun for a section that is only passed through', async () => {
    openDemo()
    const { view } = open()
    await vi.advanceTimersByTimeAsync(400)
    view.unmount()
    await settle()
    expect(started).toHaveLength(0)
  })
  it('is cancelled at once, stays so, and starts again when asked', async () => {
    openDemo()
    const { handle, view } = open()
    await settle()
    handle.cancel()
    await settle()
    expect(started[0]!.cancelled).toBe(true)
    expect([handle.running.value, handle.cancelled.value]).toEqual([false, true])
    // What the ended worker still says is not heard.
    started[0]!.report(progress(99))
    await settle()
    expect(handle.progress.value).toBe(null)
    void handle.start()
    await settle()
    expect(started).toHaveLength(2)
    expect([handle.running.value, handle.cancelled.value]).toEqual([true, false])
    view.unmount()
  })
  it('follows the need, but neither the budget nor the name', async () => {
    const store = openDemo()
    const { view } = open()
    await settle()
    started[0]!.answer(progress(1))
    await settle()
    store.edit('brief.budget', 50)
    store.edit('name', 'Another')
    await settle()
    expect(started).toHaveLength(1)
    store.edit('choices.horizonYears', 9)
    await settle()
    expect(started).toHaveLength(2)
    view.unmount()
  })
  it('asks anew for another question', async () => {
    openDemo()
    const { view, tier } = open()
    await settle()
    tier.value = 1_000_000 + ++questions
    await settle()
    expect(started).toHaveLength(2)
    view.unmount()
  })
  it('says when it broke off', async () => {
    openDemo()
    const { handle, view } = open()
    await settle()
    started[0]!.fail()
    await settle()
    expect([handle.failed.value, handle.running.value]).toEqual([true, false])
    view.unmount()
  })
})
