<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import RungPicture from '~/components/network/RungPicture.vue'
import { usePlanStore } from '~/stores/planStore'

const FirstFillSection = defineAsyncComponent(() => import('~/components/network/FirstFillSection.vue'))

definePageMeta({ key: 'network' })

const store = usePlanStore()
const fromHabits = computed(() => store.assessment?.domains.household.fromHabits ?? false)
</script>

<template>
  <ViewFrame
    view="network"
    question="Can the internet line carry viewers away, and the home network those at home?"
  >
    <template #lines>
      <div class="columns">
        <RungPicture />
        <section class="sheet side">
          <VerdictSentence id="away" />
          <VerdictSentence id="home" />
          <div class="figures">
            <FigureValue id="network.awayStreams" />
            <FigureValue id="network.homePeakMbps" />
            <FigureValue id="network.homeLinkMbps" />
            <FigureValue id="household.watchingAwayAtOnce" />
            <FigureValue id="household.watchingHomeAtOnce" />
          </div>
          <div class="fields">
            <PlanField path="network.uploadMbps" />
            <PlanField path="network.downloadMbps" />
            <PlanField path="network.uploadReserveShare" />
            <template v-if="!fromHabits">
              <PlanField path="household.watchingAway" />
              <PlanField path="household.watchingHome" />
            </template>
            <PlanField path="network.serverPortMbps" />
          </div>
          <FindingsList view="network" />
        </section>
      </div>
    </template>
    <template #first-fill>
      <FirstFillSection />
    </template>
  </ViewFrame>
</template>

<style scoped>
.columns { --page-columns: minmax(0, 1.3fr) minmax(0, 1fr); }
</style>
