<script setup lang="ts">
import { withinSentence } from '~~/core/withinSentence'
import { computed, ref } from 'vue'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import { useFormat } from '~/composables/useFormat'
import { useLacksCopy } from '~/composables/useLacksCopy'
import { useWays } from '~/composables/useWays'
import { usePlanStore } from '~/stores/planStore'
import ConditionChips from './ConditionChips.vue'
import SearchState from './SearchState.vue'
import WayInspector from './WayInspector.vue'
import WaysField from './WaysField.vue'
import WaysTable from './WaysTable.vue'
import { keyOf } from './waysLayout'

/** Which one to buy: the best build of every way for this need and this money. */
const store = usePlanStore()
const { besides } = useLacksCopy()
const ways = useWays()
const { rows, best, tiers, objective, costOf, look, apply } = ways
const { money } = useFormat()
const picked = ref<string | null>(null)
/** Where a copy away is asked for, it comes with every build that is found. */
const copyIsIn = computed(() => store.plan?.conditions.copyAway ?? false)
const budget = computed(() => store.plan?.brief.budget ?? null)
const horizon = computed(() => store.plan?.choices.horizonYears ?? 5)
const affordable = computed(() =>
  best.value.filter(build => budget.value === null || build.toPay <= budget.value),
)
/** The answer, the next best, and the plan as it is. */
const named = computed(() => {
  const stays = rows.value.find(({ way }) => way === 'stay')
  const asItIs = stays?.best ?? stays?.closest
  return [...affordable.value.slice(0, 2), ...(asItIs ? [asItIs] : [])].map(keyOf)
})
const span = computed(() => `${horizon.value} year${horizon.value === 1 ? '' : 's'}`)
const answer = computed(() => {
  if (store.assessment?.domains.library.empty)
    return (
      'Nothing is kept yet, so whatever is built would do: enter who watches and what is ' +
      'kept, and the ways below follow.'
    )
  const [first, second] = affordable.value
  if (!first) {
    const cheapest = [...best.value].sort((a, b) => a.toPay - b.toPay)[0]
    if (ways.running.value || rows.value.length === 0)
      return 'The search goes on; the first build that meets the need will stand here.'
    return cheapest
      ? `Nothing within ${money(budget.value!)} meets the need. The least that does is ` +
          `${cheapest.label} (${withinSentence(wayNames[cheapest.way])}) at ` +
          `${money(cheapest.toPay)}.`
      : 'Nothing in the catalogue meets this need. Search says which parts of it clash.'
  }
  // Before its end, or cancelled, a search knows only the best so far: that is no answer to buy by.
  if (ways.running.value || ways.cancelled.value)
    return (
      `Best so far: ${first.label} (${withinSentence(wayNames[first.way])}) with ` +
      `${first.drives}, ${money(costOf(first))}. ` +
      `${ways.running.value ? 'The search goes on' : 'The search was cancelled'}, so ` +
      'something cheaper may be left.'
    )
  const now =
    objective.value === 'now'
      ? `it costs least now, ${money(first.toPay)}`
      : `it costs least over ${span.value}, ${money(first.horizonCost)} with ` +
        `${money(first.toPay)} to pay now`
  const rest = second
    ? ` Next comes ${second.label} (${withinSentence(wayNames[second.way])}), ` +
      `${money(costOf(second) - costOf(first))} dearer.`
    : ''
  return (
    `${first.way === 'stay' ? `Keep ${first.label} with ${first.drives}, as the plan has it` : `Buy ${first.label} (${withinSentence(wayNames[first.way])}) with ${first.drives}`}, ` +
    `because it meets the whole need and ${now}.${rest}${copyIsIn.value ? '' : besides.value}`
  )
})
const answered = computed(() => affordable.value[0] ?? null)
function open(build: WayBuild): void {
  picked.value = keyOf(build)
}
</script>

<template>
  <section class="sheet">
    <!-- Prices are asked for once the ways are found: both at once would hold each other up. -->
    <ConditionChips
      :key="ways.running.value ? 'searching' : 'found'"
      :build="answered"
      :priced="!ways.running.value"
      class="chips"
    />
    <p class="answer" data-answer>
      {{ answer }}
    </p>
    <div class="controls no-print">
      <VBtnToggle
        v-model="objective"
        mandatory
        density="compact"
        color="primary"
        variant="outlined"
        aria-label="What is made cheapest"
      >
        <VBtn value="horizon" size="small"> Cheapest over {{ span }} </VBtn>
        <VBtn value="now" size="small"> Cheapest now </VBtn>
      </VBtnToggle>
      <VBtn
        v-if="affordable[0] && affordable[0].way !== 'stay' && affordable[0].second === null"
        color="primary"
        variant="flat"
        size="small"
        data-apply-best
        @pointerenter="look(affordable[0]!)"
        @pointerleave="look(null)"
        @click="apply(affordable[0]!)"
      >
        Apply {{ affordable[0].label }}
      </VBtn>
    </div>
    <SearchState :ways="ways" />
  </section>
  <WaysField
    :rows="rows"
    :tiers="tiers"
    :picked="picked"
    :named="named"
    class="field"
    @look="look"
    @pick="mark => open(mark.build)"
  />
  <WaysTable :ways="ways" :span="span" :picked="picked" class="table-sheet" @open="open" />
  <WayInspector v-model:picked="picked" :ways="ways" :span="span" />
</template>

<style scoped>
.chips {
  margin-bottom: 10px;
}
.answer {
  font-size: 1.12rem;
  margin-bottom: 12px;
  max-width: 78ch;
}
.controls {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-bottom: 12px;
  align-items: center;
}
.field,
.table-sheet {
  margin-top: 16px;
}
</style>
