<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed, ref } from 'vue'
import { kindLabel } from '~~/core/library/tellLibrary'
import { monthAfter, monthsBetween } from '~~/core/units/time'
import { tebibytes } from '~~/core/units/dataSize'
import { useFormat } from '~/composables/useFormat'
import { pointIn } from '~/composables/usePictureDrag'
import { usePictureHandle } from '~/composables/usePictureHandle'
import { usePlanStore } from '~/stores/planStore'
import { chartBox, ticksOf } from './chartBox'
import ChartFrame from './ChartFrame.vue'
import ChartScales from './ChartScales.vue'
import FullMarker from './FullMarker.vue'
import { growthLayout } from './growthLayout'

const props = withDefaults(
  defineProps<{
    height?: number
    /** the kinds of content lie on each other */ stacked?: boolean
  }>(),
  { height: 300, stacked: false },
)
const store = usePlanStore()
const { number } = useFormat()
const margin = { left: 46, right: 16, top: 14, bottom: 34 }

const months = computed(() => store.assessment?.domains.library.forecast.months ?? [])
const room = computed(() => store.assessment?.figures['drives.roomTB']?.value ?? null)
const horizonYears = computed(() => store.plan?.choices.horizonYears ?? 5)
const full = computed(() => store.assessment?.domains.room.room?.monthFull.likely ?? null)
/** the room by month, where purchases are planned */
const rooms = computed(() => store.assessment?.domains.room.room?.roomByMonthTB ?? null)
const roomIn = (month: number) => rooms.value?.[month] ?? room.value
const kinds = computed(() => store.assessment?.domains.library.forecast.kinds)
const events = computed(() =>
  (store.plan?.library.events ?? []).map((event, index) => ({
    name: event.name || `Event ${index + 1}`,
    month: Math.max(0, monthsBetween(store.plan!.library.startsOn, event.month)),
    sizeGB: event.sizeGB,
  })),
)
const layoutFor = (width: number) =>
  growthLayout({
    months: months.value,
    ...(props.stacked && kinds.value ? { kinds: kinds.value } : {}),
    roomTB: room.value,
    ...(rooms.value ? { roomByMonthTB: rooms.value } : {}),
    horizonMonths: horizonYears.value * 12,
    width,
    height: props.height,
    margin,
  })

/** The room's name at the right end; at the left, where the horizon would cross it. */
function roomLabel({ x, y, months: last }: ReturnType<typeof layoutFor>, width: number) {
  const text = (month: number) => `room ${number(roomIn(month)!, 3)} TB`
  const right = width - margin.right
  const horizonX = x(Math.min(last, horizonYears.value * 12))
  const isCrossed = horizonX > right - text(last).length * 7.2 && horizonX <= right
  const month = isCrossed ? 0 : last
  return {
    text: text(month),
    x: isCrossed ? margin.left + 6 : right,
    y: y(roomIn(month)!) - 6,
    anchor: isCrossed ? ('start' as const) : ('end' as const),
  }
}

const read = ref<number | null>(null)
let drawnWidth = 640
function drawn(width: number) {
  drawnWidth = width
  return layoutFor(width)
}
const { handle, follow, release } = usePictureHandle({
  value: () => horizonYears.value,
  min: 1,
  max: 15,
  step: 1,
  coarse: 5,
  valueAt: ({ x }) => layoutFor(drawnWidth).x.invert(x) / 12,
  set: value => store.edit('choices.horizonYears', value),
})
function move(event: PointerEvent): void {
  follow(event)
  const layout = layoutFor(drawnWidth)
  read.value = Math.max(0, Math.min(layout.months, Math.round(layout.x.invert(pointIn(event).x))))
}
function readKey(event: KeyboardEvent, width: number): void {
  const step = { ArrowRight: 1, ArrowLeft: -1, PageUp: 12, PageDown: -12 }[event.key]
  if (!step || event.target !== event.currentTarget) return
  event.preventDefault()
  read.value = Math.max(0, Math.min(layoutFor(width).months, (read.value ?? 0) + step))
}
const readText = computed(() => {
  const estimate = read.value === null ? null : months.value[read.value]
  if (!estimate) return 'Hover over the chart or use the arrow keys to read a month.'
  return (
    `Month ${read.value} (${monthAfter(store.plan!.library.startsOn, read.value!)}): ` +
    `${number(estimate.likely, 3)} TB (${number(tebibytes(estimate.likely), 3)} TiB), ` +
    `${number(estimate.low, 3)} to ${number(estimate.high, 3)} TB`
  )
})
const rows = computed(() =>
  months.value
    .filter((_, month) => month % 6 === 0 && month <= Math.max(84, horizonYears.value * 12 + 24))
    .map((month, index) => [
      String(index * 6),
      number(month.low, 3),
      number(month.likely, 3),
      number(month.high, 3),
      room.value === null ? '–' : number(roomIn(index * 6)!, 3),
    ]),
)
</script>

<template>
  <ChartFrame
    title="Library and room, TB"
    :columns="['Month', 'Slow, TB', 'Likely, TB', 'Fast, TB', 'Room, TB']"
    :rows="rows"
  >
    <template #default="{ width }">
      <svg
        class="growth"
        :width="width"
        :height="height"
        :viewBox="`0 0 ${width} ${height}`"
        role="group"
        aria-label="The library month by month, and the room for it"
        tabindex="0"
        @pointermove="move"
        @pointerup="release"
        @pointerleave="read = null"
        @keydown="readKey($event, width)"
      >
        <template v-for="layout in [drawn(width)]" :key="layout.months">
          <ChartScales
            :box="chartBox({ width, height }, margin)"
            :up="ticksOf(layout.sizeTicks, layout.y)"
            :across="
              ticksOf(layout.yearTicks, layout.x, month => (month ? `${month / 12} y` : 'now'))
            "
          />
          <g v-for="(layer, at) in layout.layers" :key="layer.kind" :data-layer="layer.kind">
            <path
              :d="layer.path"
              class="layer"
              :style="{ opacity: [0.8, 0.42, 0.62, 0.3][at % 4] }"
            />
            <text
              v-if="layer.thickness > 13"
              :x="width - margin.right - 96"
              :y="
                layer.labelY +
                (room !== null && Math.abs(layout.y(roomIn(layout.months)!) - layer.labelY) < 12
                  ? 22
                  : 6)
              "
              text-anchor="end"
              class="layer-label"
            >
              {{ kindLabel(layer.kind as never) }}
            </text>
          </g>
          <path :d="layout.bandPath" class="band" :class="{ outline: stacked }" />
          <path :d="layout.linePath" class="likely" />
          <template v-if="stacked">
            <g v-for="(event, index) in events" :key="`e${index}`" class="event">
              <template v-if="event.month <= layout.months">
                <path :d="`M${layout.x(event.month)} ${height - margin.bottom}l-5 9h10z`" />
                <title>
                  {{ event.name }}, month {{ event.month }}: {{ number(event.sizeGB, 4) }} GB
                </title>
              </template>
            </g>
          </template>
          <g v-if="room !== null">
            <path :d="layout.roomPath" class="room" />
            <text
              v-for="at in [roomLabel(layout, width)]"
              :key="at.text"
              :x="at.x"
              :y="at.y"
              :text-anchor="at.anchor"
              class="room-label"
            >
              {{ at.text }}
            </text>
          </g>
          <FullMarker
            v-if="full !== null && full <= layout.months && room !== null"
            :x="layout.x(full)"
            :y="layout.y(months[full]!.likely)"
            :month="full"
            :box="chartBox({ width, height }, margin)"
            :below="22"
          />
          <g
            class="horizon"
            role="slider"
            tabindex="0"
            aria-label="Horizon in years"
            aria-valuemin="1"
            aria-valuemax="15"
            :aria-valuenow="horizonYears"
            :aria-valuetext="counted(horizonYears, 'year')"
            v-bind="handle"
          >
            <rect
              :x="layout.x(Math.min(layout.months, horizonYears * 12)) - 12"
              :y="margin.top"
              width="24"
              :height="height - margin.top - margin.bottom + 8"
              class="grip"
            />
            <line
              :x1="layout.x(Math.min(layout.months, horizonYears * 12))"
              :x2="layout.x(Math.min(layout.months, horizonYears * 12))"
              :y1="margin.top"
              :y2="height - margin.bottom"
            />
            <path
              :d="`M${layout.x(Math.min(layout.months, horizonYears * 12)) - 7} ${height - margin.bottom - 9}l-5 5 5 5zm14 0l5 5-5 5z`"
            />
            <text
              :x="layout.x(Math.min(layout.months, horizonYears * 12)) - 8"
              :y="margin.top + 10"
              text-anchor="end"
            >
              horizon
            </text>
          </g>
          <line
            v-if="read !== null"
            :x1="layout.x(read)"
            :x2="layout.x(read)"
            :y1="margin.top"
            :y2="height - margin.bottom"
            class="read"
          />
        </template>
      </svg>
      <p class="small soft readout" aria-live="polite">
        {{ readText }}
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
.growth {
  display: block;
  touch-action: pan-y;
  max-width: 100%;
}
.band {
  fill: rgb(var(--v-theme-water));
  opacity: 0.32;
}
.layer {
  fill: rgb(var(--v-theme-water));
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 1;
}
.layer-label {
  font-size: 11px;
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 3px;
  stroke-opacity: 0.7;
}
.event path {
  fill: rgb(var(--v-theme-state-tight));
}
.band.outline {
  fill: none;
  stroke: rgb(var(--v-theme-water-line));
  stroke-dasharray: 4 4;
  opacity: 0.9;
}
.likely {
  fill: none;
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 2.2;
}
.room {
  fill: none;
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 2.4;
}
.room-label {
  font-weight: 600;
}
.horizon {
  cursor: ew-resize;
}
.horizon line {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 1.5;
  stroke-dasharray: 5 3;
}
.horizon path {
  fill: rgb(var(--v-theme-primary));
}
.horizon text {
  fill: rgb(var(--v-theme-primary));
  font-weight: 600;
}
.horizon .grip {
  fill: transparent;
}
.read {
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-width: 1;
  pointer-events: none;
}
.readout {
  margin: 4px 0 0;
  min-height: 1.3em;
}
</style>
