import { computed } from 'vue'
import { usePlanStore } from '~/stores/planStore'

/** Whether what is irreplaceable has no copy away, and how a page that compares says so. */
export function useLacksCopy() {
  const store = usePlanStore()
  const lacksCopy = computed(() => {
    const state = store.assessment?.domains.drives.pool?.survival.copies?.state
    return state === 'short' || state === 'tight'
  })
  const besides = computed(() =>
    lacksCopy.value
      ? ' What is irreplaceable wants a copy away besides: see Backup plan under Drives.'
      : '',
  )
  return { lacksCopy, besides }
}
