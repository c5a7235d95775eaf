<script setup lang="ts">
import { computed } from 'vue'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import { yearsCost } from '~~/core/tiers/search/wayBuild'
import { counted } from '~~/core/units/counted'
import { withinSentence } from '~~/core/withinSentence'
import { maxCompared, type useCompared } from '~/composables/useCompared'
import { useFormat } from '~/composables/useFormat'
import type { ShortPlan } from '~/composables/useFallsShort'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** Plans that do not meet their need, by name, and the cheapest way that does. */
const props = defineProps<{ short: readonly ShortPlan[]; of: ReturnType<typeof useCompared> }>()
const store = usePlanStore()
const { money } = useFormat()
const cheapest = computed(
  () =>
    props.of.ways.best.value
      .filter(({ second }) => second === null)
      .toSorted((a, b) => yearsCost(a) - yearsCost(b))[0] ?? null,
)
const id = computed(() => (cheapest.value ? `way-${cheapest.value.way}` : ''))
const canBeside = computed(
  () =>
    cheapest.value !== null &&
    cheapest.value.way !== 'stay' &&
    !props.of.ids.value.includes(id.value) &&
    props.of.ids.value.length < maxCompared,
)
const span = computed(() => counted(store.plan?.choices.horizonYears ?? 5, 'year'))
</script>

<template>
  <div v-if="short.length" class="short" role="note" data-falls-short>
    <p v-for="one in short" :key="one.id">
      <strong>{{ one.label }}</strong> does not meet its need. {{ one.lacks }} What it costs buys
      less than what is asked for.
    </p>
    <p v-if="cheapest">
      The cheapest that meets the need is <strong>{{ cheapest.label }}</strong> ({{
        withinSentence(wayNames[cheapest.way])
      }}), {{ money(cheapest.horizonCost) }} over {{ span }}.
      <button
        v-if="canBeside"
        type="button"
        class="plain-button link"
        @click="of.choose([...of.ids.value, id])"
      >
        Set it beside
      </button>
      <NuxtLink :to="viewAddress(store.id ?? '', 'tiers')">All ways</NuxtLink>
    </p>
  </div>
</template>

<style scoped>
.short {
  border-left: 4px dashed rgb(var(--v-theme-state-short));
  padding: 2px 0 2px 12px;
  margin: 8px 0;
}
.short p {
  margin: 2px 0;
}
.short a,
.link {
  color: rgb(var(--v-theme-primary));
  margin-right: 10px;
}
.link {
  text-decoration: underline;
}
</style>
