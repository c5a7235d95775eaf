<script setup lang="ts">
import { computed } from 'vue'
import { meetsNeed } from '~~/core/verdict'
import { overallAnswer, overallWords } from '~~/core/verdictClauses'
import { useBackground } from '~/composables/useBackground'
import { viewAddress } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { pageLocale } from '~/services/pageLocale'
import { usePlanStore } from '~/stores/planStore'

/** One answer for the whole plan, why, and the cheapest build that would do. */
const store = usePlanStore()
const { money } = useFormat()
const verdicts = computed(() => store.assessment?.verdicts ?? [])
const failing = computed(() => verdicts.value.filter(verdict => verdict.state === 'short' || verdict.state === 'impossible'))
const overall = computed(() => overallAnswer(verdicts.value, store.plan?.brief.budget !== null))

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
    :class="overall.answer"
    aria-live="polite"
    data-overall
  >
    <p class="word">
      {{ overallWords[overall.answer] }}<span>, because {{ overall.because }}.</span>
    </p>
    <p class="cheapest">
      <template v-if="needsOther && cheapest">
        The cheapest build that meets the need is <strong>{{ cheapest.label }}</strong>, at {{ money(cheapest.price) }} with drives.
      </template>
      <template v-else-if="needsOther && searched">
        No build in the catalogue meets the whole need within the budget.
      </template>
      <template v-else>
        You can compare it with six builds.
      </template>
      <NuxtLink :to="viewAddress(store.id ?? '', 'tiers')">
        Compare all six
      </NuxtLink>
    </p>
  </section>
</template>

<style scoped>
.overall { border-left: 5px solid rgb(var(--v-theme-state-ample)); padding: 6px 0 6px 16px; }
.overall.no { border-color: rgb(var(--v-theme-state-short)); }
.overall.open { border-color: rgb(var(--v-theme-state-unknown)); }
.word { font-size: 1.5rem; font-weight: 650; margin: 0; line-height: 1.3; letter-spacing: -0.01em; }
.word span { font-weight: 400; }
.cheapest { margin: 4px 0 0; }
.cheapest a { color: rgb(var(--v-theme-primary)); }
</style>
