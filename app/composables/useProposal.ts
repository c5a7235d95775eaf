import { onBeforeUnmount } from 'vue'
import type { Plan } from '~~/core/plan/planSchema'
import { usePlanStore } from '~/stores/planStore'

/**
 * A changed plan that is looked at on the headroom line, and taken over; what is looked at is let
 * go with its section.
 */
export function useProposal() {
  const store = usePlanStore()
  function look(plan: Plan | null): void {
    store.tried = plan
  }
  function apply(plan: Plan | null): void {
    look(null)
    if (plan && store.plan) store.replace(plan)
  }
  onBeforeUnmount(() => look(null))
  return { look, apply }
}
