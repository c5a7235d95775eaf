import { computed } from 'vue'
import { usePlanStore } from '~/stores/planStore'

/** The plan's holdings, with adding and removing. */
export function useHoldings() {
  const store = usePlanStore()
  const holdings = computed(() => store.plan?.library.holdings ?? [])
  /** The schema fills in the rest. */
  function add(): void {
    store.edit('library.holdings', [...holdings.value, { kind: 'film' }])
  }
  function remove(index: number): void {
    store.edit(
      'library.holdings',
      holdings.value.filter((_, other) => other !== index),
    )
  }
  return { holdings, add, remove }
}
