<script setup lang="ts">
import { computed } from 'vue'
import { estimateOf } from '~~/core/figure'
import { tebibytes } from '~~/core/units/dataSize'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'

/** A computed figure; pressed, it shows its working. */
const props = defineProps<{
  id: string
  label?: string
  bare?: boolean
  /** name and value on one small line */ inline?: boolean
}>()

const store = usePlanStore()
const working = useWorkingStore()
const { quantity, range, number } = useFormat()

const figure = computed(() => store.assessment?.figures[props.id] ?? null)
const name = computed(() => props.label ?? figure.value?.label ?? '')
const likely = computed(() =>
  figure.value?.value == null ? '–' : quantity(figure.value.value, figure.value.unit),
)
// Drives are sold in decimal terabytes and shown in binary ones by most systems: both stand beside
// each other.
const binary = computed(() =>
  figure.value?.unit === 'TB' && figure.value.value !== null && figure.value.value > 0
    ? `${number(tebibytes(figure.value.value), 3)}\u00A0TiB`
    : '',
)
const band = computed(() => {
  const estimate = figure.value && estimateOf(figure.value)
  return estimate && estimate.low !== estimate.high ? range(estimate, figure.value!.unit) : ''
})
</script>

<template>
  <button
    v-if="figure"
    type="button"
    class="figure-value"
    :class="{ bare, inline }"
    :data-figure="id"
    :aria-label="`${name}: ${likely}. Show working`"
    @click="working.show(id)"
  >
    <span v-if="!bare" class="name">{{ name }}</span>
    <span class="value">{{ likely }}</span>
    <span v-if="band && !bare && !inline" class="band">{{ band }}</span>
    <span v-if="binary && !bare && !inline" class="band">{{ binary }}</span>
  </button>
</template>

<style scoped>
.figure-value {
  display: inline-flex;
  flex-direction: column;
  align-items: flex-start;
  background: none;
  border: 0;
  padding: 2px 0;
  font: inherit;
  color: inherit;
  cursor: pointer;
  text-align: left;
  font-variant-numeric: tabular-nums;
}
.name {
  font-size: 0.8rem;
  color: rgb(var(--v-theme-ink-soft));
}
.value {
  font-size: 1.12rem;
  font-weight: 600;
  text-decoration: underline dotted rgb(var(--v-theme-primary)) 1.5px;
  text-underline-offset: 4px;
}
.inline {
  flex-direction: row;
  gap: 6px;
  align-items: center;
  padding: 0;
  min-height: 26px;
}
.inline .value {
  font-size: 0.86rem;
}
.bare {
  padding: 0;
}
.bare .value {
  font-size: inherit;
}
.band {
  font-size: 0.78rem;
  color: rgb(var(--v-theme-ink-soft));
  margin-top: 2px;
}
.figure-value:hover .value {
  color: rgb(var(--v-theme-primary));
}
</style>
