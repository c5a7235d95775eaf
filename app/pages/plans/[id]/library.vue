<script setup lang="ts">
import GrowthChart from '~/components/charts/GrowthChart.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import HoldingsTable from '~/components/library/HoldingsTable.vue'
import ScanImport from '~/components/library/ScanImport.vue'
</script>

<template>
  <ViewFrame question="How big does the library grow, and when is the box full?">
    <div class="columns">
      <GrowthChart />
      <section class="sheet side">
        <VerdictSentence id="space" />
        <div class="figures">
          <FigureValue id="library.contentTB" />
          <FigureValue id="library.growthTBPerMonth" />
          <FigureValue id="library.contentAtHorizonTB" />
          <FigureValue id="drives.monthFull" />
          <FigureValue id="drives.usableNeededTB" />
          <FigureValue id="library.ruleOfThumbTB" />
        </div>
        <PlanField path="choices.horizonYears" />
      </section>
    </div>
    <ScanImport />
    <HoldingsTable />
  </ViewFrame>
</template>

<style scoped>
.columns { display: grid; grid-template-columns: minmax(0, 1.7fr) minmax(260px, 1fr); gap: 16px; }
.side { display: flex; flex-direction: column; gap: 14px; }
.figures { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; }
@media (max-width: 900px) { .columns { grid-template-columns: minmax(0, 1fr); } }
</style>
