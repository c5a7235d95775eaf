<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed, ref } from 'vue'
import { cloudCourse, usualCloudSteps } from '~~/core/ownership/cloud'
import { maxCloudSteps } from '~~/core/plan/constants'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import { useCompared } from '~/composables/useCompared'
import { useFallsShort } from '~/composables/useFallsShort'
import CourseChart from './CourseChart.vue'
import FallsShort from './FallsShort.vue'

/** A cloud store instead: when one's own machine has cost less. */
const store = usePlanStore()
const { money, number, quantity } = useFormat()
const of = useCompared()
const short = useFallsShort(() =>
  store.plan ? [{ id: 'own', label: store.plan.name, plan: store.plan }] : [],
)
const picked = ref<number | null>(null)
const own = computed(() => store.assessment?.domains.years.flow.cumulative ?? [])
const content = computed(
  () => store.assessment?.domains.library.forecast.months.map(({ likely }) => likely) ?? [],
)
const costs = computed(() => store.plan?.costs ?? null)
const steps = computed(() =>
  costs.value?.cloudSteps.length ? costs.value.cloudSteps : usualCloudSteps,
)
const course = computed(() =>
  costs.value && own.value.length
    ? cloudCourse({
        steps: steps.value,
        contentTB: content.value,
        egressPerTB: costs.value.cloudEgressPerTB,
        risePerYear: costs.value.cloudRisePerYear,
        own: own.value,
      })
    : null,
)
const courses = computed(() =>
  course.value
    ? [
        {
          id: 'own',
          label: store.plan!.name,
          sums: own.value,
          isShort: short.value.length > 0,
        },
        { id: 'cloud', label: 'Cloud store', sums: course.value.cumulative },
      ]
    : [],
)
const sentence = computed(() => {
  if (!course.value) return ''
  const { crossesMonth, outgrownMonth, cumulative } = course.value
  if (outgrownMonth === 0)
    return `No step of the store holds today's ${quantity(content.value[0] ?? 0, 'TB')}.`
  const until =
    outgrownMonth === null
      ? ''
      : ` From month ${outgrownMonth} on no step holds the library any more.`
  if (crossesMonth === null)
    return (
      'Within the horizon the store stays cheaper: ' +
      `${money(cumulative.findLast(sum => sum !== null) ?? 0)} against ` +
      `${money(own.value.at(-1) ?? 0)}.${until}`
    )
  return (
    `After ${counted(crossesMonth, 'month')} (${number(crossesMonth / 12, 2)} years) the store has cost ` +
    `as much as the machine.${until}`
  )
})
function add(): void {
  const last = steps.value.at(-1)
  store.edit('costs.cloudSteps', [
    ...steps.value,
    {
      sizeTB: Math.min(10_000, (last?.sizeTB ?? 1) * 2),
      pricePerMonth: (last?.pricePerMonth ?? 5) * 2,
    },
  ])
}
</script>

<template>
  <div class="columns">
    <CourseChart title="A cloud store instead" :courses="courses">
      <FallsShort :short="short" :of="of" />
      <p class="sentence" data-cloud>
        {{ sentence }}
      </p>
      <p v-if="course && store.plan && store.plan.costs.cloudEgressPerTB > 0" class="soft">
        Leaving the store at the horizon costs {{ money(course.egress.at(-1) ?? 0) }} once.
      </p>
      <h3>What money does not compare</h3>
      <ul>
        <li>
          The store takes no time to build and little to look after; the machine takes hours of your
          own.
        </li>
        <li>The store keeps copies in several places; the machine wants a copy away of its own.</li>
        <li>
          At home everything plays without the internet line; the store needs it for every film, and
          for hundreds of hours to fill it.
        </li>
        <li>
          A store can raise its price, change its rules or close; you can look into the machine, and
          it needs you.
        </li>
      </ul>
    </CourseChart>
    <section class="sheet side">
      <h2>Steps of the store</h2>
      <p class="soft">
        {{
          costs?.cloudSteps.length
            ? 'By your own entries.'
            : 'Planning values; enter the ones of your offer.'
        }}
      </p>
      <PickList
        :id="fieldElementId('costs.cloudSteps')"
        v-model:picked="picked"
        :entries="costs?.cloudSteps ?? []"
        path="costs.cloudSteps"
        :add="costs?.cloudSteps.length ? 'Add a step' : 'Enter your own steps'"
        :full="(costs?.cloudSteps.length ?? 0) >= maxCloudSteps"
        :name="step => quantity(step.sizeTB, 'TB')"
        @add="add"
        @remove="
          index =>
            store.edit(
              'costs.cloudSteps',
              costs!.cloudSteps.filter((_, other) => other !== index),
            )
        "
      >
        <template #line="{ entry }">
          <span
            >{{ quantity(entry.sizeTB, 'TB') }}
            <span class="soft">{{ money(entry.pricePerMonth) }} a month</span></span
          >
        </template>
        <template #default="{ index }">
          <PlanField :path="`costs.cloudSteps.${index}.sizeTB`" />
          <PlanField :path="`costs.cloudSteps.${index}.pricePerMonth`" />
        </template>
      </PickList>
      <dl v-if="!costs?.cloudSteps.length" class="facts">
        <template v-for="step in steps" :key="step.sizeTB">
          <dt>{{ quantity(step.sizeTB, 'TB') }}</dt>
          <dd>{{ money(step.pricePerMonth) }} a month</dd>
        </template>
      </dl>
      <div class="fields">
        <PlanField path="costs.cloudEgressPerTB" />
        <PlanField path="costs.cloudRisePerYear" />
        <PlanField path="costs.savedPerMonth" />
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
ul {
  padding-left: 20px;
}
.facts {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 12px;
  margin: 8px 0;
}
.fields {
  --least: 130px;
  margin-top: 12px;
}
</style>
