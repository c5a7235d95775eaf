<script setup lang="ts">
import PlanField from '~/components/common/PlanField.vue'
import StartQuestion from './StartQuestion.vue'
</script>

<template>
  <StartQuestion :number="4" question="What may it cost?">
    <div class="fields">
      <PlanField path="brief.budget" placeholder="no limit yet" />
      <PlanField path="brief.currency" />
      <PlanField path="costs.pricePerKWh" />
      <PlanField path="brief.place" />
    </div>
  </StartQuestion>
</template>
