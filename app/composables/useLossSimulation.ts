import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { addedUp, lossInterval, type SimulatedLoss } from '~~/core/drives/simulateLoss'
import { inBackground } from '~/services/background'
import { usePlanStore } from '~/stores/planStore'
import { usePoolChoices } from './usePoolChoices'

/** Arrays simulated in all, and at a time: between two lots the run can be cancelled. */
export const simulatedArrays = 4_000_000
const arraysAtATime = 100_000

/**
 * Simulates the plan's drives off the page, lot by lot, with what is known so far; a change of the
 * plan ends the run.
 */
export function useLossSimulation() {
  const store = usePlanStore()
  const choices = usePoolChoices()
  const found = shallowRef<SimulatedLoss | null>(null)
  const running = ref(false)
  const failed = ref(false)
  let run = 0

  function cancel(): void {
    run++
    running.value = false
  }
  function forget(): void {
    cancel()
    found.value = null
  }
  async function start(): Promise<void> {
    const { plan } = store
    const layoutId = store.assessment?.domains.drives.layoutId
    const contentTB = store.assessment?.figures['library.contentAtHorizonTB']?.value ?? 0
    if (!plan || !layoutId || !choices.value) return
    const { watchedHoursPerDay, sharedLinks, rebuilds, ailing } = choices.value
    forget()
    const mine = run
    failed.value = false
    running.value = true
    try {
      for (let done = 0; done < simulatedArrays && mine === run; done += arraysAtATime) {
        const lot = await inBackground('compare', work =>
          work.simulateLoss(plan, {
            layoutId,
            contentTB,
            watchedHoursPerDay,
            sharedLinks,
            rebuilds,
            ailing,
            count: arraysAtATime,
            seed: 1 + done,
          }),
        )
        if (mine !== run) return
        if (!lot) break
        found.value = found.value ? addedUp(found.value, lot) : lot
      }
    } catch {
      failed.value = mine === run
    }
    if (mine === run) running.value = false
  }
  watch(() => store.plan, forget)
  onBeforeUnmount(cancel)
  return {
    start,
    cancel,
    running,
    failed,
    arrays: computed(() => found.value?.arrays ?? 0),
    interval: computed(() => found.value && lossInterval(found.value)),
  }
}
