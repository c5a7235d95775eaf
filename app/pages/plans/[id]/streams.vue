<script setup lang="ts">
import { computed } from 'vue'
import ConversionsChart from '~/components/charts/ConversionsChart.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import ArchiveEstimate from '~/components/streams/ArchiveEstimate.vue'
import BenchPanel from '~/components/streams/BenchPanel.vue'
import CapacityPicture from '~/components/streams/CapacityPicture.vue'
import CuresList from '~/components/streams/CuresList.vue'
import MachineFields from '~/components/streams/MachineFields.vue'
import ProcessorLadder from '~/components/streams/ProcessorLadder.vue'
import WorkTableImport from '~/components/streams/WorkTableImport.vue'
import WorkMix from '~/components/streams/WorkMix.vue'
import { usePlanStore } from '~/stores/planStore'

const store = usePlanStore()
/** What runs out first. */
const binding = computed(() => store.assessment?.figures['streams.possible']?.note ?? '')
</script>

<template>
  <ViewFrame question="How many films can it convert at once?">
    <div class="columns">
      <div class="stack">
        <ConversionsChart />
        <CapacityPicture />
        <WorkMix />
      </div>
      <section class="sheet side">
        <VerdictSentence id="streams" />
        <div class="figures">
          <FigureValue id="streams.softwareReference" />
          <FigureValue id="streams.workPerConversion" />
          <FigureValue id="streams.hd1080" />
          <FigureValue id="streams.hevc1080" />
          <FigureValue id="streams.uhdToneMapped" />
        </div>
        <p
          v-if="binding"
          class="small"
          data-binding
        >
          {{ binding }}
        </p>
        <MachineFields />
        <FindingsList view="streams" />
      </section>
    </div>
    <ProcessorLadder />
    <CuresList />
    <ArchiveEstimate />
    <BenchPanel />
    <WorkTableImport />
  </ViewFrame>
</template>

<style scoped>
.columns { display: grid; grid-template-columns: minmax(0, 1.6fr) minmax(280px, 1fr); gap: 16px; align-items: start; }
.stack { display: flex; flex-direction: column; gap: 16px; min-width: 0; }
.side { display: flex; flex-direction: column; gap: 14px; }
.figures { display: grid; grid-template-columns: 1fr 1fr; gap: 12px 8px; }
@media (max-width: 900px) { .columns { grid-template-columns: minmax(0, 1fr); } }
</style>
