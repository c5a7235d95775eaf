<script setup lang="ts">
import type { ChartBox, Tick } from './chartBox'

/** The scales of a chart: lines at the ticks upwards with their labels, labels of those across. */
withDefaults(
  defineProps<{
    box: ChartBox
    up?: readonly Tick[]
    across?: readonly Tick[]
    /** what stands across */ name?: string
  }>(),
  { up: () => [], across: () => [], name: '' },
)
</script>

<template>
  <g>
    <g v-for="tick in up" :key="`up${tick.at}`">
      <line :x1="box.left" :x2="box.right" :y1="tick.at" :y2="tick.at" class="grid" />
      <text :x="box.left - 8" :y="tick.at + 4" text-anchor="end" class="soft">{{
        tick.label
      }}</text>
    </g>
    <text
      v-for="tick in across"
      :key="`across${tick.at}`"
      :x="tick.at"
      :y="box.bottom + 18"
      text-anchor="middle"
      class="soft"
    >
      {{ tick.label }}
    </text>
    <text v-if="name" :x="box.right" :y="box.bottom + 34" text-anchor="end" class="soft">
      {{ name }}
    </text>
  </g>
</template>

<style scoped>
.grid {
  stroke: rgba(var(--v-theme-hairline), 0.8);
}
</style>
