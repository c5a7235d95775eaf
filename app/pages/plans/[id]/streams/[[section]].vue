<script setup lang="ts">
import { computed } from 'vue'
import ConversionsChart from '~/components/charts/ConversionsChart.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import ViewFindings from '~/components/common/ViewFindings.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import ArchiveEstimate from '~/components/streams/ArchiveEstimate.vue'
import BenchPanel from '~/components/streams/BenchPanel.vue'
import CapacityPicture from '~/components/streams/CapacityPicture.vue'
import ConversionFixes from '~/components/streams/ConversionFixes.vue'
import ProcessorLadder from '~/components/streams/ProcessorLadder.vue'
import WorkTableImport from '~/components/streams/WorkTableImport.vue'
import WorkMix from '~/components/streams/WorkMix.vue'
import { useUsualMachine } from '~/composables/useUsualMachine'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

definePageMeta({ key: 'streams' })

const store = usePlanStore()
const usual = useUsualMachine()
/** What runs out first. */
const binding = computed(() => store.assessment?.figures['streams.possible']?.note ?? '')
</script>

<template>
  <ViewFrame view="streams" question="How many streams can the machine convert at once?">
    <template #capacity>
      <div class="columns">
        <div class="stack">
          <ConversionsChart />
          <CapacityPicture />
        </div>
        <section class="sheet side">
          <VerdictSentence id="streams" />
          <p v-if="binding" class="small" data-binding>
            {{ binding }}
          </p>
          <div class="fields">
            <PlanField path="machine.score" :placeholder="usual.score" />
            <PlanField path="machine.cores" :placeholder="usual.cores" />
            <PlanField path="machine.engine" />
            <PlanField path="choices.hardwareConversion" />
          </div>
          <NuxtLink :to="viewAddress(store.id ?? '', 'machine', 'parts')" class="small">
            All parts of the machine
          </NuxtLink>
        </section>
      </div>
      <ViewFindings view="streams" :most="3" />
    </template>
    <template #mix>
      <div class="columns">
        <WorkMix />
        <section class="sheet side">
          <div class="figures">
            <FigureValue id="streams.softwareReference" />
            <FigureValue id="streams.workPerConversion" />
            <FigureValue id="streams.hd1080" />
            <FigureValue id="streams.hevc1080" />
            <FigureValue id="streams.uhdToneMapped" />
          </div>
          <div class="fields">
            <PlanField path="choices.pointsPerStream" />
            <PlanField path="choices.systemReserveShare" />
            <PlanField path="choices.fallbackShare" placeholder="usual" />
            <PlanField path="choices.toneMapping" />
          </div>
          <PlanField path="choices.hardwareConversion" />
        </section>
      </div>
    </template>
    <template #processors>
      <ProcessorLadder />
    </template>
    <template #fixes>
      <ConversionFixes />
    </template>
    <template #archive>
      <ArchiveEstimate />
    </template>
    <template #measure>
      <BenchPanel />
      <WorkTableImport />
    </template>
  </ViewFrame>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.6fr) minmax(280px, 1fr);
}
.stack {
  display: flex;
  flex-direction: column;
  gap: 14px;
  min-width: 0;
}
.figures,
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 8px;
}
.side a {
  color: rgb(var(--v-theme-primary));
}
</style>
