<script setup lang="ts">
import type { ChartBox } from './chartBox'

/** Where the library outgrows the room. */
defineProps<{
  x: number
  y: number
  month: number
  box: ChartBox
  /** px from the mark down to its words */ below: number
}>()
</script>

<template>
  <g data-full-marker>
    <circle :cx="x" :cy="y" r="5" class="full" />
    <text
      :x="Math.max(box.left + 4, Math.min(box.right - 114, x + 10))"
      :y="y + below"
      class="full-label"
    >
      {{ month === 0 ? 'does not fit today' : `full in month ${month}` }}
    </text>
  </g>
</template>

<style scoped>
.full {
  fill: rgb(var(--v-theme-state-short));
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 2;
}
.full-label {
  fill: rgb(var(--v-theme-state-short));
  font-weight: 600;
}
</style>
