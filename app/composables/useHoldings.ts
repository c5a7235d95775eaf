import { computed } from 'vue'
import { usePlanStore } from '~/stores/planStore'

/** The plan's holdings, with adding and removing. */
export function useHoldings() {
  const store = usePlanStore()
  const holdings = computed(() => store.plan?.library.holdings ?? [])
  function add(): void {
    store.edit('library.holdings', [...holdings.value, { name: '', quality: 'hd1080-h264', titles: 0, minutes: 110, addedPerMonth: 0, bitrateMbps: null }])
  }
  function remove(index: number): void {
    store.edit('library.holdings', holdings.value.filter((_, other) => other !== index))
  }
  return { holdings, add, remove }
}
