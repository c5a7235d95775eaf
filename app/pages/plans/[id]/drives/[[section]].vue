<script setup lang="ts">
import WaterfallChart from '~/components/charts/WaterfallChart.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import DriveBays from '~/components/drives/DriveBays.vue'
import LayoutTable from '~/components/drives/LayoutTable.vue'

definePageMeta({ key: 'drives' })
</script>

<template>
  <ViewFrame
    view="drives"
    question="How much fits, and what happens when a drive fails?"
  >
    <template #space>
      <div class="columns">
        <div class="stack">
          <section class="sheet side">
            <VerdictSentence id="space" />
            <VerdictSentence id="survival" />
          </section>
          <WaterfallChart />
        </div>
        <div class="stack">
          <DriveBays />
          <section class="sheet">
            <div class="fields">
              <PlanField path="drives.layout" />
              <PlanField path="drives.driveClass" />
              <PlanField path="drives.fileSystem" />
              <PlanField path="drives.hotSpares" />
            </div>
          </section>
        </div>
      </div>
      <FindingsList
        view="drives"
        :most="3"
      />
    </template>
    <template #layouts>
      <LayoutTable />
      <section class="sheet narrow">
        <PlanField path="choices.survivesAtLeast" />
      </section>
    </template>
    <template #risk>
      <div class="columns">
        <section class="sheet side">
          <VerdictSentence id="survival" />
          <div class="figures">
            <FigureValue id="drives.rebuildHours" />
            <FigureValue id="drives.lossChancePerYear" />
            <FigureValue id="drives.lossChanceAtHorizon" />
            <FigureValue id="drives.fileLossChanceAtHorizon" />
            <FigureValue id="drives.usableTB" />
            <FigureValue id="drives.roomTB" />
            <FigureValue id="drives.monthFull" />
            <FigureValue id="drives.usableNeededTB" />
          </div>
          <FindingsList view="drives" />
        </section>
        <section class="sheet side">
          <h2>What makes drives fail sooner or later</h2>
          <div class="fields">
            <PlanField
              path="drives.failuresPerYear"
              placeholder="usual for its kind"
            />
            <PlanField
              path="drives.ageYears"
              placeholder="every year alike"
            />
            <PlanField path="drives.replacement" />
            <PlanField path="drives.outerMBps" />
            <PlanField path="drives.sheetReadErrorBits" />
            <PlanField path="choices.watchingHoursPerDay" />
            <PlanField path="drives.changedGBPerMonth" />
            <PlanField path="drives.snapshotMonths" />
          </div>
          <PlanField path="drives.above45C" />
          <PlanField path="drives.unmounted" />
          <PlanField path="drives.oneBatch" />
          <PlanField path="drives.shingled" />
          <PlanField path="choices.readErrorEndsRebuild" />
        </section>
      </div>
    </template>
  </ViewFrame>
</template>

<style scoped>
.columns { --page-columns: minmax(0, 1.4fr) minmax(0, 1fr); }
.stack { display: flex; flex-direction: column; gap: 16px; min-width: 0; }
.narrow { max-width: 320px; }
.fields { --least: 190px; }
</style>
