import { ref } from 'vue'
import { describe, expect, it, vi } from 'vitest'
import { useInParts } from './useInParts'

describe('a long list', () => {
  it('is drawn a part a frame until all of it is there, and so is what comes later', async () => {
    const frames: FrameRequestCallback[] = []
    vi.stubGlobal('requestAnimationFrame', (frame: FrameRequestCallback) => frames.push(frame))
    const list = ref(Array.from({ length: 25 }, (_, at) => at))
    const drawn = useInParts(list, 10)
    const turn = async () => {
      frames.shift()?.(0)
      await Promise.resolve()
      await Promise.resolve()
    }
    expect(drawn.value).toHaveLength(10)
    await turn()
    expect(drawn.value).toHaveLength(20)
    await turn()
    expect(drawn.value).toEqual(list.value)
    expect(frames).toHaveLength(0)
    list.value = [...list.value, ...list.value]
    await Promise.resolve()
    expect(drawn.value).toHaveLength(30)
    for (let frame = 0; frame < 5; frame++) await turn()
    expect(drawn.value).toHaveLength(50)
    vi.unstubAllGlobals()
  })
})
