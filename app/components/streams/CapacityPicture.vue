<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { estimateOf } from '~~/core/figure'
import { slotMinutes, weekTimeText } from '~~/core/units/week'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import ChartFrame from '../charts/ChartFrame.vue'
import { chartBox, ticksOf } from '~/components/charts/chartBox'
import ChartScales from '~/components/charts/ChartScales.vue'
import { capacityLayout } from './capacityLayout'
import HatchPattern from '../charts/HatchPattern.vue'

/**
 * What the worst moment of the week asks against what the machine has, and minutes short a month if
 * it were stronger or weaker.
 */
const store = usePlanStore()
const { number, quantity, share } = useFormat()
const hatchId = useId()
const margin = { left: 46, right: 14, top: 18, bottom: 34 }
const height = 190
const { result: curve } = useBackground(
  'compare',
  () => store.plan,
  (work, plan) => work.capacityCurve(plan),
)
const target = computed(() => store.plan?.choices.minutesShortTarget ?? 15)
const possible = computed(() => {
  const figure = store.assessment?.figures['streams.possible']
  return figure ? estimateOf(figure) : null
})
/** The machine's own band, as multiples of its likely capacity. */
const spread = computed(() =>
  possible.value && possible.value.likely > 0
    ? {
        low: possible.value.low / possible.value.likely,
        high: possible.value.high / possible.value.likely,
      }
    : { low: 1, high: 1 },
)
const layoutFor = (width: number) =>
  curve.value && capacityLayout({ curve: curve.value, target: target.value, width, height, margin })
const enough = computed(
  () => curve.value?.points.find(point => point.minutes <= target.value)?.times ?? null,
)
const read = ref<number | null>(null)
const pointAt = computed(() =>
  read.value === null ? null : (curve.value?.points[read.value] ?? null),
)
function readKey(event: KeyboardEvent): void {
  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  if (!step || !curve.value) return
  event.preventDefault()
  read.value = Math.max(0, Math.min(curve.value.points.length - 1, (read.value ?? 16) + step))
}
function readPointer(event: PointerEvent, width: number): void {
  const layout = layoutFor(width)
  if (!layout || !curve.value) return
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const times = layout.curveX.invert(((event.clientX - box.left) / box.width) * width)
  let nearest = 0
  curve.value.points.forEach((point, at) => {
    if (
      Math.abs(Math.log(point.times / times)) <
      Math.abs(Math.log(curve.value!.points[nearest]!.times / times))
    )
      nearest = at
  })
  read.value = nearest
}
const minutesText = (minutes: number) => (minutes < 0.1 ? 'under 0.1' : number(minutes, 2))
const rows = computed(() =>
  (curve.value?.points ?? [])
    .filter((_, at) => at % 4 === 0)
    .map(point => [`${number(point.times, 2)} ×`, minutesText(point.minutes)]),
)
</script>

<template>
  <ChartFrame
    title="Demand against capacity"
    :columns="['Times this machine', 'Minutes short a month']"
    :rows="rows"
  >
    <template #default="{ width }">
      <template v-if="curve && layoutFor(width)">
        <template v-for="layout in [layoutFor(width)!]" :key="`capacity-${layout.bars.length}`">
          <p class="soft small">
            {{ weekTimeText(curve.slot * slotMinutes) }} is the worst moment. The bars show how much
            of the machine conversions need then; the chance that nothing is converted is
            {{ share(curve.load[0] ?? 0) }}.
          </p>
          <svg
            :width="width"
            :height="height"
            :viewBox="`0 0 ${width} ${height}`"
            role="img"
            aria-label="Chances of what the conversions of the worst moment need of the machine"
          >
            <defs><HatchPattern :id="hatchId" /></defs>
            <rect
              :x="layout.loadX(spread.low)"
              :y="margin.top"
              :width="
                Math.max(
                  0,
                  Math.min(width - margin.right, layout.loadX(spread.high)) -
                    layout.loadX(spread.low),
                )
              "
              :height="height - margin.top - margin.bottom"
              :fill="`url(#${hatchId})`"
              class="unsure"
            />
            <rect
              v-for="bar in layout.bars"
              :key="bar.from"
              :x="bar.x"
              :y="bar.y"
              :width="bar.width"
              :height="bar.height"
              :class="bar.isOver ? 'over' : 'within'"
            >
              <title>
                {{ number(bar.from * 100, 3) }} to
                {{ number((bar.from + curve.loadStep) * 100, 3) }} % of the machine:
                {{ share(bar.chance) }}
              </title>
            </rect>
            <line
              :x1="layout.loadX(1)"
              :x2="layout.loadX(1)"
              :y1="margin.top - 6"
              :y2="height - margin.bottom"
              class="wall"
            />
            <text :x="layout.loadX(1) + 6" :y="margin.top + 2" class="wall-label">
              this machine{{
                width < 520 ? '' : `: ${quantity(possible?.likely ?? 0, 'conversions')} likely`
              }}
            </text>
            <ChartScales
              :box="chartBox({ width, height }, margin)"
              :across="ticksOf([0, 0.5, 1, 1.5, 2, 2.5], layout.loadX, load => `${load * 100} %`)"
            />
            <line
              :x1="margin.left"
              :x2="width - margin.right"
              :y1="height - margin.bottom"
              :y2="height - margin.bottom"
              class="axis"
            />
          </svg>
          <p class="soft small">
            {{
              enough
                ? `Minutes short a month if the machine were so many times as fast; ${number(enough, 2)} × keeps within ${number(target)}.`
                : 'Minutes short a month if the machine were so many times as fast.'
            }}
          </p>
          <svg
            :width="width"
            :height="height"
            :viewBox="`0 0 ${width} ${height}`"
            role="slider"
            tabindex="0"
            aria-label="Capacity read off the curve"
            aria-valuemin="0.25"
            aria-valuemax="4"
            :aria-valuenow="pointAt?.times ?? 1"
            :aria-valuetext="
              pointAt
                ? `${number(pointAt.times, 2)} times this machine: ${minutesText(pointAt.minutes)} minutes short a month`
                : 'this machine'
            "
            @keydown="readKey"
            @pointermove="readPointer($event, width)"
            @pointerleave="read = null"
          >
            <ChartScales
              :box="chartBox({ width, height }, margin)"
              :up="ticksOf(layout.minuteTicks, layout.curveY, minutes => number(minutes))"
              :across="ticksOf([0.25, 0.5, 1, 2, 4], layout.curveX, times => `${times} ×`)"
            />
            <line
              :x1="margin.left"
              :x2="width - margin.right"
              :y1="layout.curveY(Math.max(0.1, target))"
              :y2="layout.curveY(Math.max(0.1, target))"
              class="target"
            />
            <text
              :x="width - margin.right"
              :y="layout.curveY(Math.max(0.1, target)) - 5"
              text-anchor="end"
              class="target-label"
            >
              accepted: {{ number(target) }} min
            </text>
            <path :d="layout.curve" class="curve" />
            <line
              :x1="layout.curveX(1)"
              :x2="layout.curveX(1)"
              :y1="margin.top"
              :y2="height - margin.bottom"
              class="wall"
            />
            <line
              v-if="pointAt"
              :x1="layout.curveX(pointAt.times)"
              :x2="layout.curveX(pointAt.times)"
              :y1="margin.top"
              :y2="height - margin.bottom"
              class="read"
            />
          </svg>
          <p class="small soft" aria-live="polite">
            {{
              pointAt
                ? `${number(pointAt.times, 2)} × this machine: ${minutesText(pointAt.minutes)} minutes short a month`
                : 'Move over the curve, or use the arrow keys, to read another capacity.'
            }}
          </p>
        </template>
      </template>
      <p v-else class="soft">
        Enter habits and a processor to see the worst moment of the week against the machine.
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
svg {
  display: block;
  max-width: 100%;
}
.within {
  fill: rgb(var(--v-theme-water));
}
.over {
  fill: rgb(var(--v-theme-state-short));
}
.unsure {
  opacity: 0.5;
}
.wall {
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 2.6;
}
.wall-label {
  font-weight: 600;
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 4px;
}
.axis,
.curve {
  fill: none;
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 2.4;
}
.target {
  stroke: rgb(var(--v-theme-primary));
  stroke-dasharray: 5 4;
  stroke-width: 1.6;
}
.target-label {
  fill: rgb(var(--v-theme-primary));
  font-weight: 600;
}
.read {
  stroke: rgb(var(--v-theme-ink-soft));
}
</style>
