<script setup lang="ts">
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import PlanField from '~/components/common/PlanField.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import SeatsPicture from '~/components/household/SeatsPicture.vue'
import ViewersEditor from '~/components/household/ViewersEditor.vue'
</script>

<template>
  <ViewFrame question="How many watch at once?">
    <SeatsPicture />
    <div class="columns">
      <section class="sheet side">
        <h2>What is asked of the box</h2>
        <div class="figures">
          <FigureValue id="streams.asked" />
          <FigureValue id="household.watchingHomeAtOnce" />
          <FigureValue id="household.watchingAwayAtOnce" />
          <FigureValue id="household.headCount" />
          <FigureValue id="streams.askedHeadCount" />
        </div>
        <div class="fields">
          <PlanField path="household.watchingHome" />
          <PlanField path="household.watchingAway" />
          <PlanField path="household.converted" />
          <PlanField path="choices.school" />
        </div>
        <FindingsList view="household" />
      </section>
      <ViewersEditor />
    </div>
  </ViewFrame>
</template>

<style scoped>
.columns { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 16px; align-items: start; }
.side { display: flex; flex-direction: column; gap: 14px; }
.figures { display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 8px; }
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(200px, 1fr)); gap: 12px 8px; }
@media (max-width: 900px) { .columns { grid-template-columns: minmax(0, 1fr); } }
</style>
