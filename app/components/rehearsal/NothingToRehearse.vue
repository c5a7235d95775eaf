<script setup lang="ts">
import { habitsFromAnswers } from '~~/core/household/habitsFromAnswers'
import type { Missing } from '~~/core/rehearsal/question/rehearsalWorld'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** What is missing before an evening can be rehearsed, and the way to it. */
defineProps<{ missing: Missing }>()
const store = usePlanStore()
function makeWeek(): void {
  if (store.plan) store.replace(habitsFromAnswers(store.plan))
}
const address = (view: string, section?: string) => viewAddress(store.id ?? '', view, section)
</script>

<template>
  <section class="sheet" data-nothing-to-rehearse>
    <template v-if="missing === 'habits'">
      <h2>Nobody watches yet</h2>
      <p>An evening is drawn from habits: who watches when, on what, and how likely.</p>
      <div class="acts">
        <VBtn color="primary" variant="flat" data-make-week @click="makeWeek">
          Make a week from your answers
        </VBtn>
        <NuxtLink :to="address('household')">Enter habits by hand</NuxtLink>
      </div>
    </template>
    <template v-else-if="missing === 'titles'">
      <h2>There is nothing to watch yet</h2>
      <p>
        Enter what you keep under <NuxtLink :to="address('library')">Library</NuxtLink>: titles and
        their quality decide what has to be converted.
      </p>
    </template>
    <template v-else>
      <h2>The processor is not known yet</h2>
      <p>
        Some of what is watched has to be converted. Choose a machine under
        <NuxtLink :to="address('machine')">Machine</NuxtLink>, or enter its benchmark score under
        <NuxtLink :to="address('streams')">Streams</NuxtLink>.
      </p>
    </template>
  </section>
</template>

<style scoped>
p {
  margin: 8px 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: center;
  margin-top: 12px;
}
</style>
