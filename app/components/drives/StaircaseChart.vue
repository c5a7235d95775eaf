<script setup lang="ts">
import { computed, nextTick } from 'vue'
import { chartBox, ticksOf } from '~/components/charts/chartBox'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import ChartScales from '~/components/charts/ChartScales.vue'
import FullMarker from '~/components/charts/FullMarker.vue'
import { useFormat } from '~/composables/useFormat'
import { usePictureDrag } from '~/composables/usePictureDrag'
import type { PlanGrowthState } from '~/composables/usePlanGrowth'
import { usePlanStore } from '~/stores/planStore'
import { labelRows, staircaseLayout, staircaseMargin as margin } from './staircaseLayout'

/**
 * The room as a staircase over the library that grows under it. Steps are drives that are bought;
 * they are dragged in time.
 */
const props = defineProps<{ state: PlanGrowthState }>()
const picked = defineModel<number | null>('picked', { default: null })
const store = usePlanStore()
const { number, money, quantity } = useFormat()
const height = 360
const { months, horizonMonths, course, cheapestCourse } = props.state

const purchases = computed(() => course.value?.purchases ?? [])
const rowHeight = 17
let layoutWidth = 640
function drawn(width: number) {
  layoutWidth = width
  const layout = staircaseLayout({
    months: months.value,
    horizonMonths: horizonMonths.value,
    stairs: [course.value?.roomTB ?? [], cheapestCourse.value?.roomTB ?? []],
    width,
    height,
  })
  const texts = purchases.value.map(({ count, sizeTB, price }) =>
    width < 480
      ? `${number(count)} × ${number(sizeTB, 3)}`
      : `${number(count)} × ${quantity(sizeTB, 'TB')}, ${money(price)}`,
  )
  const order = purchases.value
    .map((_, index) => index)
    .sort((a, b) => purchases.value[a]!.month - purchases.value[b]!.month)
  const widthOf = (text: string) => text.length * 6.6 + 8
  const placed = order.map(index => {
    const text = texts[index]!
    const half = widthOf(text) / 2
    return {
      index,
      text,
      at: Math.max(
        margin.left + half,
        Math.min(width - margin.right - half, layout.x(purchases.value[index]!.month)),
      ),
      width: widthOf(text),
    }
  })
  const rows = labelRows(placed)
  return {
    ...layout,
    steps: placed.map((step, at) => ({
      ...step,
      x: layout.x(purchases.value[step.index]!.month),
      labelY: 14 + Math.min(3, rows[at]!) * rowHeight,
    })),
  }
}
/** Px from the mark down to its words: under the room's line, where the library does not run. */
function belowRoom({ y }: { readonly y: (sizeTB: number) => number }, month: number): number {
  const under =
    y(course.value?.roomTB[month] ?? 0) - y(months.value[month]![props.state.growthEnd.value])
  return under < 60 ? Math.max(22, under + 17) : 22
}
function setMonth(index: number, month: number): void {
  const next = Math.max(0, Math.min(horizonMonths.value, Math.round(month)))
  if (purchases.value[index]?.month !== next) store.edit(`drives.purchases.${index}.month`, next)
}
const { begin, follow, release } = usePictureDrag<number>({
  move: (index, to) =>
    setMonth(
      index,
      staircaseLayout({
        months: months.value,
        horizonMonths: horizonMonths.value,
        stairs: [],
        width: layoutWidth,
        height,
      }).x.invert(to.x),
    ),
  end: index => (picked.value = index),
})
function onKey(event: KeyboardEvent, index: number): void {
  const by = { ArrowRight: 1, ArrowLeft: -1, ArrowUp: 1, ArrowDown: -1, PageUp: 12, PageDown: -12 }[
    event.key
  ]
  if (by) {
    event.preventDefault()
    setMonth(index, purchases.value[index]!.month + by * (event.shiftKey ? 12 : 1))
  } else if (event.key === 'Enter') {
    event.preventDefault()
    picked.value = index
  } else if (event.key === 'Delete' || event.key === 'Backspace') {
    event.preventDefault()
    const svg = (event.currentTarget as Element).closest('svg')
    picked.value = null
    store.edit(
      'drives.purchases',
      store.plan!.drives.purchases.filter((_, other) => other !== index),
    )
    void nextTick(() => svg?.querySelector<SVGElement>('[data-step]')?.focus())
  }
}
const full = computed(() => course.value?.monthFull ?? null)
const rows = computed(() =>
  months.value
    .slice(0, horizonMonths.value + 1)
    .flatMap((month, at) =>
      at % 6 === 0 || purchases.value.some(purchase => purchase.month === at)
        ? [
            [
              String(at),
              number(month.low, 3),
              number(month.likely, 3),
              number(month.high, 3),
              number(course.value?.roomTB[at] ?? 0, 3),
              cheapestCourse.value ? number(cheapestCourse.value.roomTB[at] ?? 0, 3) : '–',
            ],
          ]
        : [],
    ),
)
const nameOf = (index: number) => {
  const { month, count, sizeTB, price } = purchases.value[index]!
  return `${count} × ${quantity(sizeTB, 'TB')} in month ${month}, ${money(price)}`
}
</script>

<template>
  <ChartFrame
    title="Room as it grows, and the library, TB"
    :columns="[
      'Month',
      'Slow, TB',
      'Likely, TB',
      'Fast, TB',
      'Room as planned, TB',
      'Room, cheapest, TB',
    ]"
    :rows="rows"
  >
    <template #default="{ width }">
      <svg
        v-for="layout in months.length ? [drawn(width)] : []"
        :key="layout.sizeTicks.length"
        class="staircase"
        :width="width"
        :height="height"
        :viewBox="`0 0 ${width} ${height}`"
        role="group"
        aria-label="The room month by month, with purchases as steps"
        @pointermove="follow"
        @pointerup="release"
        @pointercancel="release"
      >
        <ChartScales
          :box="chartBox({ width, height }, margin)"
          :up="ticksOf(layout.sizeTicks, layout.y)"
          :across="
            ticksOf(layout.yearTicks, layout.x, month => (month ? `${month / 12} y` : 'now'))
          "
        />
        <path :d="layout.bandPath" class="band" />
        <path :d="layout.linePath" class="library" />
        <path
          v-if="cheapestCourse && state.growth.value?.cheapest?.length"
          :d="layout.stairPath(cheapestCourse.roomTB)"
          class="ghost"
        />
        <path v-if="course" :d="layout.stairPath(course.roomTB)" class="room" />
        <FullMarker
          v-if="full !== null"
          :x="layout.x(full)"
          :y="layout.y(months[full]![state.growthEnd.value])"
          :month="full"
          :box="chartBox({ width, height }, margin)"
          :below="belowRoom(layout, full)"
        />
        <g
          v-for="step in layout.steps"
          :key="step.index"
          class="step"
          :class="{ picked: picked === step.index }"
          role="slider"
          tabindex="0"
          :data-step="step.index"
          :aria-label="nameOf(step.index)"
          aria-valuemin="0"
          :aria-valuemax="horizonMonths"
          :aria-valuenow="purchases[step.index]!.month"
          :aria-valuetext="`month ${purchases[step.index]!.month}`"
          @pointerdown="begin($event, step.index)"
          @keydown="onKey($event, step.index)"
        >
          <rect
            :x="step.x - 12"
            :y="margin.top"
            width="24"
            :height="height - margin.top - margin.bottom"
            class="grip"
          />
          <line :x1="step.x" :x2="step.x" :y1="step.labelY + 5" :y2="height - margin.bottom" />
          <path :d="`M${step.x - 5} ${height - margin.bottom - 8}l-5 5 5 5zm10 0l5 5-5 5z`" />
          <text :x="step.at" :y="step.labelY" text-anchor="middle">{{ step.text }}</text>
        </g>
      </svg>
      <p class="soft small">
        <template v-if="purchases.length">
          Drag a purchase to another month, or use the arrow keys on it; Delete removes it. The
          price follows.
        </template>
        <template v-else> No purchases are planned yet. </template>
        <template v-if="state.growth.value?.cheapest?.length">
          The dashed staircase is the cheapest way.
        </template>
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
.staircase {
  display: block;
  max-width: 100%;
  touch-action: pan-y;
}
.band {
  fill: rgb(var(--v-theme-water));
  opacity: 0.3;
}
.library {
  fill: none;
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 2.2;
}
.room {
  fill: none;
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 2.6;
}
.ghost {
  fill: none;
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 1.6;
  stroke-dasharray: 6 5;
  opacity: 0.75;
}
.step {
  cursor: ew-resize;
}
.step line {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 1.5;
}
.step path {
  fill: rgb(var(--v-theme-primary));
}
.step .grip {
  fill: transparent;
}
.step text {
  font-weight: 600;
  fill: rgb(var(--v-theme-primary));
}
.step.picked line {
  stroke-width: 3;
}
svg text {
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 3px;
  stroke-linejoin: round;
}
</style>
