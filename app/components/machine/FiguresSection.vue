<script setup lang="ts">
import FigureValue from '~/components/common/FigureValue.vue'
import ViewFindings from '~/components/common/ViewFindings.vue'
import PlanField from '~/components/common/PlanField.vue'
import MachineFields from '~/components/streams/MachineFields.vue'
import { useUsualMachine } from '~/composables/useUsualMachine'

/** What is known of the machine by its owner's own figures; they go before what its parts say. */
const usual = useUsualMachine()
</script>

<template>
  <div class="columns">
    <section class="sheet side">
      <h2>The machine by its own figures</h2>
      <p class="soft">
        For a machine whose parts are not known, or where you measured: each figure that is entered
        here goes before what the catalogue says.
      </p>
      <div class="fields">
        <PlanField path="machine.name" class="wide" />
        <PlanField path="machine.condition" />
        <PlanField path="machine.price" :placeholder="usual.price" />
        <PlanField path="machine.bays" :placeholder="usual.bays" />
        <PlanField path="machine.boxIdleW" :placeholder="usual.idleW" />
        <PlanField path="machine.boxLoadW" :placeholder="usual.loadW" />
      </div>
      <MachineFields hide-parts />
      <PlanField path="machine.wantsEcc" />
      <PlanField path="machine.monitorAtHand" />
      <div class="fields other-use">
        <PlanField path="machine.usedHoursPerDay" />
        <PlanField path="machine.usedShare" />
        <PlanField path="machine.restartsPerWeek" />
        <PlanField path="machine.usedEngineToo" />
        <PlanField path="machine.outageHoursPerYear" />
      </div>
    </section>
    <section class="sheet side">
      <div class="figures">
        <FigureValue id="machine.freeBays" />
        <FigureValue id="machine.idleW" />
        <FigureValue id="machine.loadW" />
        <FigureValue id="streams.softwareReference" />
      </div>
      <ViewFindings view="machine" :most="6" />
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.4fr) minmax(260px, 1fr);
}
.figures,
.fields {
  --least: 160px;
}
.wide {
  grid-column: 1 / -1;
}
</style>
