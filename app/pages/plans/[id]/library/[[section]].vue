<script setup lang="ts">
import { computed } from 'vue'
import GrowthChart from '~/components/charts/GrowthChart.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import ViewFindings from '~/components/common/ViewFindings.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import EventsEditor from '~/components/library/EventsEditor.vue'
import HoldingsTable from '~/components/library/HoldingsTable.vue'
import ScanImport from '~/components/library/ScanImport.vue'
import { usePlanStore } from '~/stores/planStore'

definePageMeta({ key: 'library' })

const store = usePlanStore()
const driver = computed(() => store.assessment?.figures['library.contentAtHorizonTB']?.note)
const findings = computed(() => (store.assessment?.findings.length ?? 0) > 0)
</script>

<template>
  <ViewFrame
    view="library"
    question="How big will the library grow, and when will the drives be full?"
  >
    <template #growth>
      <div class="columns">
        <div class="stack">
          <GrowthChart stacked :height="330" />
          <section v-if="driver || findings" class="sheet stack">
            <p v-if="driver">
              {{ driver }}
            </p>
            <ViewFindings view="library" />
          </section>
        </div>
        <section class="sheet side">
          <VerdictSentence id="space" />
          <div class="figures">
            <FigureValue id="library.contentTB" />
            <FigureValue id="library.growthTBPerMonth" />
            <FigureValue id="library.contentAtHorizonTB" />
            <FigureValue id="drives.monthFull" />
            <FigureValue id="drives.usableNeededTB" />
            <FigureValue id="library.ruleOfThumbTB" />
            <FigureValue id="library.irreplaceableTB" />
            <FigureValue id="drives.usableTiB" />
          </div>
          <PlanField path="choices.horizonYears" />
        </section>
      </div>
    </template>
    <template #holdings>
      <HoldingsTable />
    </template>
    <template #scan>
      <ScanImport />
    </template>
    <template #events>
      <EventsEditor />
    </template>
  </ViewFrame>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.7fr) minmax(260px, 1fr);
}
.stack {
  display: flex;
  flex-direction: column;
  gap: 16px;
  min-width: 0;
}
.figures {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
</style>
