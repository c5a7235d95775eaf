import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { chanceInterval } from '~~/core/rehearsal/many/intervals'
import { leastEvenings } from '~~/core/rehearsal/many/lots'
import type { Tally } from '~~/core/rehearsal/many/tally'
import type { Missing } from '~~/core/rehearsal/question/rehearsalWorld'
import { startMany, type RunningMany } from '~/services/manyEvenings'
import type { RehearsalAsk } from '~/services/rehearsalWork'

/** How exact a run is: half the width of the interval at which it stops. */
export const exactness = { 0.01: '± 1 %', 0.003: '± 0.3 %' } as const

/** Runs of thousands of evenings on the page: progress, interim sums, cancel. */
export function useMany() {
  const sums = shallowRef<readonly Tally[]>([])
  const asks = shallowRef<readonly RehearsalAsk[]>([])
  const missing = ref<Missing | null>(null)
  const isRunning = ref(false)
  const wasCancelled = ref(false)
  const failed = ref(false)
  let running: RunningMany | null = null

  async function start(asked: readonly RehearsalAsk[], within: number): Promise<void> {
    running?.cancel()
    sums.value = []
    asks.value = asked
    missing.value = null
    failed.value = false
    wasCancelled.value = false
    isRunning.value = true
    const own = startMany({
      asks: asked,
      within,
      report: so => {
        if (running !== own) return
        sums.value = so
      },
    })
    running = own
    try {
      const found = await own.done
      if (running === own) missing.value = found
    } catch {
      if (running === own) failed.value = true
    }
    if (running === own) isRunning.value = false
  }
  function cancel(): void {
    running?.cancel()
    wasCancelled.value = isRunning.value
    isRunning.value = false
  }
  /** how far it is, 0..1: the width shrinks with the root of the evenings */
  const progress = (within: number) =>
    computed(() => {
      const [first] = sums.value
      if (!first || first.evenings === 0) return 0
      const { low, high } = chanceInterval(first.disturbed, first.evenings)
      const half = Math.max(1e-9, (high - low) / 2)
      return Math.min(1, Math.min((within / half) ** 2, first.evenings / leastEvenings))
    })
  onBeforeUnmount(() => running?.cancel())
  return { sums, asks, missing, isRunning, wasCancelled, failed, start, cancel, progress }
}
