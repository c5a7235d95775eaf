<script setup lang="ts">
import { computed, ref } from 'vue'
import { ownEntry } from '~~/core/plan/constants'
import PlanField from '~/components/common/PlanField.vue'
import { usePlanStore } from '~/stores/planStore'
import ChoiceChips from './ChoiceChips.vue'
import StartQuestion from './StartQuestion.vue'

/**
 * What is there already: an owned computer and owned drives become the plan's machine, to be judged
 * beside the builds.
 */
const store = usePlanStore()
const machine = computed(() => store.plan?.machine ?? null)
const owned = computed(() =>
  (store.plan?.drives.lots ?? []).findIndex(lot => lot.condition === 'owned'),
)
const hasComputer = computed(
  () =>
    machine.value !== null &&
    machine.value.condition === 'owned' &&
    (machine.value.score !== null ||
      machine.value.sustainedGHz !== null ||
      machine.value.cores !== null),
)
const options = [
  { value: 'nothing', title: 'Nothing' },
  { value: 'computer', title: 'An old computer' },
  { value: 'drives', title: 'Drives' },
  { value: 'both', title: 'Both' },
]
const chosen = ref(
  hasComputer.value
    ? owned.value >= 0
      ? 'both'
      : 'computer'
    : owned.value >= 0
      ? 'drives'
      : 'nothing',
)
const asksComputer = computed(() => chosen.value === 'computer' || chosen.value === 'both')
const asksDrives = computed(() => chosen.value === 'drives' || chosen.value === 'both')

/** A computer of ten years ago, until its owner says what it is. */
const usualComputer = {
  base: 'own',
  processor: 'own',
  parts: [],
  condition: 'owned',
  score: null,
  cores: 4,
  sustainedGHz: 3,
  designYear: 2015,
} as const
function choose(value: string): void {
  const plan = store.plan
  if (!plan) return
  chosen.value = value
  const lots = plan.drives.lots.filter(lot => lot.condition !== 'owned')
  store.replace({
    ...plan,
    machine: asksComputer.value
      ? hasComputer.value
        ? plan.machine
        : { ...plan.machine, ...usualComputer, parts: [] }
      : hasComputer.value
        ? {
            ...plan.machine,
            condition: 'new',
            score: null,
            cores: null,
            sustainedGHz: null,
            designYear: null,
          }
        : plan.machine,
    drives: {
      ...plan.drives,
      lots: asksDrives.value
        ? owned.value >= 0
          ? plan.drives.lots
          : [
              ...lots,
              {
                count: 2,
                sizeTB: 4,
                model: ownEntry,
                group: 1,
                condition: 'owned',
                priceEach: null,
                warrantyMonths: null,
                goesInLast: false,
                role: 'any',
              },
            ]
        : lots,
    },
  })
}
</script>

<template>
  <StartQuestion :number="5" question="What is there already?">
    <ChoiceChips
      label="What is there already"
      :options="options"
      :chosen="chosen"
      @choose="choose"
    />
    <div v-if="asksComputer" class="fields">
      <PlanField path="machine.cores" />
      <PlanField path="machine.sustainedGHz" />
      <PlanField path="machine.designYear" />
      <PlanField path="machine.score" label="Or its processor score" />
    </div>
    <div v-if="asksDrives && owned >= 0" class="fields">
      <PlanField :path="`drives.lots.${owned}.count`" label="Drives owned" />
      <PlanField :path="`drives.lots.${owned}.sizeTB`" label="Size of each" />
    </div>
  </StartQuestion>
</template>

<style scoped>
.fields {
  --least: 140px;
}
</style>
