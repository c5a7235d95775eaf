<script setup lang="ts">
import { computed } from 'vue'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import { counted } from '~~/core/units/counted'
import { withinSentence } from '~~/core/withinSentence'
import { lackingText } from '~/components/tiers/lacksText'
import { useFormat } from '~/composables/useFormat'
import { useSearch } from '~/composables/useSearch'
import { usePlanStore } from '~/stores/planStore'

/** What to buy: the best over the years and the best now, as Start and Tiers say it. */
const store = usePlanStore()
const { money } = useFormat()
const budget = computed(() => store.plan?.brief.budget ?? null)
// Brief is where one begins, often on the way elsewhere: it asks once it has been looked at.
const lookedAtMs = 1000
const { progress, running, failed } = useSearch(
  'best',
  () => ({ budget: budget.value }),
  lookedAtMs,
)
const bestBy = (because: 'years' | 'now') =>
  progress.value?.builds.find(({ because: all }) => all.includes(because))?.build ?? null
const years = computed(() => bestBy('years'))
const now = computed(() => (bestBy('now') === years.value ? null : bestBy('now')))
const closest = computed(() => progress.value?.closest[0] ?? null)
const closestLacks = computed(() => {
  const lacks = closest.value && lackingText(closest.value)
  return lacks ? ` But ${withinSentence(lacks)}` : ''
})
const span = computed(() => counted(store.plan?.choices.horizonYears ?? 5, 'year'))
const kind = ({ way }: WayBuild) => withinSentence(wayNames[way])
const sums = (build: WayBuild) =>
  `${money(build.toPay)} now and ${money(build.horizonCost)} over ${span.value}`
</script>

<template>
  <p class="build" data-best-build :aria-busy="running">
    <template v-if="years">
      {{ running ? 'Best over the years so far:' : 'Best over the years:' }}
      <strong>{{ years.label }}</strong> ({{ kind(years) }}) with {{ years.drives }},
      {{ sums(years) }}.
      <template v-if="now">
        Cheapest now: <strong>{{ now.label }}</strong>, {{ sums(now) }}.
      </template>
    </template>
    <template v-else-if="failed">
      The search for a build broke off. Tiers searches again.
    </template>
    <template v-else-if="closest">
      Nothing in the catalogue meets the whole need{{
        budget === null ? '' : ' within the budget'
      }}. Closest: <strong>{{ closest.label }}</strong> ({{ kind(closest) }}) with
      {{ closest.drives }}, {{ sums(closest) }}.{{ closestLacks }}
    </template>
    <template v-else-if="running || !progress"> The catalogue is being searched. </template>
    <template v-else> Nothing in the catalogue comes close to the need. </template>
  </p>
</template>

<style scoped>
.build {
  margin: 4px 0;
}
</style>
