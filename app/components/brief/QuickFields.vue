<script setup lang="ts">
import PlanField from '~/components/common/PlanField.vue'
import { useUsualMachine } from '~/composables/useUsualMachine'

/** The six fields that move the answer most. */
const usual = useUsualMachine()
</script>

<template>
  <section class="sheet quick no-print" aria-label="What moves the answer most">
    <PlanField path="machine.score" :placeholder="usual.score" />
    <PlanField path="machine.cores" :placeholder="usual.cores" />
    <PlanField path="machine.bays" :placeholder="usual.bays" />
    <PlanField path="drives.layout" />
    <PlanField path="network.uploadMbps" />
    <PlanField path="brief.budget" />
  </section>
</template>

<style scoped>
.quick {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 14px 10px;
}
</style>
