import { onBeforeUnmount, ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import type { Remote } from 'comlink'
import { inBackground, type Lane } from '~/services/background'
import type { CoreWork } from '~/services/coreWork'

/**
 * A value worked out off the page whenever its input changes; of several changes only the last
 * counts, and the value
 * before stays until the new one is there.
 */
export function useBackground<Input, Result>(
  lane: Lane,
  input: () => Input | null,
  run: (work: CoreWork | Remote<CoreWork>, input: Input) => Result | Promise<Result>,
  delayMs = 150,
): { readonly result: ShallowRef<Result | null>; readonly working: Ref<boolean> } {
  const result = shallowRef<Result | null>(null)
  const working = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  let asked = 0
  let running = false

  async function work(value: Input, number: number): Promise<void> {
    if (running) return
    running = true
    const found = await inBackground(lane, core => run(core, value)).catch(() => null)
    running = false
    if (number === asked) {
      result.value = found
      working.value = false
    } else {
      restart()
    }
  }
  function restart(): void {
    const value = input()
    if (value !== null) void work(value, asked)
  }

  watch(
    input,
    value => {
      clearTimeout(timer)
      asked++
      if (value === null) {
        result.value = null
        working.value = false
      } else {
        working.value = true
        timer = setTimeout(restart, result.value === null ? 0 : delayMs)
      }
    },
    { immediate: true },
  )
  onBeforeUnmount(() => {
    clearTimeout(timer)
    asked++
  })
  return { result, working }
}
