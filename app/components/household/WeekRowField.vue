<script setup lang="ts">
import { computed } from 'vue'
import type { WeekLayout, WeekRow } from './weekLayout'

/** One row of the week: its days, and the load at home upwards, away downwards. */
const props = defineProps<{
  row: WeekRow
  x: WeekLayout['x']
  hours: WeekLayout['hours']
  /** left and right edge of its field */ from: number
  to: number
}>()
const emit = defineEmits<{ press: [event: PointerEvent]; toggle: [] }>()

/** Days that are alike are folded and unfolded at the first of them. */
const opens = computed(() => props.row.canOpen && props.row.day === props.row.group)
const asButton = computed(() =>
  opens.value
    ? {
        role: 'button',
        tabindex: 0,
        'aria-expanded': props.row.isOpen,
        'aria-label': `${props.row.label}: ${props.row.isOpen ? 'fold the days that are alike' : 'show each day'}`,
      }
    : {},
)
</script>

<template>
  <g>
    <rect
      :x="from"
      :y="row.y"
      :width="Math.max(0, to - from)"
      :height="row.height"
      class="field"
      :data-day="row.day"
      @pointerdown="emit('press', $event)"
    />
    <line
      v-for="hour in hours"
      :key="hour"
      :x1="x(hour)"
      :x2="x(hour)"
      :y1="row.y"
      :y2="row.y + row.height"
      class="grid"
    />
    <text
      :x="2"
      :y="row.y + 14"
      class="day"
      :class="{ opens }"
      v-bind="asButton"
      @click="opens && emit('toggle')"
      @keydown.enter.prevent="opens && emit('toggle')"
      @keydown.space.prevent="opens && emit('toggle')"
    >
      {{ opens ? (row.isOpen ? '▾' : '▸') : '' }}{{ row.label }}
    </text>
    <path :d="row.home" class="home" />
    <path :d="row.away" class="away" />
    <line :x1="from" :x2="to" :y1="row.baseline" :y2="row.baseline" class="axis" />
  </g>
</template>

<style scoped>
.field {
  fill: rgb(var(--v-theme-surface-light));
  opacity: 0.55;
  cursor: crosshair;
}
.grid {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 0.7;
  pointer-events: none;
}
.axis {
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-width: 0.8;
  pointer-events: none;
}
.day {
  font-weight: 600;
}
.opens {
  cursor: pointer;
}
.opens:hover {
  text-decoration: underline;
}
.home,
.away {
  pointer-events: none;
}
path.home {
  fill: rgb(var(--v-theme-water-line));
  opacity: 0.75;
}
path.away {
  fill: rgb(var(--v-theme-secondary));
  opacity: 0.75;
}
</style>
