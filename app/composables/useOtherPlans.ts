import { onMounted, shallowRef, type ShallowRef } from 'vue'
import type { PlanEntry } from '~~/core/plan/storedPlan'
import { planApi } from '~/services/planApi'

/** The plans that the server keeps; none until it has told them, and while it does not answer. */
export function useOtherPlans(): ShallowRef<readonly PlanEntry[]> {
  const plans = shallowRef<readonly PlanEntry[]>([])
  onMounted(async () => {
    plans.value = await planApi.list().catch(() => [])
  })
  return plans
}
