<script setup lang="ts">
import GrowthQuestion from '~/components/start/GrowthQuestion.vue'
import KeptQuestion from '~/components/start/KeptQuestion.vue'
import MoneyQuestion from '~/components/start/MoneyQuestion.vue'
import StartNeed from '~/components/start/StartNeed.vue'
import StartResults from '~/components/start/StartResults.vue'
import ThereQuestion from '~/components/start/ThereQuestion.vue'
import WatchersQuestion from '~/components/start/WatchersQuestion.vue'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

definePageMeta({ calm: true })

const store = usePlanStore()
</script>

<template>
  <div class="start">
    <header>
      <h1>What do you need?</h1>
      <p class="soft">
        Answer what you know, in any order. Everything can be changed later.
        <NuxtLink :to="viewAddress(store.id ?? '', 'brief')"> Go to the whole plan </NuxtLink>
      </p>
    </header>
    <div class="columns">
      <div class="questions">
        <WatchersQuestion />
        <KeptQuestion />
        <GrowthQuestion />
        <MoneyQuestion />
        <ThereQuestion />
      </div>
      <div class="questions answers">
        <StartNeed />
        <StartResults />
      </div>
    </div>
  </div>
</template>

<style scoped>
.start {
  max-width: 1320px;
  margin: 0 auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
}
header a {
  color: rgb(var(--v-theme-primary));
}
.columns {
  --page-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  gap: 10px;
}
.questions {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-width: 0;
}
/* What to buy stays in sight while the answers are given. */
@media (min-width: 1000px) {
  .answers {
    position: sticky;
    top: 8px;
    align-self: start;
  }
}
</style>
