import { computed } from 'vue'
import type { PoolChoices } from '~~/core/drives/poolOf'
import { ailingOf } from '~~/core/drives/ailing'
import { allOf } from '~~/core/calibration/heldTrials'
import type { Choices } from '~~/core/plan/choices'
import { usePlanStore } from '~/stores/planStore'

/** The plan's choices with what else a pool follows from: hours that somebody watches, links. */
export function usePoolChoices() {
  const store = usePlanStore()
  return computed((): (Choices & PoolChoices) | null =>
    store.plan
      ? {
          ...store.plan.choices,
          watchedHoursPerDay: store.assessment?.domains.household.watched.perDay ?? 0,
          ailing: ailingOf(store.plan.drives),
          rebuilds: allOf(store.plan.calibration, 'rebuildHours'),
          sharedLinks: store.assessment?.domains.hanging.sharedLinks ?? [],
        }
      : null,
  )
}
