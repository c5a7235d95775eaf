<script setup lang="ts">
import { computed, ref } from 'vue'
import { breakEvenWithRise, breakEvenYears, crossingYears } from '~~/core/ownership/breakEven'
import PlanField from '~/components/common/PlanField.vue'
import { useBackground } from '~/composables/useBackground'
import { useCompared } from '~/composables/useCompared'
import { useFormat } from '~/composables/useFormat'
import { counted } from '~~/core/units/counted'
import { joinClauses } from '~~/core/verdictClauses'
import { averagePricePerKWh } from '~~/core/plan/energyPrice'
import { useHoursByHabits } from '~/composables/useHoursByHabits'
import { usePlanStore } from '~/stores/planStore'
import { useFallsShort } from '~/composables/useFallsShort'
import CourseChart from './CourseChart.vue'
import FallsShort from './FallsShort.vue'

/**
 * When a new, thriftier machine has paid for itself: in electricity alone, and with everything
 * counted.
 */
const store = usePlanStore()
const byHabits = useHoursByHabits()
const of = useCompared()
const { compared, options } = of
const { money, quantity, number } = useFormat()
const oldId = ref('open')
const newId = ref<string | null>(null)
const candidates = computed(() => compared.value)
const old = computed(
  () => candidates.value.find(({ id }) => id === oldId.value) ?? candidates.value[0] ?? null,
)
const next = computed(
  () =>
    candidates.value.find(({ id }) => id === newId.value) ??
    candidates.value.find(({ id }) => id !== old.value?.id) ??
    null,
)
const short = useFallsShort(() => (old.value && next.value ? [old.value, next.value] : []))
const isShort = (one: { readonly id: string } | null) =>
  short.value.some(({ id }) => id === one?.id)
const pair = computed(() => (old.value && next.value ? [old.value.plan, next.value.plan] : null))
const { result } = useBackground(
  'compare',
  () => pair.value,
  (work, plans) => work.flows(JSON.parse(JSON.stringify(plans)) as typeof plans),
)
const flows = computed(() => (result.value?.length === 2 ? result.value : null))
const price = computed(() => (store.plan ? averagePricePerKWh(store.plan.costs) : 0))
const rise = computed(() => store.plan?.costs.electricityRisePerYear ?? 0)
const extraPrice = computed(() =>
  flows.value ? flows.value[1]!.question.purchase - flows.value[0]!.question.purchase : 0,
)
const savedW = computed(() =>
  flows.value ? flows.value[0]!.question.averageW - flows.value[1]!.question.averageW : 0,
)
const question = computed(() => ({
  extraPrice: extraPrice.value,
  savedW: savedW.value,
  pricePerKWh: price.value,
}))
const byWatts = computed(() =>
  flows.value
    ? rise.value === 0
      ? breakEvenYears(question.value)
      : breakEvenWithRise({ ...question.value, risePerYear: rise.value })
    : null,
)
const withAll = computed(() => {
  if (!flows.value) return null
  const [before, after] = [flows.value[0]!.flow.cumulative, flows.value[1]!.flow.cumulative]
  return crossingYears(
    month => after[month]! - before[month]!,
    Math.min(before.length, after.length) - 1,
  )
})
const courses = computed(() =>
  flows.value
    ? [
        {
          id: 'old',
          label: old.value!.label,
          sums: flows.value[0]!.flow.cumulative,
          isShort: isShort(old.value),
        },
        {
          id: 'new',
          label: next.value!.label,
          sums: flows.value[1]!.flow.cumulative,
          isShort: isShort(next.value),
        },
      ]
    : [],
)
const items = computed(() =>
  options.value
    .filter(({ id }) => candidates.value.some(one => one.id === id))
    .map(({ id, label }) => ({ value: id, title: label })),
)
const years = (value: number) => `${number(value, 3)} year${value === 1 ? '' : 's'}`
const sentence = computed(() => {
  if (!flows.value) return 'Two machines are being worked out.'
  if (short.value.length > 0)
    return (
      `${joinClauses(short.value.map(({ label }) => label))} ` +
      `${short.value.length === 1 ? 'falls' : 'fall'} short of what is needed, so there is ` +
      'nothing to pay back between these two.'
    )
  if (extraPrice.value <= 0 && savedW.value >= 0)
    return (
      `${next.value!.label} costs no more now and takes no more power: there is nothing to ` +
      'pay back.'
    )
  if (extraPrice.value <= 0)
    return (
      `${next.value!.label} is ${money(-extraPrice.value)} cheaper to buy but takes ` +
      `${quantity(-savedW.value, 'W')} more: ` +
      `${byTurned.value === null ? 'it stays cheaper' : `after ${years(byTurned.value)} it has cost more`}.`
    )
  if (byWatts.value === null)
    return (
      `${next.value!.label} costs ${money(extraPrice.value)} more and saves no power, so it ` +
      'never pays for itself by electricity.'
    )
  return (
    `${next.value!.label} costs ${money(extraPrice.value)} more and saves ` +
    `${quantity(savedW.value, 'W')} on average: by electricity it has paid for itself after ` +
    `${years(byWatts.value)}.`
  )
})
const byTurned = computed(() =>
  breakEvenYears({
    extraPrice: -extraPrice.value,
    savedW: -savedW.value,
    pricePerKWh: price.value,
  }),
)
const horizon = computed(() => store.plan?.choices.horizonYears ?? 5)
</script>

<template>
  <div class="columns">
    <CourseChart title="Old and new, side by side" :courses="courses">
      <FallsShort :short="short" :of="of" />
      <p class="sentence" data-old-new>
        {{ sentence }}
      </p>
      <p v-if="flows && short.length === 0">
        {{
          withAll === null
            ? `With drives, licences and everything else counted it does not catch up within ${counted(horizon, 'year')}.`
            : withAll === 0
              ? 'With everything counted it costs no more from the beginning.'
              : `With drives, licences and everything else counted it has caught up after ${years(withAll)}.`
        }}
      </p>
    </CourseChart>
    <section class="sheet side">
      <VSelect v-model="oldId" :items="items" label="Kept" hide-details class="choice" />
      <VSelect
        :model-value="next?.id ?? null"
        :items="items.filter(({ value }) => value !== old?.id)"
        label="Bought instead"
        hide-details
        class="choice"
        @update:model-value="newId = $event"
      />
      <dl v-if="flows" class="facts">
        <dt>More to pay now</dt>
        <dd>{{ money(extraPrice) }}</dd>
        <dt>Saved on average</dt>
        <dd>{{ quantity(savedW, 'W') }}</dd>
        <dt>Saved in a year</dt>
        <dd>{{ quantity(savedW * 8.766, 'kWh') }}</dd>
        <dt>That is, at today's price</dt>
        <dd>{{ money(savedW * 8.766 * price) }}</dd>
      </dl>
      <p class="soft small">
        Extra price ÷ (watts saved × 8.766 kWh × price of a kWh). The average counts the hours of
        real load, not idle alone.
      </p>
      <div class="fields">
        <PlanField path="costs.pricePerKWh" />
        <PlanField path="costs.electricityRisePerYear" />
        <PlanField path="choices.convertingHoursPerDay" :placeholder="byHabits.converting" />
        <PlanField path="choices.horizonYears" />
      </div>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.7fr) minmax(260px, 1fr);
}
.sentence {
  font-size: 1.06rem;
  margin: 8px 0;
}
.choice {
  margin-bottom: 12px;
}
.facts {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 12px;
  margin: 8px 0;
}
.facts dd {
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
.fields {
  --least: 130px;
}
</style>
