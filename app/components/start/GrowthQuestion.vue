<script setup lang="ts">
import { computed } from 'vue'
import { growthChoices, growthShare, withGrowth } from '~~/core/library/kept'
import FigureValue from '~/components/common/FigureValue.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import ChoiceChips from './ChoiceChips.vue'
import StartQuestion from './StartQuestion.vue'

/** How the library grows: of what is there, so much comes in a year. */
const store = usePlanStore()
const { share } = useFormat()
const words = ['Not at all', 'Slowly', 'Steadily', 'Fast']
const options = computed(() =>
  growthChoices.map((value, index) => ({
    value: value as number,
    title: value ? `${words[index]}, ${share(value)} a year` : words[index]!,
  })),
)
const chosen = computed(() => (store.plan ? growthShare(store.plan.library) : null))
const anything = computed(
  () =>
    store.plan !== null &&
    (store.plan.library.otherTB > 0 ||
      store.plan.library.holdings.some(holding => holding.titles > 0)),
)
function choose(value: number): void {
  if (store.plan) store.replace({ ...store.plan, library: withGrowth(store.plan.library, value) })
}
</script>

<template>
  <StartQuestion :number="3" question="How does it grow?">
    <ChoiceChips
      label="Growth of the library"
      :options="options"
      :chosen="chosen"
      @choose="choose"
    />
    <template #result>
      <span v-if="!anything">Say first what is kept: it grows by a share of that.</span>
      <template v-else>
        <FigureValue id="library.contentAtHorizonTB" inline />
      </template>
    </template>
  </StartQuestion>
</template>
