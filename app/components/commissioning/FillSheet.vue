<script setup lang="ts">
import { computed } from 'vue'
import { fillOrder, type FillStep } from '~~/core/commissioning/fill/fillOrder'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { setupSliceOf } from '~/composables/runBookOf'
import { useFormat } from '~/composables/useFormat'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** In which order the library is copied, and how long each part of it takes. */
const store = usePlanStore()
const { hours, quantity } = useFormat()
const steps = computed((): FillStep[] => {
  const { plan, assessment } = store
  if (!plan || !assessment) return []
  return fillOrder(setupSliceOf(plan, assessment))
})
const words = {
  irreplaceable: 'irreplaceable: compared at once',
  watched: 'watched most for its size',
  notWatched: 'nobody waits for it',
  backups: 'backups of computers last',
} as const
/** Where each begins and ends, in hours: what is irreplaceable is compared before the next. */
const timed = computed(() => {
  let at = 0
  return steps.value.map(step => {
    const from = at
    const compared = step.isIrreplaceable ? (step.compareHours ?? 0) : 0
    at += (step.copyHours ?? 0) + compared
    return { ...step, from, compared, to: at }
  })
})
const all = computed(() => timed.value.at(-1)?.to ?? 0)
const compareAll = computed(() =>
  steps.value.reduce((sum, { compareHours }) => sum + (compareHours ?? 0), 0),
)
const isNever = computed(() => steps.value.some(({ copyHours }) => copyHours === null))
const rows = computed(() =>
  timed.value.map(({ name, sizeTB, copyHours, why }) => [
    name,
    quantity(sizeTB, 'TB'),
    copyHours === null ? 'never' : hours(copyHours),
    words[why],
  ]),
)
const share = (value: number) => `${all.value > 0 ? (100 * value) / all.value : 0}%`
</script>

<template>
  <ChartFrame title="First fill" :columns="['Holding', 'Size', 'Copying', 'Why here']" :rows="rows">
    <template #default>
      <p v-if="steps.length === 0" class="soft">There is nothing to copy yet.</p>
      <p v-else-if="isNever" class="soft">
        Nothing copies yet: without drives or a link there is no rate.
      </p>
      <template v-else>
        <p class="sentence" data-fill-sentence>
          {{ hours(all) }} of copying over the home network, then {{ hours(compareAll) }} to compare
          everything.
        </p>
        <ol class="order">
          <li v-for="step in timed" :key="step.name" :data-fill-step="step.name">
            <span class="name">{{ step.name }}</span>
            <span class="track">
              <span class="before" :style="{ width: share(step.from) }" />
              <span class="copy" :style="{ width: share(step.copyHours ?? 0) }" />
              <span class="compare" :style="{ width: share(step.compared) }" />
            </span>
            <span class="soft small">
              {{ quantity(step.sizeTB, 'TB') }}, {{ hours(step.copyHours ?? 0) }},
              {{ words[step.why] }}
            </span>
          </li>
        </ol>
      </template>
    </template>
    <template #below>
      <p class="soft small">
        Verify in three steps: number of files, sum of bytes, then a checksum of every file; a list
        of differences names each file that is missing, extra, of another size or another content.
        Many systems show no files in their own page: compare through the share or on the machine.
        The source stays untouched until a restore was tried.
        <NuxtLink :to="viewAddress(store.id ?? '', 'network', 'fill')">Ways to copy</NuxtLink>
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
.sentence {
  margin: 2px 0 10px;
}
.order {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 6px;
}
.order li {
  display: grid;
  grid-template-columns: 180px minmax(120px, 1fr) minmax(0, 1fr);
  gap: 12px;
  align-items: center;
}
.name {
  font-weight: 600;
  font-size: 0.88rem;
}
.track {
  display: flex;
  height: 14px;
  background: rgba(var(--v-theme-ink-soft), 0.08);
}
.copy {
  background: rgb(var(--v-theme-primary));
  min-width: 2px;
}
.compare {
  background: repeating-linear-gradient(
    90deg,
    rgb(var(--v-theme-primary)) 0 2px,
    rgba(var(--v-theme-primary), 0.2) 2px 5px
  );
}
@media (max-width: 760px) {
  .order li {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }
}
</style>
