<script setup lang="ts">
import { computed } from 'vue'
import { meetsNeed } from '~~/core/verdict'
import { useBackground } from '~/composables/useBackground'
import { viewAddress } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { pageLocale } from '~/services/pageLocale'
import { usePlanStore } from '~/stores/planStore'

/** One answer for the whole plan, because of which headrooms, and the cheapest way of building that would do. */
const store = usePlanStore()
const { money } = useFormat()
const verdicts = computed(() => store.assessment?.verdicts ?? [])
const failing = computed(() => verdicts.value.filter(verdict => verdict.state === 'short' || verdict.state === 'impossible'))
// Without a budget nobody asks whether the money is enough; with one, a missing price leaves it open.
const unknown = computed(() => verdicts.value.filter(verdict => verdict.state === 'unknown' && (verdict.id !== 'money' || store.plan?.brief.budget !== null)))
const tight = computed(() => verdicts.value.filter(verdict => verdict.state === 'tight'))
const list = (items: readonly { label: string }[]) => items.map(item => item.label.toLowerCase()).join(', ').replace(/, ([^,]*)$/, ' and $1')

const answer = computed(() => {
  if (failing.value.length) return { word: 'This will not do', because: `${list(failing.value)} ${failing.value.length === 1 ? 'falls' : 'fall'} short.` }
  if (unknown.value.length) return { word: 'Not known yet', because: `${list(unknown.value)} still ${unknown.value.length === 1 ? 'needs' : 'need'} an answer.` }
  if (tight.value.length) return { word: 'This will do, narrowly', because: `${list(tight.value)} ${tight.value.length === 1 ? 'is' : 'are'} tight.` }
  return { word: 'This will do', because: 'every headroom holds, also by the cautious figures.' }
})

// Six assessments more: they are made off the page, so that the headroom line never waits for them.
const { result: ways } = useBackground('compare', () => store.plan, (work, plan) => work.compareWays(plan, pageLocale()))
const cheapest = computed(() => (ways.value ?? []).filter(row => row.meets)
  .map(row => ({ label: row.way.label, price: row.assessment.figures['ownership.purchase']?.value ?? 0 }))
  .sort((a, b) => a.price - b.price)[0] ?? null)
const searched = computed(() => ways.value !== null)
const needsOther = computed(() => failing.value.length > 0 && verdicts.value.every(verdict => meetsNeed(verdict.state) || failing.value.includes(verdict) || verdict.id === 'money'))
</script>

<template>
  <section
    class="overall"
    :class="{ fails: failing.length, waits: !failing.length && unknown.length }"
    aria-live="polite"
    data-overall
  >
    <p class="word">
      {{ answer.word }}<span>, because {{ answer.because }}</span>
    </p>
    <p class="cheapest">
      <template v-if="needsOther && cheapest">
        Cheapest way in the catalogue that meets the need: <strong>{{ cheapest.label }}</strong>, {{ money(cheapest.price) }} with drives.
      </template>
      <template v-else-if="needsOther && searched">
        No way in the catalogue meets the whole need within the budget.
      </template>
      <template v-else>
        Six ways of building stand beside it.
      </template>
      <NuxtLink :to="viewAddress(store.id ?? '', 'tiers')">
        Compare all six
      </NuxtLink>
    </p>
  </section>
</template>

<style scoped>
.overall { border-left: 5px solid rgb(var(--v-theme-state-ample)); padding: 6px 0 6px 16px; }
.overall.fails { border-color: rgb(var(--v-theme-state-short)); }
.overall.waits { border-color: rgb(var(--v-theme-state-unknown)); }
.word { font-size: 1.5rem; font-weight: 650; margin: 0; line-height: 1.3; letter-spacing: -0.01em; }
.word span { font-weight: 400; }
.cheapest { margin: 4px 0 0; }
.cheapest a { color: rgb(var(--v-theme-primary)); }
</style>
