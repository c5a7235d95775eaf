<script setup lang="ts">
import { computed } from 'vue'
import type { Estimate } from '~~/core/figure'
import type { FittedGrowth, SpaceReading } from '~~/core/logbook/growth'
import { monthAfter } from '~~/core/units/time'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { useFormat } from '~/composables/useFormat'
import { driftLayout } from './driftLayout'

/** Used space against its forecast, and where growth as it was read leads. */
const props = defineProps<{
  forecast: readonly Estimate[]
  readings: readonly SpaceReading[]
  growth: FittedGrowth | null
  room: readonly number[] | null
  from: string
  below: string
}>()
const { number } = useFormat()
const height = 230
const layoutFor = (width: number) =>
  driftLayout({ ...props, box: { left: 40, right: width - 14, top: 10, bottom: height - 24 } })
const rows = computed(() =>
  [...props.readings]
    .sort((a, b) => (a.day < b.day ? 1 : -1))
    .map(({ day, usedTB, onceTB }) => [
      day,
      number(usedTB, 4),
      onceTB > 0 ? number(onceTB, 3) : '–',
    ]),
)
const month = (at: number) => monthAfter(props.from.slice(0, 7), at)
</script>

<template>
  <ChartFrame
    title="Used space against its forecast, TB"
    :columns="['Day', 'Used, TB', 'Once, TB']"
    :rows="rows"
  >
    <template #default="{ width }">
      <svg
        :viewBox="`0 0 ${width} ${height}`"
        :width="width"
        :height="height"
        role="img"
        :aria-label="below || 'The forecast, without any reading yet.'"
      >
        <g v-for="tick in layoutFor(width).yTicks" :key="`y${tick}`" class="axis">
          <line
            x1="40"
            :x2="width - 14"
            :y1="layoutFor(width).y(tick)"
            :y2="layoutFor(width).y(tick)"
          />
          <text x="34" :y="layoutFor(width).y(tick) + 4" text-anchor="end">{{ tick }}</text>
        </g>
        <text
          v-for="tick in layoutFor(width).xTicks"
          :key="`x${tick}`"
          :x="layoutFor(width).x(tick)"
          :y="height - 6"
          :text-anchor="layoutFor(width).x(tick) > width - 50 ? 'end' : 'middle'"
        >
          {{ month(tick) }}
        </text>
        <path :d="layoutFor(width).bandPath" class="band" />
        <path :d="layoutFor(width).linePath" class="line" />
        <path :d="layoutFor(width).fittedBand" class="fitted-band" />
        <path :d="layoutFor(width).fittedLine" class="fitted" />
        <path :d="layoutFor(width).roomPath" class="room" />
        <circle
          v-for="point in layoutFor(width).points"
          :key="point.reading.day"
          :cx="point.x"
          :cy="point.y"
          r="4.5"
          class="reading"
        >
          <title>{{ point.reading.day }}: {{ number(point.reading.usedTB, 4) }} TB</title>
        </circle>
      </svg>
    </template>
    <template #below>
      <p class="small">
        {{
          below ||
          'Write down the used space once a month: with two months the growth is fitted anew.'
        }}
      </p>
      <p class="soft small legend">
        <span class="key band" /> forecast <span class="key fitted" /> growth as read
        <span class="key room" /> room <span class="key dot" /> a reading
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
svg {
  display: block;
}
text {
  font-size: 12px;
  fill: rgb(var(--v-theme-ink-soft));
}
.axis line {
  stroke: rgba(var(--v-theme-hairline), 0.7);
}
.band {
  fill: rgba(var(--v-theme-water), 0.35);
}
.line {
  fill: none;
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
.fitted-band {
  fill: rgba(var(--v-theme-state-tight), 0.16);
}
.fitted {
  fill: none;
  stroke: rgb(var(--v-theme-state-tight));
  stroke-width: 2;
}
.room {
  fill: none;
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 2.5;
}
.reading {
  fill: rgb(var(--v-theme-water-line));
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
}
.key {
  display: inline-block;
  width: 18px;
  height: 10px;
  margin-left: 8px;
}
span.key.band {
  background: rgba(var(--v-theme-water), 0.5);
}
span.key.fitted {
  height: 3px;
  background: rgb(var(--v-theme-state-tight));
}
span.key.room {
  height: 3px;
  background: rgb(var(--v-theme-wall));
}
span.key.dot {
  width: 10px;
  border-radius: 50%;
  background: rgb(var(--v-theme-water-line));
}
</style>
