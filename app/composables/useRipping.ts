import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { isFromDisc } from '~~/core/catalogue/qualities'
import type { Ripping } from '~~/core/network/firstFill'
import { usePlanStore } from '~/stores/planStore'

const onDisc = new Set(catalogue.qualities.filter(isFromDisc).map(({ id }) => id))

/** What ripping the discs takes; their number follows from the library where it is left out. */
export function useRipping() {
  const store = usePlanStore()
  return computed((): Ripping | null => {
    const { plan } = store
    if (!plan) return null
    const { ripDiscs, ripMinutes, ripDrives, ripHoursPerDay } = plan.network
    return {
      discs:
        ripDiscs ??
        plan.library.holdings.reduce(
          (sum, { quality, titles }) => (onDisc.has(quality) ? sum + titles : sum),
          0,
        ),
      minutesEach: ripMinutes,
      drives: ripDrives,
      hoursPerDay: ripHoursPerDay,
    }
  })
}
