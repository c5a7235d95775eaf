import { computed } from 'vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** Hours of a day that stand in empty fields, written out. */
export function useHoursByHabits() {
  const store = usePlanStore()
  const { number } = useFormat()
  const text = (hours: number | undefined) => (hours === undefined ? '' : number(hours, 2))
  return computed(() => ({
    converting: text(store.assessment?.domains.day.converting.perDay),
    watching: text(store.assessment?.domains.household.watched.perDay),
  }))
}
