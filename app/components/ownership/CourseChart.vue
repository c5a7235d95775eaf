<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed, ref } from 'vue'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { chartBox, ticksOf } from '~/components/charts/chartBox'
import ChartScales from '~/components/charts/ChartScales.vue'
import { useFormat } from '~/composables/useFormat'
import { courseMargin, coursePicture, type Course } from './courseLayout'

/** Lines of money over the years, with their crossings; a month that is pressed is told. */
const props = defineProps<{ title: string; courses: readonly Course[]; month?: number | null }>()
const emit = defineEmits<{ month: [month: number] }>()
const { money, number } = useFormat()
const height = 320
const picture = (width: number) => coursePicture(props.courses, { width, height })
const usual = computed(() => picture(700))
const months = computed(() => Math.max(1, ...props.courses.map(({ sums }) => sums.length - 1)))
const rows = computed(() =>
  usual.value.yearTicks.map(month => [
    `Year ${month / 12}`,
    ...props.courses.map(({ sums }) => (sums[month] == null ? '–' : money(sums[month]))),
  ]),
)
const hovered = ref<number | null>(null)
function monthAt(event: PointerEvent, width: number): number {
  const svg = event.currentTarget as SVGSVGElement
  const box = svg.getBoundingClientRect()
  return Math.max(
    0,
    Math.min(
      months.value,
      Math.round(picture(width).x.invert(((event.clientX - box.left) / (box.width || 1)) * width)),
    ),
  )
}
const shownMonth = computed(() => hovered.value ?? props.month ?? null)
function onKey(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageUp: 12, PageDown: -12 }[
    event.key
  ]
  if (by === undefined) return
  event.preventDefault()
  emit('month', Math.max(0, Math.min(months.value, (props.month ?? 0) + by)))
}
</script>

<template>
  <ChartFrame :title="title" :columns="['When', ...courses.map(({ label }) => label)]" :rows="rows">
    <template #default="{ width }">
      <svg
        :viewBox="`0 0 ${width} ${height}`"
        width="100%"
        :height="height"
        role="slider"
        tabindex="0"
        :aria-label="`${title}: month`"
        aria-valuemin="0"
        :aria-valuemax="months"
        :aria-valuenow="month ?? 0"
        :aria-valuetext="`Month ${month ?? 0}: ${courses.map(({ label, sums }) => `${label} ${sums[month ?? 0] == null ? 'nothing' : money(sums[month ?? 0]!)}`).join(', ')}`"
        @pointermove="hovered = monthAt($event, width)"
        @pointerleave="hovered = null"
        @click="emit('month', monthAt($event as PointerEvent, width))"
        @keydown="onKey"
      >
        <ChartScales
          :box="chartBox({ width, height }, courseMargin)"
          :up="ticksOf(picture(width).moneyTicks, picture(width).y, tick => money(tick))"
          :across="ticksOf(picture(width).yearTicks, picture(width).x, month => String(month / 12))"
        />
        <path
          v-for="(course, at) in picture(width).paths"
          :key="course.id"
          :d="course.path"
          class="course"
          :class="[`line-${at % 5}`, { short: courses[at]?.isShort }]"
          :data-course="course.id"
        />
        <g
          v-for="crossing in picture(width).crossings"
          :key="`${crossing.one} ${crossing.other} ${crossing.month}`"
          data-crossing
        >
          <circle
            :cx="picture(width).x(crossing.month)"
            :cy="picture(width).y(crossing.sum)"
            r="6"
            class="crossing"
          >
            <title>{{ number(crossing.month / 12, 3) }} years</title>
          </circle>
          <text :x="picture(width).x(crossing.month) + 8" :y="picture(width).y(crossing.sum) + 18">
            {{ number(crossing.month / 12, 2) }} years
          </text>
        </g>
        <line
          v-if="shownMonth !== null"
          :x1="picture(width).x(shownMonth)"
          :x2="picture(width).x(shownMonth)"
          :y1="courseMargin.top"
          :y2="height - courseMargin.bottom"
          class="now"
        />
      </svg>
      <ul class="legend">
        <li v-for="(course, at) in courses" :key="course.id">
          <svg width="26" height="10" aria-hidden="true">
            <line
              x1="1"
              x2="25"
              y1="5"
              y2="5"
              class="course"
              :class="[`line-${at % 5}`, { short: course.isShort }]"
            />
          </svg>
          {{ course.label }}{{ course.isShort ? ', falls short' : ''
          }}<span v-if="shownMonth !== null" class="soft"
            >:
            {{
              course.sums[shownMonth] == null
                ? 'none that is large enough'
                : money(course.sums[shownMonth]!)
            }}</span
          >
        </li>
        <li v-if="shownMonth !== null" class="soft">after {{ counted(shownMonth, 'month') }}</li>
      </ul>
    </template>
    <template #below>
      <slot />
    </template>
  </ChartFrame>
</template>

<style scoped>
svg {
  cursor: crosshair;
  touch-action: pan-y;
}
.course {
  fill: none;
  stroke-width: 2.5;
  stroke: rgb(var(--v-theme-primary));
}
.line-1 {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-dasharray: 7 4;
}
.line-2 {
  stroke: rgb(var(--v-theme-state-tight));
  stroke-dasharray: 2 3;
}
.line-3 {
  stroke: rgb(var(--v-theme-state-short));
  stroke-dasharray: 9 3 2 3;
}
.line-4 {
  stroke: rgb(var(--v-theme-ink-soft));
}
.course.short {
  stroke-dasharray: 1 9;
  stroke-linecap: round;
  stroke-width: 3;
}
.crossing {
  fill: rgb(var(--v-theme-surface));
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 2.5;
}
text {
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 3px;
}
.now {
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-dasharray: 2 3;
}
.legend {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  font-size: 0.86rem;
  min-height: 24px;
}
</style>
