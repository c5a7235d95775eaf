<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { carbonBreakEven } from '~~/core/ownership/carbon'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { chartBox, ticksOf } from '~/components/charts/chartBox'
import ChartScales from '~/components/charts/ChartScales.vue'
import PlanField from '~/components/common/PlanField.vue'
import ComparedChoice from '~/components/tiers/ComparedChoice.vue'
import { useBackground } from '~/composables/useBackground'
import { useCompared } from '~/composables/useCompared'
import { useFormat } from '~/composables/useFormat'
import { useFallsShort } from '~/composables/useFallsShort'
import FallsShort from './FallsShort.vue'

/**
 * What making it and running it puts into the air; when a new machine has made up for being made.
 */
const of = useCompared()
const { compared } = of
const { number, quantity, range } = useFormat()
const { result } = useBackground(
  'compare',
  () => (compared.value.length ? compared.value.map(({ plan }) => plan) : null),
  (work, plans) => work.carbonOf(JSON.parse(JSON.stringify(plans)) as typeof plans),
)
const rows = computed(() =>
  result.value?.length === compared.value.length
    ? compared.value.map((one, at) => ({ ...one, carbon: result.value![at]! }))
    : [],
)
const short = useFallsShort(() => compared.value)
const isShort = (id: string) => short.value.some(one => one.id === id)
const height = 320
const margin = { left: 56, right: 16, top: 18, bottom: 34 }
function picture(width: number) {
  const years = Math.max(1, ...rows.value.map(({ carbon }) => carbon.byYear.length - 1))
  const most = Math.max(
    50,
    ...rows.value.flatMap(({ carbon }) => carbon.byYear.map(({ high }) => high)),
  )
  const x = scaleLinear([0, years], [margin.left, width - margin.right])
  const y = scaleLinear([0, most * 1.05], [height - margin.bottom, margin.top]).nice(5)
  return {
    x,
    y,
    years,
    lines: rows.value.map(({ id, label, carbon }) => ({
      id,
      label,
      path: carbon.byYear
        .map(({ likely }, year) => `${year ? 'L' : 'M'}${x(year)},${y(likely)}`)
        .join(''),
      band: `${carbon.byYear.map(({ high }, year) => `${year ? 'L' : 'M'}${x(year)},${y(high)}`).join('')}${[
        ...carbon.byYear,
      ]
        .map(({ low }, year) => ({ low, year }))
        .reverse()
        .map(({ low, year }) => `L${x(year)},${y(low)}`)
        .join('')}Z`,
    })),
  }
}
const kg = (value: number) => quantity(Math.round(value), 'kg')
const own = computed(() => rows.value.find(({ id }) => id === 'open') ?? rows.value[0] ?? null)
const breakEvens = computed(() =>
  own.value && !isShort(own.value.id)
    ? rows.value
        .filter(({ id }) => id !== own.value!.id && !isShort(id))
        .map(({ id, label, carbon }) => ({
          id,
          label,
          savedW: own.value!.carbon.averageW - carbon.averageW,
          years: carbonBreakEven(
            carbon.made,
            own.value!.carbon.averageW - carbon.averageW,
            carbon.kgPerKWh,
          ),
          makes: Object.keys(carbon.made).length > 0,
        }))
    : [],
)
function text({ label, savedW, years, makes }: (typeof breakEvens.value)[number]): string {
  if (savedW <= 0)
    return (
      `${label} saves no power against ${own.value!.label}, so it never makes up for being ` +
      'made.'
    )
  if (!makes)
    return `${label} is made of what is there or used already: it saves carbon from the first day.`
  if (!years) return ''
  return (
    `${label} makes up for being made after ${number(years.likely, 2)} years (80 % range: ` +
    `${range(years, 'years')}).`
  )
}
const yearsFrom0 = (years: number) => Array.from({ length: years + 1 }, (_, year) => year)
</script>

<template>
  <div class="columns">
    <ChartFrame
      title="Carbon, made and used"
      :columns="['Plan', 'Made', 'At the horizon']"
      :rows="
        rows.map(({ label, carbon }) => [
          label,
          kg(carbon.byYear[0]!.likely),
          kg(carbon.byYear.at(-1)!.likely),
        ])
      "
    >
      <template #default="{ width }">
        <FallsShort :short="short" :of="of" />
        <p v-for="entry in breakEvens" :key="entry.id" class="sentence" data-carbon>
          {{ text(entry) }}
        </p>
        <svg
          :viewBox="`0 0 ${width} ${height}`"
          width="100%"
          :height="height"
          role="img"
          aria-label="Carbon over the years"
        >
          <ChartScales
            :box="chartBox({ width, height }, margin)"
            :up="ticksOf(picture(width).y.ticks(5), picture(width).y, tick => `${number(tick)} kg`)"
            :across="ticksOf(yearsFrom0(picture(width).years), picture(width).x)"
          />
          <g v-for="(line, at) in picture(width).lines" :key="line.id" :class="`line-${at % 5}`">
            <path :d="line.band" class="band" />
            <path :d="line.path" class="course" :class="{ short: isShort(line.id) }" />
          </g>
        </svg>
        <ul class="legend">
          <li v-for="(row, at) in rows" :key="row.id" :class="`line-${at % 5}`">
            <svg width="26" height="10" aria-hidden="true">
              <line
                x1="1"
                x2="25"
                y1="5"
                y2="5"
                class="course"
                :class="{ short: isShort(row.id) }"
              />
            </svg>
            {{ row.label }}{{ isShort(row.id) ? ', falls short' : '' }}:
            {{ kg(row.carbon.byYear[0]!.likely) }} made,
            {{ kg(row.carbon.byYear.at(-1)!.likely) }} at the horizon
          </li>
        </ul>
      </template>
      <template #below>
        <p class="soft small">
          Areas are the ranges of what making and electricity take; nobody knows them better. What
          is owned, or bought used, was made for somebody else and counts nothing.
        </p>
      </template>
    </ChartFrame>
    <section class="sheet side">
      <ComparedChoice :of="of" />
      <div class="fields">
        <PlanField path="costs.grid" />
        <PlanField path="costs.gridKgPerKWh" placeholder="as it is made" />
        <PlanField path="choices.horizonYears" />
      </div>
      <p class="soft small">
        Making: appliance 100–250 kg CO₂e, mini PC 80–250, desktop 200–350, exchange of a board
        60–100, hard disk 20–30, SSD 60–160 a TB. Electricity: mixed grid 0.25–0.4 kg a kWh, gas
        0.41–0.65, coal 0.74–0.91, wind 0.011.
      </p>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.7fr) minmax(260px, 1fr);
}
.course.short {
  stroke-dasharray: 1 9;
  stroke-linecap: round;
  stroke-width: 3;
}
.sentence {
  font-size: 1.02rem;
  margin: 4px 0;
}
.course {
  fill: none;
  stroke: rgb(var(--line));
  stroke-width: 2.5;
}
.band {
  fill: rgba(var(--line), 0.14);
}
.line-0 {
  --line: var(--v-theme-primary);
}
.line-1 {
  --line: var(--v-theme-on-surface);
}
.line-2 {
  --line: var(--v-theme-state-tight);
}
.line-3 {
  --line: var(--v-theme-state-short);
}
.line-4 {
  --line: var(--v-theme-ink-soft);
}
.line-1 .course {
  stroke-dasharray: 7 4;
}
.line-2 .course {
  stroke-dasharray: 2 3;
}
.legend {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 2px;
  font-size: 0.86rem;
}
.fields {
  --least: 150px;
  margin: 12px 0;
}
</style>
