<script setup lang="ts">
import { computed } from 'vue'
import type { Judged, Tolerance } from '~~/core/commissioning/signOff/measures'

/** What is in order as a filled stretch, what is worth a note hatched beside it, and the needle. */
const props = defineProps<{
  tolerance: Tolerance
  value: number | null
  judged: Judged | null
}>()
const scale = computed(() => {
  const { from, to, noteFrom, noteTo, planned } = props.tolerance
  const known = [from, to, noteFrom, noteTo, planned, props.value].filter(edge => edge !== null)
  const [low, high] = [Math.min(...known), Math.max(...known)]
  const room = Math.max((high - low) * 0.25, Math.abs(high) * 0.15, 1)
  return { low: low - room, high: high + room }
})
const at = (value: number | null, end: 'low' | 'high') => {
  const { low, high } = scale.value
  return (100 * ((value ?? scale.value[end]) - low)) / (high - low)
}
const stretch = (from: number | null, to: number | null) => ({
  left: `${at(from, 'low')}%`,
  width: `${at(to, 'high') - at(from, 'low')}%`,
})
</script>

<template>
  <span class="scale" aria-hidden="true">
    <span class="noted" :style="stretch(tolerance.noteFrom, tolerance.noteTo)" />
    <span class="fine" :style="stretch(tolerance.from, tolerance.to)" />
    <span
      v-if="tolerance.planned !== null"
      class="planned"
      :style="{ left: `${at(tolerance.planned, 'low')}%` }"
    />
    <span
      v-if="value !== null"
      class="needle"
      :class="judged"
      :style="{ left: `${at(value, 'low')}%` }"
    />
  </span>
</template>

<style scoped>
.scale {
  position: relative;
  display: block;
  height: 18px;
  background: rgba(var(--v-theme-ink-soft), 0.08);
}
.scale span {
  position: absolute;
  top: 0;
  bottom: 0;
}
.noted {
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-primary), 0.35) 0 2px,
    transparent 2px 6px
  );
}
/* Nothing of the hatching beneath shows through. */
.fine {
  background:
    linear-gradient(rgba(var(--v-theme-primary), 0.35), rgba(var(--v-theme-primary), 0.35)),
    rgb(var(--v-theme-surface));
}
.scale .planned {
  width: 1px;
  background: rgb(var(--v-theme-ink-soft));
}
.scale .needle {
  width: 5px;
  margin-left: -2.5px;
  top: -3px;
  bottom: -3px;
  background: rgb(var(--v-theme-ink, var(--v-theme-on-surface)));
}
.scale .needle.otherwise {
  background: rgb(var(--v-theme-state-short));
}
</style>
