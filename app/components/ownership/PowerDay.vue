<script setup lang="ts">
import { computed } from 'vue'
import FigureValue from '~/components/common/FigureValue.vue'
import { fieldElementId } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { usePictureHandle } from '~/composables/usePictureHandle'
import { usePlanStore } from '~/stores/planStore'

/** Power over a day: watts over 24 hours; the edge of the converting hours can be dragged. */
const store = usePlanStore()
const { number } = useFormat()
const size = { width: 480, height: 170, left: 40, right: 12, top: 16, bottom: 30 }
const idle = computed(() => store.assessment?.figures['machine.idleW']?.value ?? 0)
const load = computed(() => store.assessment?.figures['machine.loadW']?.value ?? 0)
const hours = computed(() => store.plan?.choices.convertingHoursPerDay ?? 0)
const top = computed(() => Math.max(load.value, idle.value, 1) * 1.15)
const x = (hour: number) => size.left + (hour / 24) * (size.width - size.left - size.right)
const y = (watts: number) =>
  size.height - size.bottom - (watts / top.value) * (size.height - size.top - size.bottom)

const { handle, follow, release } = usePictureHandle({
  value: () => hours.value,
  min: 0,
  max: 24,
  step: 0.5,
  coarse: 3,
  valueAt: point => ((point.x - size.left) / (size.width - size.left - size.right)) * 24,
  set: value => store.edit('choices.convertingHoursPerDay', value),
})
</script>

<template>
  <section :id="fieldElementId('choices.convertingHoursPerDay')" class="sheet">
    <h2>Power over a day</h2>
    <svg
      :viewBox="`0 0 ${size.width} ${size.height}`"
      role="group"
      aria-label="Watts over a day"
      @pointermove="follow"
      @pointerup="release"
    >
      <rect :x="x(0)" :y="y(load)" :width="x(hours) - x(0)" :height="y(0) - y(load)" class="busy" />
      <rect
        :x="x(hours)"
        :y="y(idle)"
        :width="x(24) - x(hours)"
        :height="y(0) - y(idle)"
        class="idle"
      />
      <line :x1="x(0)" :x2="x(24)" :y1="y(0)" :y2="y(0)" class="axis" />
      <text
        v-for="hour in [0, 6, 12, 18, 24]"
        :key="hour"
        :x="x(hour)"
        :y="size.height - 10"
        text-anchor="middle"
        class="soft"
      >
        {{ hour }} h
      </text>
      <text :x="x(24) - 6" :y="y(idle) - 6" text-anchor="end">idle {{ number(idle, 3) }} W</text>
      <text :x="hours < 12 ? x(hours) + 14 : x(0) + 6" :y="y(load) + 14">
        converting {{ number(load, 3) }} W
      </text>
      <g
        role="slider"
        tabindex="0"
        aria-label="Hours converting a day"
        aria-valuemin="0"
        aria-valuemax="24"
        :aria-valuenow="hours"
        class="edge"
        :aria-valuetext="`${number(hours, 3)} hours`"
        v-bind="handle"
      >
        <rect
          :x="x(hours) - 12"
          :y="size.top"
          width="24"
          :height="size.height - size.top - size.bottom"
          class="grip"
        />
        <line :x1="x(hours)" :x2="x(hours)" :y1="size.top" :y2="y(0)" />
        <path :d="`M${x(hours) - 3} ${y(0) - 14}l-6 5 6 5zm6 0l6 5-6 5z`" />
      </g>
    </svg>
    <p class="soft small">{{ number(hours, 3) }} hours converting, the rest idle.</p>
    <FigureValue id="ownership.kWhPerYear" inline />
  </section>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  max-width: 720px;
  touch-action: pan-y;
}
.busy {
  fill: rgb(var(--v-theme-water-line));
  opacity: 0.65;
}
.idle {
  fill: rgb(var(--v-theme-water));
  opacity: 0.45;
}
.axis {
  stroke: rgb(var(--v-theme-wall));
}
.edge {
  cursor: ew-resize;
}
.edge line {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
}
.edge path {
  fill: rgb(var(--v-theme-primary));
}
.grip {
  fill: transparent;
}
</style>
