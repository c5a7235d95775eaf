<script setup lang="ts">
import { computed } from 'vue'
import { useRunBook } from '~/composables/useRunBook'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import CalendarSheet from './CalendarSheet.vue'
import FillSheet from './FillSheet.vue'
import RegisterSheet from './RegisterSheet.vue'

/** What is copied in which order, which copies were tried, and what has to be done when. */
const store = usePlanStore()
const { progress } = useRunBook()
const restore = computed(
  () => progress.value.steps.find(({ step }) => step.id === 'copies.restore') ?? null,
)
const sentence = computed(() => {
  if (!restore.value)
    return 'The plan has no copy: whatever is erased or stolen is gone. Plan one first.'
  const { entry } = restore.value
  return entry?.state === 'done'
    ? `A restore was tried on ${entry.day || 'a day that nobody wrote down'}.`
    : 'No restore was tried yet. Until then the sources stay untouched: only what was restored ' +
        'is a backup.'
})
</script>

<template>
  <div class="fill" data-fill>
    <FillSheet />
    <section class="sheet">
      <h2>Copies</h2>
      <p data-restore-sentence>{{ sentence }}</p>
      <p class="small">
        <NuxtLink :to="viewAddress(store.id ?? '', 'drives', 'backup')">The backup plan</NuxtLink>
        <template v-if="restore">
          ·
          <NuxtLink
            :to="{
              path: viewAddress(store.id ?? '', 'commissioning'),
              query: { step: 'copies.restore' },
            }"
            >The restore test in the run-book</NuxtLink
          >
        </template>
      </p>
    </section>
    <CalendarSheet />
    <RegisterSheet />
  </div>
</template>

<style scoped>
.fill {
  display: grid;
  gap: 16px;
  min-width: 0;
}
.fill > * {
  min-width: 0;
}
</style>
