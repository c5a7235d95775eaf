<script setup lang="ts">
import { computed } from 'vue'
import { cheaperWay } from '~~/core/tiers/search/cheaperWay'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import { counted } from '~~/core/units/counted'
import { withinSentence } from '~~/core/withinSentence'
import { useFormat } from '~/composables/useFormat'
import { useSearch } from '~/composables/useSearch'
import { usePlanStore } from '~/stores/planStore'

/** What staying with the plan costs, where another way meets the need for much less. */
const props = defineProps<{ needsChange: boolean }>()
const store = usePlanStore()
const { money } = useFormat()
const best = useSearch('best', () => ({ budget: store.plan?.brief.budget ?? null }))
const change = props.needsChange ? useSearch('change', () => ({ newLayout: false })) : null
const stays = computed(
  () =>
    (change
      ? change.running.value
        ? null
        : change.progress.value?.build
      : best.progress.value?.stays) ?? null,
)
const cheaper = computed(() =>
  best.progress.value?.done && stays.value
    ? cheaperWay(best.progress.value, stays.value.horizonCost)
    : null,
)
const span = computed(() => counted(store.plan?.choices.horizonYears ?? 5, 'year'))
</script>

<template>
  <p v-if="cheaper && stays" class="staying" data-staying>
    Another way costs less over {{ span }}: <strong>{{ cheaper.label }}</strong> ({{
      withinSentence(wayNames[cheaper.way])
    }}), {{ money(cheaper.toPay) }} now and {{ money(cheaper.horizonCost) }} over the years. This
    plan{{ needsChange ? ' with the change' : '' }} costs {{ money(stays.horizonCost) }} over them.
  </p>
</template>

<style scoped>
.staying {
  margin: 4px 0;
}
</style>
