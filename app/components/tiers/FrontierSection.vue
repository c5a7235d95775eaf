<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import { frontierAxes, type FrontierAxis } from '~~/core/tiers/search/frontier'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { usePictureHandle } from '~/composables/usePictureHandle'
import { useSearch } from '~/composables/useSearch'
import { useBuildActions, useObjective } from '~/composables/useWays'
import { usePlanStore } from '~/stores/planStore'
import MoneyAxes from './MoneyAxes.vue'
import SearchProgress from './SearchProgress.vue'
import SpendLine from './SpendLine.vue'

/** How much more a better build costs: the builds that no other beats. */
const store = usePlanStore()
const objective = useObjective()
const { look, apply } = useBuildActions()
const axis = ref<FrontierAxis>('possible')
const search = useSearch('frontier', () => ({ axis: axis.value, objective: objective.value }))
const { progress, running, cancelled, failed } = search
const { money, number, share, quantity } = useFormat()
const points = computed(() => progress.value?.points ?? [])
const text = computed(() => {
  if (failed.value) return 'The search broke off. Try again.'
  if (running.value)
    return `${points.value.length} so far, ${number(progress.value?.nodes ?? 0)} steps looked into.`
  return cancelled.value
    ? `Cancelled: ${points.value.length} ` +
        `${points.value.length === 1 ? 'point was' : 'points were'} found until then.`
    : `${counted(points.value.length, 'point')}, complete.`
})
const valueText = (build: WayBuild) =>
  axis.value === 'possible'
    ? counted(build.possible, 'conversion')
    : axis.value === 'roomTB'
      ? quantity(build.roomTB, 'TB')
      : share(build.lossChanceAtHorizon)
const height = 340
const margin = { left: 60, right: 22, top: 24, bottom: 40 }
/**
 * what may be spent: the budget where price now is minimised, otherwise a limit over the years that
 * belongs to this picture
 */
const spend = ref<number | null>(null)
const limit = computed(() =>
  objective.value === 'now'
    ? (store.plan?.brief.budget ?? null)
    : (spend.value ??
      (points.value.length ? Math.round(Math.max(...points.value.map(priceOf)) * 1.02) : null)),
)
const priceOf = (build: WayBuild) => (objective.value === 'now' ? build.toPay : build.horizonCost)
function scales(width: number) {
  const costs = points.value.map(priceOf)
  const values = points.value.map(build => build[axis.value])
  const x = scaleLinear(
    [0, Math.max(500, limit.value ?? 0, ...costs) * 1.06],
    [margin.left, width - margin.right],
  )
  const y = scaleLinear(
    [0, Math.max(axis.value === 'lossChanceAtHorizon' ? 0.001 : 1, ...values) * 1.1],
    [height - margin.bottom, margin.top],
  ).nice(5)
  const steps = points.value
    .map(
      (build, at) =>
        `${at === 0 ? 'M' : 'L'}${x(priceOf(build))},${y(at === 0 ? build[axis.value] : points.value[at - 1]![axis.value])}L${x(priceOf(build))},${y(build[axis.value])}`,
    )
    .join('')
  return { x, y, steps }
}
const reach = computed(() =>
  limit.value === null
    ? points.value
    : points.value.filter(build => priceOf(build) <= limit.value!),
)
const sentence = computed(() => {
  const first = points.value[0]
  if (!first)
    return running.value
      ? 'The first point is searched.'
      : 'No build meets the need, so there is no frontier.'
  const top = reach.value.at(-1)
  if (!top)
    return `Nothing within ${money(limit.value!)}: the first point costs ${money(priceOf(first))}.`
  return (
    `${limit.value === null ? 'At most' : `Within ${money(limit.value)} ${objective.value === 'now' ? 'now' : 'over the years'} ` + 'at most'} ` +
    `${axis.value === 'lossChanceAtHorizon' ? `a chance of loss of ${valueText(top)}` : valueText(top)}: ` +
    `${top.label} with ${top.drives}. The need itself is met from ${money(priceOf(first))}.`
  )
})
const widthNow = ref(760)
const { handle, follow, release } = usePictureHandle({
  value: () => limit.value ?? 1000,
  min: 0,
  max: 1_000_000,
  step: 10,
  coarse: 100,
  valueAt: ({ x }) => Math.max(0, scales(widthNow.value).x.invert(x)),
  set: value =>
    objective.value === 'now' ? void store.edit('brief.budget', value) : void (spend.value = value),
})
</script>

<template>
  <div class="columns">
    <ChartFrame
      title="What more money buys"
      :columns="['Build', 'Cost', frontierAxes[axis]]"
      :rows="
        points.map(build => [
          `${build.label}, ${build.drives}`,
          money(priceOf(build)),
          valueText(build),
        ])
      "
    >
      <template #default="{ width }">
        <p class="sentence" data-frontier>
          {{ sentence }}
        </p>
        <svg
          :viewBox="`0 0 ${width} ${height}`"
          width="100%"
          :height="height"
          role="group"
          aria-label="Frontier"
          @pointermove="
            event => {
              widthNow = width
              follow(event)
            }
          "
          @pointerup="release"
          @pointercancel="release"
        >
          <MoneyAxes
            v-bind="{ scales: scales(width), width, height, margin }"
            :is-share="axis === 'lossChanceAtHorizon'"
          />
          <path :d="scales(width).steps" class="course" />
          <SpendLine
            v-if="limit !== null"
            :at="scales(width).x(limit)"
            :value="limit"
            :most="1_000_000"
            :label="objective === 'now' ? 'Budget' : 'Limit over the years'"
            :top="margin.top"
            :bottom="height - margin.bottom"
            :handle="handle"
          />
          <g
            v-for="build in points"
            :key="`${priceOf(build)} ${build[axis]}`"
            class="point"
            :class="{ beyond: limit !== null && priceOf(build) > limit }"
            role="button"
            tabindex="0"
            :aria-label="`Apply ${build.label}, ${build.drives}: ${money(priceOf(build))}, ${valueText(build)}`"
            :transform="`translate(${scales(width).x(priceOf(build))},${scales(width).y(build[axis])})`"
            @pointerenter="look(build)"
            @pointerleave="look(null)"
            @focus="look(build)"
            @blur="look(null)"
            @click="apply(build)"
            @keydown.enter.prevent="apply(build)"
          >
            <title>
              {{ build.label }}, {{ build.drives }}: {{ money(priceOf(build)) }},
              {{ valueText(build) }}
            </title>
            <circle r="13" />
            <circle r="6" class="dot" />
          </g>
        </svg>
      </template>
      <template #below>
        <p class="soft small">
          Each point is the cheapest build that is better than the one before it.
          {{ objective === 'now' ? 'Cost: price now.' : 'Cost: over the horizon.' }} Hover or focus
          to preview, press to apply.
        </p>
      </template>
    </ChartFrame>
    <section class="sheet side">
      <h2>Set against</h2>
      <VBtnToggle
        v-model="axis"
        mandatory
        density="compact"
        color="primary"
        variant="outlined"
        class="axes"
        aria-label="What the cost is set against"
      >
        <VBtn v-for="(label, id) in frontierAxes" :key="id" :value="id" size="small">
          {{ label }}
        </VBtn>
      </VBtnToggle>
      <SearchProgress
        :search="search"
        :running="running"
        :state="
          cancelled ? 'cancelled' : failed ? 'failed' : running || !progress ? 'running' : 'done'
        "
        :text="text"
        :share="running ? null : 1"
        class="progress"
      />
      <PlanField path="brief.budget" />
      <PlanField path="choices.horizonYears" />
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.9fr) minmax(240px, 1fr);
}
.sentence {
  font-size: 1.04rem;
  margin-bottom: 8px;
}
.progress {
  margin-bottom: 12px;
}
.axes {
  margin-bottom: 8px;
  max-width: 100%;
  overflow-x: auto;
}
.course {
  fill: none;
  stroke: rgb(var(--v-theme-water));
  stroke-width: 2.5;
}
.point {
  cursor: pointer;
  outline: none;
}
.point circle {
  fill: transparent;
}
.point .dot {
  fill: rgb(var(--v-theme-primary));
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 1.5;
}
.point:hover .dot,
.point:focus-visible .dot {
  r: 9px;
}
.point.beyond .dot {
  fill: rgb(var(--v-theme-ink-soft));
  opacity: 0.6;
}
</style>
