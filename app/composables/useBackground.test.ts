import { effectScope, nextTick, shallowRef } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import * as background from '~/services/background'
import { useBackground } from './useBackground'

/** Work that the test ends when it likes: by input, how to answer. */
let answers: Map<number, (result: string) => void>
let failing: boolean
beforeEach(() => {
  vi.useFakeTimers()
  answers = new Map()
  failing = false
  vi.spyOn(background, 'inBackground').mockImplementation(async (_lane, run) => {
    if (failing) throw new Error('broken')
    return run({} as never)
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.restoreAllMocks()
})

function followed() {
  const input = shallowRef<number | null>(1)
  const scope = effectScope()
  const followed = scope.run(() =>
    useBackground(
      'compare',
      () => input.value,
      (_, value) => new Promise<string>(answer => answers.set(value, answer)),
      100,
    ),
  )!
  const change = async (value: number | null) => {
    input.value = value
    await nextTick()
  }
  const answer = async (value: number) => {
    answers.get(value)!(`result ${value}`)
    await vi.advanceTimersByTimeAsync(0)
  }
  return { ...followed, change, answer }
}

describe('a value worked out off the page', () => {
  beforeEach(() => vi.spyOn(console, 'warn').mockImplementation(() => undefined))
  it('is begun at once the first time, and after a pause when its input changes', async () => {
    const { result, working, change, answer } = followed()
    await vi.advanceTimersByTimeAsync(0)
    expect(working.value).toBe(true)
    await answer(1)
    expect([result.value, working.value]).toEqual(['result 1', false])
    await change(2)
    await vi.advanceTimersByTimeAsync(99)
    expect(answers.has(2)).toBe(false)
    // The value before stays until the new one is there.
    expect([result.value, working.value]).toEqual(['result 1', true])
    await vi.advanceTimersByTimeAsync(1)
    await answer(2)
    expect(result.value).toBe('result 2')
  })
  it('of several changes answers only the last', async () => {
    const { result, change, answer } = followed()
    await vi.advanceTimersByTimeAsync(0)
    await change(2)
    await change(3)
    await vi.advanceTimersByTimeAsync(100)
    await answer(1)
    expect(result.value).toBeNull()
    await vi.advanceTimersByTimeAsync(100)
    await answer(3)
    expect(result.value).toBe('result 3')
    expect(answers.has(2)).toBe(false)
  })
  it('goes away with its input, and with a fault', async () => {
    const { result, working, change, answer } = followed()
    await vi.advanceTimersByTimeAsync(0)
    await answer(1)
    await change(null)
    expect([result.value, working.value]).toEqual([null, false])
    failing = true
    await change(4)
    await vi.advanceTimersByTimeAsync(100)
    expect([result.value, working.value]).toEqual([null, false])
  })
})
