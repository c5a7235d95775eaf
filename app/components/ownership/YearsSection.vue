<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed, ref } from 'vue'
import { cashKinds } from '~~/core/ownership/cashFlow'
import { licenceCrossing, neverUsed, type PaidHeadroom } from '~~/core/ownership/neverUsed'
import { cashLabels } from '~~/core/ownership/years/tellYears'
import FigureValue from '~/components/common/FigureValue.vue'
import ViewFindings from '~/components/common/ViewFindings.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ComparedChoice from '~/components/tiers/ComparedChoice.vue'
import { useBackground } from '~/composables/useBackground'
import { useCompared } from '~/composables/useCompared'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import { useFallsShort } from '~/composables/useFallsShort'
import CourseChart from './CourseChart.vue'
import FallsShort from './FallsShort.vue'

/** What it costs over the years, payment by payment, beside other ways. */
const store = usePlanStore()
const of = useCompared()
const { money, quantity, share, number } = useFormat()
const month = ref<number | null>(null)
const others = computed(() => of.compared.value.filter(({ id }) => id !== 'open'))
const { result } = useBackground(
  'compare',
  () => (others.value.length ? others.value.map(({ plan }) => plan) : null),
  (work, plans) => work.flows(JSON.parse(JSON.stringify(plans)) as typeof plans),
)
const ownPlan = computed(() =>
  store.plan ? [{ id: 'open', label: store.plan.name, plan: store.plan }] : [],
)
const short = useFallsShort(() => [...ownPlan.value, ...others.value])
const isShort = (id: string) => short.value.some(one => one.id === id)
const own = computed(() => store.assessment?.domains.years ?? null)
const courses = computed(() =>
  own.value
    ? [
        {
          id: 'open',
          label: store.plan?.name ?? '',
          sums: own.value.flow.cumulative,
          isShort: isShort('open'),
        },
        ...(result.value && result.value.length === others.value.length
          ? others.value.map(({ id, label }, at) => ({
              id,
              label,
              sums: result.value![at]!.flow.cumulative,
              isShort: isShort(id),
            }))
          : []),
      ]
    : [],
)
const parts = computed(() =>
  own.value
    ? cashKinds
        .map(kind => ({ kind, label: cashLabels[kind], sum: own.value!.flow.byKind[kind] }))
        .filter(({ sum }) => sum !== 0)
    : [],
)
const most = computed(() => Math.max(1, ...parts.value.map(({ sum }) => Math.abs(sum))))
const lines = computed(() =>
  month.value === null || !own.value
    ? []
    : own.value.flow.lines.filter(line => line.month === month.value),
)
const unused = computed(() => {
  const { assessment } = store
  if (!assessment) return []
  const value = (id: string) => assessment.figures[id]?.value ?? 0
  const { machine, drives, ownership, fitting } = assessment.domains
  const build = machine.build
  const converterPrice =
    (build.processor?.price ?? 0) + build.cards.reduce((sum, card) => sum + (card.price ?? 0), 0)
  const headrooms: PaidHeadroom[] = [
    {
      id: 'conversions',
      possible: value('streams.possible'),
      needed: value('streams.asked'),
      price: converterPrice,
      watts: build.processor?.idleW ?? 0,
    },
    {
      id: 'room',
      possible: value('drives.roomTB'),
      needed: value('library.contentAtHorizonTB'),
      price: ownership.drivesToPay,
      watts: drives.idleW.likely,
    },
    {
      id: 'bays',
      possible: build.bays,
      needed: drives.count,
      price: fitting.context.housing?.price ?? 0,
      watts: 0,
    },
  ]
  return neverUsed(headrooms).filter(entry => entry.share > 0)
})
/** A licence that is bought once against one that is paid by the year. */
const licence = computed(() => {
  const { licenceOnce = 0, licencePerYear = 0 } = store.plan?.costs ?? {}
  if (licenceOnce <= 0 || licencePerYear <= 0) return ''
  const month = licenceCrossing(licenceOnce, licencePerYear / 12)
  return month === null
    ? ''
    : `Bought once, a licence at ${money(licenceOnce)} is cheaper than one at ` +
        `${money(licencePerYear)} a year from month ${month} on; enter only the one you choose.`
})
const unusedNames = { conversions: 'Conversions', room: 'Room', bays: 'Bays' } as const
const sentence = computed(() => {
  const flow = own.value?.flow
  if (!flow) return ''
  const running = flow.total - flow.byKind.purchase
  return (
    `${money(flow.total)} over ${counted(store.plan!.choices.horizonYears, 'year')}, ` +
    `${money(flow.perMonth)} a month: ${money(flow.byKind.purchase)} to buy it and ` +
    `${money(running)} afterwards.`
  )
})
</script>

<template>
  <div class="columns">
    <div>
      <CourseChart
        title="What it has cost, month by month"
        :courses="courses"
        :month="month"
        @month="month = $event"
      >
        <FallsShort :short="short" :of="of" />
        <p class="sentence" data-years>
          {{ sentence }}
        </p>
        <ComparedChoice :of="of" />
        <template v-if="month !== null">
          <h3>Month {{ month }}</h3>
          <p v-if="lines.length === 0">Nothing is paid in this month.</p>
          <dl class="facts">
            <template v-for="(line, at) in lines" :key="at">
              <dt>{{ cashLabels[line.kind] }}</dt>
              <dd>{{ quantity(line.amount, 'money') }}</dd>
            </template>
          </dl>
        </template>
        <p v-else class="soft small">
          Press a month to see its payments. Rings mark where one has cost as much as another.
        </p>
      </CourseChart>
      <section class="sheet shares">
        <h2>What it goes to</h2>
        <dl class="bars">
          <template v-for="part in parts" :key="part.kind">
            <dt>{{ part.label }}</dt>
            <dd>
              <span
                class="bar"
                :class="{ gain: part.sum < 0 }"
                :style="{ width: `${(Math.abs(part.sum) / most) * 100}%` }"
              />
            </dd>
            <dd class="number">
              <FigureValue :id="`years.${part.kind}`" bare />
            </dd>
          </template>
        </dl>
      </section>
    </div>
    <section class="sheet side">
      <VerdictSentence id="money" />
      <div class="figures">
        <FigureValue id="ownership.horizonTotal" />
        <FigureValue id="ownership.costPerMonth" />
        <FigureValue id="ownership.netPresentValue" />
        <FigureValue id="ownership.purchase" />
      </div>
      <h2>Paid for and never used</h2>
      <p v-if="unused.length === 0">Nothing: all that it can do is needed at the horizon.</p>
      <p v-for="entry in unused" :key="entry.id">
        <strong>{{ unusedNames[entry.id] }}</strong>: {{ share(entry.share) }} of
        {{ number(entry.possible, 3) }} are not needed, {{ money(entry.unusedPrice)
        }}{{ entry.unusedWatts >= 0.5 ? ` and ${quantity(entry.unusedWatts, 'W')}` : '' }}.
      </p>
      <p v-if="licence">
        {{ licence }}
      </p>
      <div class="fields">
        <PlanField path="brief.budget" />
        <PlanField path="choices.horizonYears" />
        <PlanField path="costs.extras" />
        <PlanField path="costs.licenceOnce" />
        <PlanField path="costs.licencePerYear" />
        <PlanField path="costs.warrantyMonths" />
        <PlanField path="costs.resaleShare" />
        <PlanField path="costs.discountRate" />
        <PlanField path="costs.buildHours" placeholder="by its kind" />
        <PlanField path="costs.upkeepHoursPerYear" placeholder="by its system" />
        <PlanField path="costs.hourValue" />
        <PlanField path="costs.upsBatteryPrice" />
      </div>
      <ViewFindings view="ownership" />
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.7fr) minmax(280px, 1fr);
}
.sentence {
  font-size: 1.06rem;
  margin: 8px 0 12px;
}
.shares {
  margin-top: 16px;
}
.bars {
  display: grid;
  grid-template-columns: minmax(110px, auto) minmax(0, 1fr) auto;
  gap: 8px 12px;
  align-items: center;
}
.bars dd {
  margin: 0;
}
.bar {
  display: block;
  height: 18px;
  background: rgb(var(--v-theme-water));
  border-radius: 2px;
  min-width: 2px;
}
.bar.gain {
  background: rgb(var(--v-theme-state-enough));
}
.facts {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 12px;
  max-width: 360px;
}
.facts dd {
  font-variant-numeric: tabular-nums;
  font-weight: 600;
}
.figures,
.fields {
  --least: 130px;
  margin: 12px 0;
}
h3 {
  margin-top: 10px;
}
</style>
