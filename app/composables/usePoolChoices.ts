import { computed } from 'vue'
import type { PoolChoices } from '~~/core/drives/poolOf'
import type { Choices } from '~~/core/plan/choices'
import { usePlanStore } from '~/stores/planStore'

/** The plan's choices with the hours that somebody watches, which may follow from the habits. */
export function usePoolChoices() {
  const store = usePlanStore()
  return computed((): (Choices & PoolChoices) | null =>
    store.plan
      ? {
          ...store.plan.choices,
          watchedHoursPerDay: store.assessment?.domains.household.watched.perDay ?? 0,
        }
      : null,
  )
}
