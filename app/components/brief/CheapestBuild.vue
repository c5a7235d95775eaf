<script setup lang="ts">
import { withinSentence } from '~~/core/withinSentence'
import { computed } from 'vue'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import { useFormat } from '~/composables/useFormat'
import { useSearch } from '~/composables/useSearch'
import { usePlanStore } from '~/stores/planStore'

/** The build that meets the need for least money now, within the budget where there is one. */
const store = usePlanStore()
const { money } = useFormat()
const { progress, running, failed } = useSearch('build', () => ({
  cap: store.plan?.brief.budget ?? null,
}))
const found = computed(() => progress.value?.build ?? null)
</script>

<template>
  <p class="build" data-cheapest-build :aria-busy="running">
    <template v-if="found">
      {{
        running ? 'The cheapest build found so far is' : 'The cheapest build that meets the need is'
      }}
      <strong>{{ found.label }}</strong> ({{ withinSentence(wayNames[found.way]) }}) with
      {{ found.drives }}, at {{ money(found.toPay) }}.
    </template>
    <template v-else-if="failed">
      The search for a build broke off. Tiers searches again.
    </template>
    <template v-else-if="running || !progress">
      The catalogue is being searched for the cheapest build.
    </template>
    <template v-else>
      No build in the catalogue meets the whole need{{
        store.plan?.brief.budget == null ? '' : ' within the budget'
      }}.
    </template>
  </p>
</template>

<style scoped>
.build {
  margin: 4px 0;
}
</style>
