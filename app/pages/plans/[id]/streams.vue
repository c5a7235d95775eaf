<script setup lang="ts">
import ConversionsChart from '~/components/charts/ConversionsChart.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import WorkMix from '~/components/streams/WorkMix.vue'
</script>

<template>
  <ViewFrame question="How many films can it convert at once?">
    <div class="columns">
      <div class="stack">
        <ConversionsChart />
        <WorkMix />
      </div>
      <section class="sheet side">
        <VerdictSentence id="streams" />
        <div class="figures">
          <FigureValue id="streams.softwareReference" />
          <FigureValue id="streams.workPerConversion" />
        </div>
        <div class="fields">
          <PlanField path="machine.score" />
          <PlanField path="machine.cores" />
          <PlanField path="choices.pointsPerStream" />
          <PlanField path="choices.systemReserveShare" />
          <PlanField
            path="choices.toneMapping"
            class="wide"
          />
        </div>
        <PlanField path="machine.passivelyCooled" />
        <p class="soft small">
          Counted in software on the processor alone; a video engine would add to it and is left out here, on the safe side.
        </p>
        <FindingsList view="streams" />
      </section>
    </div>
  </ViewFrame>
</template>

<style scoped>
.columns { display: grid; grid-template-columns: minmax(0, 1.6fr) minmax(280px, 1fr); gap: 16px; align-items: start; }
.stack { display: flex; flex-direction: column; gap: 16px; min-width: 0; }
.side { display: flex; flex-direction: column; gap: 14px; }
.figures, .fields { display: grid; grid-template-columns: 1fr 1fr; gap: 12px 8px; }
.wide { grid-column: 1 / -1; }
@media (max-width: 900px) { .columns { grid-template-columns: minmax(0, 1fr); } }
</style>
