import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { asUsual, type WhatIf } from '~~/core/rehearsal/whatIf/whatIf'
import type { RehearsalAsk } from '~/services/rehearsalWork'
import { usePlanStore } from './planStore'

/** Which evenings are rehearsed, and under what conditions: the same for all its sections. */
export const useRehearsalStore = defineStore('rehearsal', () => {
  const plans = usePlanStore()
  /** any text; the same text gives the same evenings */
  const seed = ref('tide')
  const number = ref(0)
  const whatIf = shallowRef<WhatIf>(asUsual)
  const ask = computed((): RehearsalAsk | null =>
    plans.plan ? { plan: plans.plan, seed: seed.value, whatIf: whatIf.value } : null,
  )
  return { seed, number, whatIf, ask }
})
