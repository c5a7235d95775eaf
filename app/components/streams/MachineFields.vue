<script setup lang="ts">
import { computed } from 'vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import PlanField from '~/components/common/PlanField.vue'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** What converts: the processor by score or by clock and year, its engine, and cards. */
const store = usePlanStore()
const cards = computed(() => store.plan?.machine.cards ?? [])
const byClock = computed(() => store.plan?.machine.score === null)
function add(): void {
  store.edit('machine.cards', [...cards.value, {}])
}
function remove(index: number): void {
  store.edit('machine.cards', cards.value.filter((_, other) => other !== index))
}
</script>

<template>
  <div class="machine">
    <div class="fields">
      <PlanField
        path="machine.score"
        placeholder="by clock and year"
      />
      <PlanField path="machine.cores" />
      <template v-if="byClock">
        <PlanField path="machine.sustainedGHz" />
        <PlanField path="machine.designYear" />
        <PlanField path="machine.coreKind" />
        <PlanField path="machine.threadsPerCore" />
      </template>
      <PlanField path="machine.engine" />
      <PlanField path="machine.memoryGB" />
    </div>
    <div :id="fieldElementId('machine.cards')">
      <div
        v-for="(_, index) in cards"
        :key="index"
        class="card"
      >
        <PlanField :path="`machine.cards.${index}.class`" />
        <VBtn
          :icon="mdiClose"
          size="small"
          :aria-label="`Take card ${index + 1} out`"
          @click="remove(index)"
        />
      </div>
      <VBtn
        v-if="cards.length < 4"
        :prepend-icon="mdiPlus"
        color="primary"
        size="small"
        @click="add"
      >
        Put in a video card
      </VBtn>
    </div>
    <PlanField
      v-if="cards.length"
      path="machine.oneEngineAtATime"
    />
    <div class="fields">
      <PlanField path="choices.pointsPerStream" />
      <PlanField path="choices.systemReserveShare" />
      <PlanField
        path="choices.fallbackShare"
        placeholder="usual"
      />
      <PlanField path="choices.toneMapping" />
    </div>
    <PlanField path="choices.hardwareConversion" />
    <PlanField path="machine.passivelyCooled" />
  </div>
</template>

<style scoped>
.machine { display: flex; flex-direction: column; gap: 14px; }
.fields { display: grid; grid-template-columns: 1fr 1fr; gap: 12px 8px; }
.card { display: grid; grid-template-columns: 1fr auto; gap: 8px; margin-bottom: 10px; }
</style>
