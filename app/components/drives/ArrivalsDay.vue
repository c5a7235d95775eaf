<script setup lang="ts">
import { computed } from 'vue'
import { scaleLinear } from 'd3-scale'
import type { ArrivalRun } from '~~/core/drives/fast/arrivals'
import { arrivalLinks } from '~~/core/plan/fastStorage'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { useFormat } from '~/composables/useFormat'
import { usePictureDrag, type Point } from '~/composables/usePictureDrag'
import { usePlanStore } from '~/stores/planStore'

/** Who brings data at which hours of a day; bars are dragged along the day. */
const props = defineProps<{
  runs: readonly ArrivalRun[]
  watching: { readonly from: number; readonly to: number } | null
}>()
const picked = defineModel<number | null>('picked', { default: null })
const store = usePlanStore()
const { number, quantity } = useFormat()
const lane = 40
const margin = { left: 12, right: 12, top: 22, bottom: 24 }
const height = computed(() => margin.top + margin.bottom + Math.max(1, props.runs.length) * lane)
let drawnWidth = 640
function xOf(width: number) {
  drawnWidth = width
  return scaleLinear([0, 1440], [margin.left, width - margin.right])
}
const quarter = 15
function setFrom(index: number, minutes: number): void {
  const from = (((Math.round(minutes / quarter) * quarter) % 1440) + 1440) % 1440
  if (props.runs[index]?.from !== from) store.edit(`drives.arrivals.${index}.from`, from)
}
const { begin, follow, release } = usePictureDrag<{
  readonly index: number
  readonly from: number
}>({
  move: ({ index, from }, to: Point, start: Point) =>
    setFrom(index, from + (xOf(drawnWidth).invert(to.x) - xOf(drawnWidth).invert(start.x))),
  end: ({ index }) => (picked.value = index),
})
function onKey(event: KeyboardEvent, index: number): void {
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  if (step) {
    event.preventDefault()
    setFrom(index, props.runs[index]!.from + step * (event.shiftKey ? 60 : quarter))
  } else if (event.key === 'Enter') {
    event.preventDefault()
    picked.value = index
  }
}
/** A span of the day as one or two stretches. */
function stretches(
  from: number,
  minutes: number,
): { readonly from: number; readonly to: number }[] {
  const end = from + Math.min(1440, minutes)
  return end <= 1440
    ? [{ from, to: end }]
    : [
        { from, to: 1440 },
        { from: 0, to: end - 1440 },
      ]
}
const clock = (minutes: number) =>
  `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(Math.round(minutes) % 60).padStart(2, '0')}`
const nameOf = ({ arrival }: ArrivalRun, index: number) => arrival.name || `Arrival ${index + 1}`
const rateText = (run: ArrivalRun) =>
  !Number.isFinite(run.neededMbps + run.neededOutMbps)
    ? 'has no hour in which nobody watches'
    : `needs ${quantity(run.neededMbps, 'Mb/s')}, can have ${number(run.possibleMbps, 3)}` +
      `${run.neededOutMbps > 0 ? `; to fetch, ${quantity(run.neededOutMbps, 'Mb/s')} of ${number(run.possibleOutMbps, 3)}` : ''}` +
      `${run.inTime ? '' : ': not done in time'}`
const rows = computed(() =>
  props.runs.map((run, index) => [
    nameOf(run, index),
    clock(run.from),
    quantity(run.arrival.hours, 'h'),
    arrivalLinks[run.arrival.link],
    quantity(run.arrival.gbPerDay, 'GB'),
    rateText(run),
  ]),
)
</script>

<template>
  <ChartFrame
    title="Who brings data, and when"
    :columns="['Arrival', 'From', 'Within', 'Over', 'A day', 'Rate']"
    :rows="rows"
  >
    <template #default="{ width }">
      <p v-if="!runs.length" class="soft">
        Nobody brings data yet: add phones, backups, a ripping bench or a pull from a store below.
      </p>
      <svg
        v-for="x in runs.length ? [xOf(width)] : []"
        :key="x(1)"
        :width="width"
        :height="height"
        :viewBox="`0 0 ${width} ${height}`"
        role="group"
        aria-label="Arrivals over the hours of a day"
        @pointermove="follow"
        @pointerup="release"
        @pointercancel="release"
      >
        <template v-if="watching">
          <rect
            v-for="stretch in stretches(
              watching.from,
              (watching.to - watching.from + 1440) % 1440 || 1440,
            )"
            :key="stretch.from"
            :x="x(stretch.from)"
            :width="x(stretch.to) - x(stretch.from)"
            :y="margin.top"
            :height="height - margin.top - margin.bottom"
            class="watching"
          />
          <text :x="Math.min(width - 90, x(watching.from) + 4)" y="15" class="soft">
            household watches
          </text>
        </template>
        <g v-for="hour in [0, 6, 12, 18, 24]" :key="hour">
          <line
            :x1="x(hour * 60)"
            :x2="x(hour * 60)"
            :y1="margin.top"
            :y2="height - margin.bottom"
            class="grid"
          />
          <text
            :x="x(hour * 60)"
            :y="height - 7"
            :text-anchor="hour === 0 ? 'start' : hour === 24 ? 'end' : 'middle'"
            class="soft"
          >
            {{ String(hour).padStart(2, '0') }}:00
          </text>
        </g>
        <g
          v-for="(run, index) in runs"
          :key="index"
          class="run"
          :class="{ late: !run.inTime, picked: picked === index }"
          role="slider"
          tabindex="0"
          :data-arrival="index"
          :aria-label="`${nameOf(run, index)}: ${rateText(run)}`"
          aria-valuemin="0"
          aria-valuemax="1440"
          :aria-valuenow="run.from"
          :aria-valuetext="clock(run.from)"
          @pointerdown="begin($event, { index, from: run.from })"
          @keydown="onKey($event, index)"
        >
          <rect
            v-for="stretch in stretches(run.from, run.arrival.hours * 60)"
            :key="`w${stretch.from}`"
            :x="x(stretch.from)"
            :width="Math.max(3, x(stretch.to) - x(stretch.from))"
            :y="margin.top + index * lane + 20"
            height="14"
            class="window"
          />
          <rect
            v-for="stretch in stretches(run.from, run.minutes)"
            :key="`b${stretch.from}`"
            :x="x(stretch.from)"
            :width="Math.max(3, x(stretch.to) - x(stretch.from))"
            :y="margin.top + index * lane + 20"
            height="14"
            class="busy"
          />
          <text :x="margin.left + 2" :y="margin.top + index * lane + 14">
            {{ nameOf(run, index) }}, {{ quantity(run.arrival.gbPerDay, 'GB') }}:
            {{ rateText(run) }}
          </text>
        </g>
      </svg>
      <p v-if="runs.length" class="soft small">
        Outlined: the hours it has; filled: the time it takes. Drag a bar along the day, or use the
        arrow keys.
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
svg {
  display: block;
  max-width: 100%;
  touch-action: pan-y;
}
.grid {
  stroke: rgb(var(--v-theme-hairline));
}
.watching {
  fill: rgba(var(--v-theme-state-tight), 0.14);
}
.run {
  cursor: ew-resize;
}
.window {
  fill: rgb(var(--v-theme-surface));
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 1.2;
}
.busy {
  fill: rgb(var(--v-theme-water));
  stroke: rgb(var(--v-theme-wall));
}
.late .busy {
  fill: rgba(var(--v-theme-state-short), 0.55);
}
.late text {
  fill: rgb(var(--v-theme-state-short));
}
.picked .window {
  stroke-width: 2.4;
  stroke: rgb(var(--v-theme-primary));
}
svg text {
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 3px;
  stroke-linejoin: round;
}
</style>
