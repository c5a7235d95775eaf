<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { meetsNeed, stateOfBuild } from '~~/core/verdict'
import { overallAnswer, overallWords } from '~~/core/verdictClauses'
import { useLacksCopy } from '~/composables/useLacksCopy'
import { viewAddress } from '~/composables/views'
import { afterPaint } from '~/services/afterPaint'
import { usePlanStore } from '~/stores/planStore'

/**
 * One answer for the whole plan, why, and the cheapest change that would do; a build where no
 * change does.
 */
// Fetched once the answer has been painted: the searches come with much of the core.
const CheapestChange = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/tiers/CheapestChange.vue')),
)
const BestBuild = defineAsyncComponent(() => afterPaint().then(() => import('./BestBuild.vue')))
const StayingCosts = defineAsyncComponent(() =>
  afterPaint().then(() => import('./StayingCosts.vue')),
)
const PartsListLink = defineAsyncComponent(() =>
  afterPaint().then(() => import('./PartsListLink.vue')),
)
const MissingCopy = defineAsyncComponent(() => afterPaint().then(() => import('./MissingCopy.vue')))
const MeasuredLine = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/logbook/MeasuredLine.vue')),
)
const RehearsedLine = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/rehearsal/RehearsedLine.vue')),
)
const store = usePlanStore()
const verdicts = computed(() => store.assessment?.verdicts ?? [])
const failing = computed(() =>
  verdicts.value.filter(verdict => ['short', 'impossible'].includes(stateOfBuild(verdict))),
)
const { lacksCopy } = useLacksCopy()
const overall = computed(() => overallAnswer(verdicts.value, store.plan?.brief.budget !== null))

const needsOther = computed(
  () =>
    failing.value.length > 0 &&
    verdicts.value.every(
      verdict =>
        meetsNeed(stateOfBuild(verdict)) ||
        failing.value.includes(verdict) ||
        verdict.id === 'money',
    ),
)
/** Nothing is known yet of what would serve: whatever is built is an answer. */
const needsBox = computed(
  () =>
    verdicts.value.some(({ id, state }) => id === 'streams' && state === 'unknown') &&
    store.assessment?.domains.library.empty === false,
)
</script>

<template>
  <section class="overall" :class="overall.answer" aria-live="polite" data-overall>
    <p class="word">
      {{ overallWords[overall.answer] }}<span>, because {{ overall.because }}.</span>
    </p>
    <div
      v-if="store.plan"
      class="cheapest"
      :class="{ searched: needsOther || needsBox, copied: lacksCopy }"
    >
      <CheapestChange v-if="needsOther" :new-layout="false">
        <BestBuild />
      </CheapestChange>
      <BestBuild v-else-if="needsBox" />
      <StayingCosts
        v-if="needsOther || overall.answer === 'yes' || overall.answer === 'just'"
        :key="String(needsOther)"
        :needs-change="needsOther"
      />
      <MissingCopy v-if="lacksCopy" />
      <RehearsedLine v-if="store.plan.rehearsal.evenings > 0" />
      <MeasuredLine v-if="store.plan.calibration.trials.length > 0" />
      <p class="ways-on">
        <PartsListLink v-if="overall.answer === 'yes' || overall.answer === 'just'" />
        <NuxtLink :to="viewAddress(store.id ?? '', 'tiers')">
          Compare every way of building
        </NuxtLink>
      </p>
    </div>
  </section>
</template>

<style scoped>
.overall {
  border-left: 5px solid rgb(var(--v-theme-state-ample));
  padding: 6px 0 6px 16px;
}
.overall.no {
  border-color: rgb(var(--v-theme-state-short));
}
.overall.open {
  border-color: rgb(var(--v-theme-state-unknown));
}
.word {
  font-size: 1.5rem;
  font-weight: 650;
  margin: 0;
  line-height: 1.3;
  letter-spacing: -0.01em;
}
.word span {
  font-weight: 400;
}
.cheapest {
  margin: 4px 0 0;
}
/* Room for two lines and their button: what is below must not move when the search ends. */
.searched {
  min-height: 80px;
}
.copied {
  min-height: 80px;
}
.searched.copied {
  min-height: 150px;
}
@media (max-width: 700px) {
  .searched {
    min-height: 126px;
  }
  .copied {
    min-height: 160px;
  }
  .searched.copied {
    min-height: 280px;
  }
}
.ways-on {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
  margin: 0;
}
.cheapest a {
  color: rgb(var(--v-theme-primary));
}
</style>
