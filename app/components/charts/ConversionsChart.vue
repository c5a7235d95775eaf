<script setup lang="ts">
import { computed, useId } from 'vue'
import { estimateOf } from '~~/core/figure'
import { usePictureHandle } from '~/composables/usePictureHandle'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'
import ChartFrame from './ChartFrame.vue'
import { conversionsLayout, type ConversionRow } from './conversionsLayout'
import HatchPattern from './HatchPattern.vue'

/**
 * Conversions needed against possible, as ranges; what is needed is a level that can be dragged.
 */
const store = usePlanStore()
const working = useWorkingStore()
const hatchId = useId()
const margin = { left: 10, right: 16, top: 26, bottom: 26 }

const rows = computed<ConversionRow[]>(() =>
  (
    [
      ['streams.possible', "This household's mix"],
      ['streams.hd1080', 'If all were 1080p H.264'],
      ['streams.hevc1080', 'If all were 1080p HEVC'],
      ['streams.uhdToneMapped', 'If all were 2160p HDR'],
    ] as const
  ).map(([id, label]) => {
    const figure = store.assessment?.figures[id]
    return { id, label, estimate: figure ? estimateOf(figure) : null }
  }),
)
const asked = computed(() => store.assessment?.figures['streams.asked']?.value ?? 0)
const layoutFor = (width: number) => conversionsLayout(rows.value, asked.value, width, margin)
// Under the other schools the ask follows from people, devices and titles.
const isFixed = computed(
  () =>
    store.plan?.choices.school === 'headCount' ||
    (store.assessment?.domains.household.fromHabits ?? false),
)
const table = computed(() =>
  rows.value.map(row => [
    row.label,
    ...(row.estimate
      ? [row.estimate.low, row.estimate.likely, row.estimate.high].map(String)
      : ['–', '–', '–']),
    String(asked.value),
  ]),
)

let drawnWidth = 640
const { handle, follow, release } = usePictureHandle({
  value: () => asked.value,
  min: 0,
  max: 100,
  step: 1,
  coarse: 5,
  locked: () => isFixed.value,
  valueAt: ({ x }) => layoutFor(drawnWidth).x.invert(x),
  set: value => store.edit('household.converted', value),
})
function drawn(width: number) {
  drawnWidth = width
  return layoutFor(width)
}
/** Left of its line the label needs so much room, px. */
const labelWidth = 90
</script>

<template>
  <ChartFrame
    title="Conversions needed and possible"
    :columns="['Case', 'Low', 'Likely', 'High', 'Needed']"
    :rows="table"
  >
    <template #default="{ width }">
      <svg
        v-for="layout in [drawn(width)]"
        :key="layout.height"
        class="conversions"
        :width="width"
        :height="layout.height"
        :viewBox="`0 0 ${width} ${layout.height}`"
        role="group"
        aria-label="Conversions possible at once, low to high, and the number needed"
        @pointermove="follow"
        @pointerup="release"
      >
        <defs>
          <HatchPattern :id="hatchId" />
        </defs>
        <rect
          :x="layout.x(0)"
          :y="margin.top"
          :width="Math.max(0, layout.x(asked) - layout.x(0))"
          :height="layout.height - margin.top - margin.bottom"
          class="water"
        />
        <g v-for="tick in layout.ticks" :key="tick">
          <path :d="layout.brokenLine(layout.x(tick))" class="grid" />
          <text
            :x="layout.x(tick)"
            :y="layout.height - margin.bottom + 16"
            text-anchor="middle"
            class="soft"
          >
            {{ tick }}
          </text>
        </g>
        <g
          v-for="(row, index) in rows"
          :key="row.id"
          class="row"
          role="button"
          tabindex="0"
          :aria-label="`${row.label}: ${row.estimate ? `${row.estimate.low} to ${row.estimate.high}, likely ${row.estimate.likely}` : 'not known'}. Show working`"
          @click="working.show(row.id)"
          @keydown.enter="working.show(row.id)"
          @keydown.space.prevent="working.show(row.id)"
        >
          <text :x="layout.x(0) + 6" :y="layout.rowY(index) - 10" class="row-label">
            {{ row.label }}
            <tspan v-if="row.estimate" dx="8" class="soft">
              {{
                row.estimate.low === row.estimate.high
                  ? row.estimate.likely
                  : `${row.estimate.low}–${row.estimate.high}, likely ${row.estimate.likely}`
              }}
            </tspan>
          </text>
          <template v-if="row.estimate">
            <rect
              :x="layout.x(0)"
              :y="layout.rowY(index) - 3"
              :width="layout.x(row.estimate.low) - layout.x(0)"
              height="13"
              class="sure"
            />
            <rect
              :x="layout.x(row.estimate.low)"
              :y="layout.rowY(index) - 3"
              :width="layout.x(row.estimate.high) - layout.x(row.estimate.low)"
              height="13"
              class="unsure"
              :fill="`url(#${hatchId})`"
            />
            <line
              :x1="layout.x(row.estimate.likely)"
              :x2="layout.x(row.estimate.likely)"
              :y1="layout.rowY(index) - 6"
              :y2="layout.rowY(index) + 13"
              class="notch"
            />
          </template>
        </g>
        <g
          class="asked"
          :class="{ fixed: isFixed }"
          role="slider"
          tabindex="0"
          aria-label="Conversions needed"
          aria-valuemin="0"
          aria-valuemax="100"
          :aria-valuenow="asked"
          :aria-valuetext="`${asked} needed`"
          :aria-readonly="isFixed"
          v-bind="handle"
        >
          <title v-if="isFixed">It follows from the household: who watches when, on what</title>
          <rect
            :x="layout.x(asked) - 11"
            :y="0"
            width="22"
            :height="layout.height - margin.bottom"
            class="grip"
          />
          <path :d="layout.brokenLine(layout.x(asked))" class="level" />
          <path :d="`M${layout.x(asked)} ${margin.top - 2}l-7 -9h14z`" class="tip" />
          <text
            :x="layout.x(asked) + (layout.x(asked) > labelWidth ? -11 : 11)"
            y="12"
            :text-anchor="layout.x(asked) > labelWidth ? 'end' : 'start'"
          >
            {{ asked }} needed
          </text>
        </g>
      </svg>
    </template>
  </ChartFrame>
</template>

<style scoped>
.conversions {
  display: block;
  touch-action: pan-y;
  max-width: 100%;
  overflow: visible;
}
.water {
  fill: rgb(var(--v-theme-water));
  opacity: 0.3;
}
.grid {
  stroke: rgb(var(--v-theme-hairline));
}
.row {
  cursor: pointer;
}
.row-label {
  font-weight: 600;
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 3px;
}
.row-label .soft {
  font-weight: 400;
  fill: rgb(var(--v-theme-ink-soft));
}
.sure {
  fill: rgb(var(--v-theme-wall));
  opacity: 0.88;
}
.unsure {
  stroke: rgb(var(--v-theme-wall));
}
.notch {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 3;
}
.asked {
  cursor: ew-resize;
}
.asked.fixed {
  cursor: default;
}
.level {
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 2.4;
}
.tip {
  fill: rgb(var(--v-theme-water-line));
}
.asked text {
  fill: rgb(var(--v-theme-water-line));
  font-weight: 650;
}
.grip {
  fill: transparent;
}
</style>
