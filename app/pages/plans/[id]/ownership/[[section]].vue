<script setup lang="ts">
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import PowerDay from '~/components/ownership/PowerDay.vue'
import PurchaseSplit from '~/components/ownership/PurchaseSplit.vue'

definePageMeta({ key: 'ownership' })
</script>

<template>
  <ViewFrame
    view="ownership"
    question="What does it cost to buy and to run?"
  >
    <template #years>
      <div class="columns">
        <PurchaseSplit />
        <PowerDay />
      </div>
      <section class="sheet side">
        <VerdictSentence id="money" />
        <div class="figures">
          <FigureValue id="ownership.purchase" />
          <FigureValue id="ownership.kWhPerYear" />
          <FigureValue id="ownership.electricityPerYear" />
          <FigureValue id="machine.idleW" />
        </div>
        <div class="figures">
          <PlanField path="brief.budget" />
          <PlanField path="costs.extras" />
          <PlanField path="costs.pricePerKWh" />
          <PlanField path="choices.convertingHoursPerDay" />
        </div>
        <FindingsList view="ownership" />
      </section>
    </template>
  </ViewFrame>
</template>

<style scoped>
.columns { align-items: stretch; }
.figures { --least: 180px; }
</style>
