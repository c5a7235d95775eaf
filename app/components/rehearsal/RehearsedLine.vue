<script setup lang="ts">
import { computed } from 'vue'
import { manySentence } from '~~/core/rehearsal/many/manyWords'
import { blameName } from '~~/core/rehearsal/picture/names'
import { asUsual } from '~~/core/rehearsal/whatIf/whatIf'
import { useBackground } from '~/composables/useBackground'
import { setupSliceOf } from '~/composables/runBookOf'
import { useFormat } from '~/composables/useFormat'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** What rehearsed evenings came to, and whether that still holds for the plan. */
const store = usePlanStore()
const { format } = useFormat()
const kept = computed(() => store.plan?.rehearsal ?? null)
const isRun = computed(() => (kept.value?.evenings ?? 0) > 0)
const { result: mark } = useBackground(
  'rehearse',
  () => (isRun.value && store.plan ? { plan: store.plan, seed: '', whatIf: asUsual } : null),
  (work, ask) => work.rehearsalMark(ask),
  600,
)
const isStale = computed(() => mark.value !== null && mark.value !== kept.value?.mark)
const sentence = computed(() => {
  const { plan, assessment } = store
  if (!plan || !assessment || !kept.value) return ''
  const slice = { ...setupSliceOf(plan, assessment), facts: assessment.domains }
  const nameOf = (blame: string) => blameName(blame, slice)
  return manySentence(kept.value, { nameOf, format: format.value })
})
</script>

<template>
  <p v-if="isRun" class="rehearsed small" data-rehearsed>
    <strong>Rehearsed{{ isStale ? ', before the plan changed' : '' }}:</strong> {{ sentence }}
    <NuxtLink :to="viewAddress(store.id ?? '', 'rehearsal', 'thousands')">{{
      isStale ? 'Rehearse it again' : 'How it came about'
    }}</NuxtLink>
  </p>
</template>

<style scoped>
.rehearsed {
  margin-top: 8px;
}
a {
  color: rgb(var(--v-theme-primary));
}
</style>
