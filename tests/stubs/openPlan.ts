import { createPinia, setActivePinia } from 'pinia'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { planSchema, type PlanInput } from '~~/core/plan/planSchema'
import { usePlanStore } from '~/stores/planStore'

/** A fresh store with the demo household open, or that with other sections. */
export function openDemo(changes: Partial<PlanInput> = {}) {
  setActivePinia(createPinia())
  const store = usePlanStore()
  store.plan = planSchema.parse({ ...tideMillHouse, ...changes })
  return store
}
