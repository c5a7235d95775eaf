<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed, nextTick, ref } from 'vue'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import type { WayRow } from '~~/core/tiers/search/wayRows'
import { lacksText } from './lacksText'
import { useFormat } from '~/composables/useFormat'
import { usePictureHandle } from '~/composables/usePictureHandle'
import { usePlanStore } from '~/stores/planStore'
import FlipHandle from '../ownership/FlipHandle.vue'
import MoneyAxes from './MoneyAxes.vue'
import SpendLine from './SpendLine.vue'
import { markLabels } from './markLabels'
import {
  cutAt,
  fieldAxes,
  fieldMargin,
  waysField,
  type FieldAxis,
  type FieldMark,
} from './waysLayout'

/**
 * Every way of building that was found, price against what it gives. Hover or focus to preview;
 * press to see it beside.
 */
const props = defineProps<{
  rows: readonly WayRow[]
  tiers: readonly { readonly name: string; readonly cap: number }[]
  picked: string | null
  /** keys of builds that are always named, the answer first */
  named: readonly string[]
}>()
const emit = defineEmits<{ look: [build: WayBuild | null]; pick: [mark: FieldMark] }>()
const axis = defineModel<FieldAxis>('axis', { default: 'possible' })
const store = usePlanStore()
const { money, number, share, quantity } = useFormat()
const height = 300
const svg = ref<SVGSVGElement | null>(null)
const right = ref<'toPay' | 'horizonCost'>('toPay')
const isNow = computed(() => right.value === 'toPay')
const years = computed(() => store.plan?.choices.horizonYears ?? 5)
const budget = computed(() => store.plan?.brief.budget ?? null)
/** What the axis is held against: conversions at once, or the library at the horizon. */
const needed = computed(() => {
  const figure = { possible: 'streams.asked', roomTB: 'library.contentAtHorizonTB' }[
    axis.value as string
  ]
  return (figure && store.assessment?.figures[figure]?.value) || null
})
const labels = (width: number) => {
  const { marks } = field(width)
  const rank = (id: string) => {
    const at = props.named.indexOf(id)
    return at < 0 ? Infinity : at
  }
  return markLabels(
    [...marks]
      .sort((a, b) => rank(a.id) - rank(b.id) || Number(b.meets) - Number(a.meets) || a.x - b.x)
      .map(mark => ({
        id: mark.id,
        text: mark.isBeyond
          ? `${mark.build.label}, ${valueText(mark.build[axis.value])}`
          : mark.build.label,
        x: mark.x,
        y: mark.y,
        ...(mark.isBeyond ? { above: 21 } : {}),
        always: props.named.includes(mark.id),
      })),
    {
      left: fieldMargin.left,
      right: width - 4,
      top: 2,
      bottom: height - fieldMargin.bottom,
    },
  )
}
const field = (width: number) =>
  waysField({
    rows: props.rows,
    axis: axis.value,
    money: right.value,
    tiers: props.tiers,
    budget: budget.value,
    needed: needed.value,
    width,
    height,
  })
const usual = computed(() => field(760))
const valueText = (value: number) =>
  axis.value === 'lossChanceAtHorizon'
    ? share(value)
    : axis.value === 'roomTB'
      ? quantity(value, 'TB')
      : axis.value === 'idleW'
        ? quantity(value, 'W')
        : number(value)
const nameOf = ({ build, meets }: FieldMark) =>
  `${wayNames[build.way]}: ${build.label}, ${build.drives}; ${money(build.toPay)} now, ` +
  `${valueText(build[axis.value])}${meets ? '' : `. ${lacksText(build.lacks)}`}`
const tableRows = computed(() =>
  usual.value.marks.map(mark => [
    `${wayNames[mark.build.way]}: ${mark.build.label}`,
    money(mark.build.toPay),
    valueText(mark.build[axis.value]),
    mark.meets ? 'yes' : lacksText(mark.build.lacks),
  ]),
)
const most = computed(() => Math.max(100, Math.ceil(usual.value.x.domain()[1]! / 50) * 50))
const widthNow = ref(760)
const { handle, follow, release } = usePictureHandle({
  value: () => budget.value ?? 1000,
  min: 0,
  max: 1_000_000,
  step: 10,
  coarse: 100,
  valueAt: ({ x }) => Math.max(0, field(widthNow.value).x.invert(x)),
  set: value => void store.edit('brief.budget', value),
})
async function onKey(
  event: KeyboardEvent,
  mark: FieldMark,
  marks: readonly FieldMark[],
): Promise<void> {
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('pick', mark)
    return
  }
  const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  const sorted = [...marks].sort((a, b) => a.build.toPay - b.build.toPay)
  const next =
    sorted[(sorted.findIndex(({ id }) => id === mark.id) + by + sorted.length) % sorted.length]!
  await nextTick()
  svg.value?.querySelector<SVGElement>(`[data-mark-id="${CSS.escape(next.id)}"]`)?.focus()
}
const first = computed(
  () => [...usual.value.marks].sort((a, b) => a.build.toPay - b.build.toPay)[0]?.id ?? null,
)
</script>

<template>
  <ChartFrame
    title="The field of ways"
    :columns="['Build', 'Price now', fieldAxes[axis], 'Meets the need']"
    :rows="tableRows"
  >
    <template #default="{ width }">
      <div class="axis-choice no-print">
        <VBtnToggle
          v-model="axis"
          mandatory
          density="compact"
          color="primary"
          variant="outlined"
          aria-label="What the price is set against"
        >
          <VBtn v-for="(label, id) in fieldAxes" :key="id" :value="id" size="small">
            {{ label }}
          </VBtn>
        </VBtnToggle>
        <VBtnToggle
          v-model="right"
          mandatory
          density="compact"
          color="primary"
          variant="outlined"
          aria-label="Which money"
        >
          <VBtn value="toPay" size="small"> Price now </VBtn>
          <VBtn value="horizonCost" size="small" data-over-years> Over the years </VBtn>
        </VBtnToggle>
      </div>
      <svg
        ref="svg"
        :viewBox="`0 0 ${width} ${height}`"
        width="100%"
        :height="height"
        role="group"
        aria-label="The field of ways"
        @pointermove="
          event => {
            widthNow = width
            follow(event)
          }
        "
        @pointerup="release"
        @pointercancel="release"
      >
        <g v-for="(tier, at) in isNow ? tiers : []" :key="tier.name">
          <rect
            :x="field(width).x(at === 0 ? 0 : Math.min(most, tiers[at - 1]!.cap))"
            :width="
              Math.max(
                0,
                field(width).x(Math.min(field(width).x.domain()[1]!, tier.cap)) -
                  field(width).x(
                    at === 0 ? 0 : Math.min(field(width).x.domain()[1]!, tiers[at - 1]!.cap),
                  ),
              )
            "
            :y="fieldMargin.top"
            :height="height - fieldMargin.top - fieldMargin.bottom"
            class="tier"
            :class="{ odd: at % 2 === 1 }"
          />
          <text
            v-if="(at === 0 ? 0 : tiers[at - 1]!.cap) < field(width).x.domain()[1]!"
            :x="field(width).x(at === 0 ? 0 : tiers[at - 1]!.cap) + 6"
            :y="fieldMargin.top - 8"
            class="soft"
          >
            {{ tier.name }}
          </text>
        </g>
        <MoneyAxes
          v-bind="{ scales: field(width), width, height, margin: fieldMargin }"
          :is-share="axis === 'lossChanceAtHorizon'"
          :name="isNow ? 'Price now' : `Cost over ${counted(years, 'year')}`"
        />
        <SpendLine
          v-if="budget !== null && isNow"
          :at="field(width).x(budget)"
          :value="budget"
          :most="most"
          label="Budget"
          :top="fieldMargin.top"
          :bottom="height - fieldMargin.bottom"
          :handle="handle"
          data-budget
        />
        <g v-if="needed !== null" class="need" data-need>
          <line
            :x1="fieldMargin.left"
            :x2="width - fieldMargin.right"
            :y1="field(width).y(needed)"
            :y2="field(width).y(needed)"
          />
          <text :x="fieldMargin.left + 6" :y="field(width).y(needed) - 5">
            {{ valueText(needed) }} needed
          </text>
        </g>
        <g
          v-for="mark in field(width).marks"
          :key="mark.id"
          class="mark"
          :class="[
            `tier-${Math.min(3, mark.tier)}`,
            {
              hollow: !mark.meets,
              picked: mark.id === picked,
              beyond: budget !== null && mark.build.toPay > budget,
            },
          ]"
          :transform="`translate(${mark.x},${mark.y})`"
          role="button"
          :tabindex="mark.id === (picked ?? first) ? 0 : -1"
          :aria-label="nameOf(mark)"
          :data-mark-id="mark.id"
          :data-way-mark="mark.build.way"
          @pointerenter="emit('look', mark.build)"
          @pointerleave="emit('look', null)"
          @focus="emit('look', mark.build)"
          @blur="emit('look', null)"
          @click="emit('pick', mark)"
          @keydown="onKey($event, mark, field(width).marks)"
        >
          <title>{{ nameOf(mark) }}</title>
          <circle r="14" class="hold" />
          <path :d="mark.shape" />
          <path v-if="mark.isBeyond" d="M-5,-14L0,-20L5,-14" class="up" />
        </g>
        <text
          v-for="label in labels(width)"
          :key="label.id"
          :x="label.x"
          :y="label.y"
          :text-anchor="label.anchor"
          class="name"
          :class="{ answer: label.id === named[0] }"
          aria-hidden="true"
        >
          {{ label.text }}
        </text>
      </svg>
    </template>
    <template #below>
      <div class="horizon no-print">
        <span>Horizon: {{ years }} {{ years === 1 ? 'year' : 'years' }}</span>
        <div class="bar">
          <FlipHandle
            label="Horizon"
            :value="years"
            :low="1"
            :high="15"
            whole
            :text="counted(years, 'year')"
            @set="value => store.edit('choices.horizonYears', value)"
          />
        </div>
      </div>
      <p class="soft small">
        Round: bought whole. Square: self-built. Diamond: around what is at hand. Pair: two
        machines. Triangle: as it is now. Filled marks meet the need, hollow ones do not; what is
        right of the budget is pale, and what gives more than {{ cutAt }} times what is needed
        stands on the upper edge. Hover or focus to preview; drag the budget and the horizon.
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
.axis-choice {
  margin-bottom: 10px;
  overflow-x: auto;
  display: flex;
  gap: 12px;
}
.horizon {
  display: grid;
  grid-template-columns: auto minmax(160px, 320px);
  gap: 20px;
  align-items: center;
  justify-content: start;
  margin: 4px 12px 10px 0;
}
.horizon .bar {
  position: relative;
  height: 14px;
  border-radius: 3px;
  background: rgba(var(--v-theme-water), 0.5);
  margin: 6px 0;
}
.tier {
  fill: rgb(var(--v-theme-surface-light));
  opacity: 0.55;
}
.tier.odd {
  opacity: 0.2;
}
.need line {
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 2;
}
.need text {
  fill: rgb(var(--v-theme-water-line));
  font-weight: 600;
}
.name,
.need text {
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 3px;
  font-size: 12px;
  pointer-events: none;
}
.name.answer {
  font-weight: 700;
}
.mark path.up {
  fill: none;
}
.hold {
  fill: transparent;
}
.mark {
  cursor: pointer;
  outline: none;
}
.mark path {
  fill: rgb(var(--v-theme-water));
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1.5;
}
.mark.tier-1 path {
  fill: rgb(var(--v-theme-primary));
}
.mark.tier-2 path {
  fill: rgb(var(--v-theme-wall));
}
.mark.tier-3 path {
  fill: rgb(var(--v-theme-ink-soft));
}
.mark.hollow path {
  fill: rgb(var(--v-theme-surface));
  stroke-dasharray: 3 2;
  stroke: rgb(var(--v-theme-state-short));
}
.mark.beyond path {
  opacity: 0.45;
}
.mark.picked path,
.mark:focus-visible path {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 3.5;
  opacity: 1;
}
.mark:hover path {
  opacity: 1;
}
</style>
