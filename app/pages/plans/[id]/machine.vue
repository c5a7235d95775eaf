<script setup lang="ts">
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import DriveBays from '~/components/drives/DriveBays.vue'
</script>

<template>
  <ViewFrame question="Does the box take the drives, and what does it draw?">
    <div class="columns">
      <DriveBays />
      <section class="sheet side">
        <VerdictSentence id="fit" />
        <VerdictSentence id="streams" />
        <div class="figures">
          <FigureValue id="machine.freeBays" />
          <FigureValue id="machine.idleW" />
          <FigureValue id="machine.loadW" />
        </div>
        <div class="fields">
          <PlanField
            path="machine.name"
            class="wide"
          />
          <PlanField path="machine.score" />
          <PlanField path="machine.cores" />
          <PlanField path="machine.bays" />
          <PlanField path="machine.price" />
          <PlanField path="machine.boxIdleW" />
          <PlanField path="machine.boxLoadW" />
        </div>
        <PlanField path="machine.passivelyCooled" />
        <FindingsList view="machine" />
        <p class="soft small">
          Before the case is opened: switch off, unplug and wait; never open a power supply. Anything wired into the house is for a licensed electrician.
        </p>
      </section>
    </div>
  </ViewFrame>
</template>

<style scoped>
.columns { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 16px; align-items: start; }
.side { display: flex; flex-direction: column; gap: 14px; }
.figures, .fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(160px, 1fr)); gap: 12px 8px; }
.wide { grid-column: 1 / -1; }
@media (max-width: 900px) { .columns { grid-template-columns: minmax(0, 1fr); } }
</style>
