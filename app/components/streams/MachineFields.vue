<script setup lang="ts">
import { computed } from 'vue'
import { catalogue, entryOf } from '~~/core/catalogue/catalogue'
import { ownEntry } from '~~/core/plan/constants'
import ListEditor from '~/components/common/ListEditor.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** What converts: the processor by catalogue, score, or clock and year, its engine, and parts that are put in. */
const store = usePlanStore()
const { number, money } = useFormat()
const machine = computed(() => store.plan?.machine ?? null)
const build = computed(() => store.assessment?.domains.machine.build ?? null)
const parts = computed(() => machine.value?.parts ?? [])
const byClock = computed(() => machine.value?.score === null && !build.value?.processor)
const anyCard = computed(() => (build.value?.cards.length ?? 0) > 0)
const score = computed(() => build.value?.processor ? `${number(build.value.processor.score)}, ${build.value.processor.name}` : 'by clock and year')

const mostParts = 30
function add(): void {
  store.edit('machine.parts', [...parts.value, {}])
}
function remove(index: number): void {
  store.edit('machine.parts', parts.value.filter((_, other) => other !== index))
}
function partOf(ref: string): { readonly label: string, readonly price: number | null } {
  const processor = entryOf(catalogue.processors, ref)
  if (processor) return { label: processor.name, price: processor.price }
  return entryOf(catalogue.videoEngines, ref) ?? entryOf(catalogue.memoryModules, ref) ?? { label: ref, price: null }
}
function usualPrice(ref: string): string {
  const { price } = partOf(ref)
  return price === null ? 'not known' : `≈ ${money(price)}`
}
</script>

<template>
  <div class="machine">
    <div class="fields">
      <PlanField
        path="machine.base"
        class="wide"
      />
      <PlanField
        v-if="machine?.base === ownEntry"
        path="machine.processor"
        class="wide"
      />
      <PlanField
        path="machine.score"
        :placeholder="score"
      />
      <PlanField
        path="machine.cores"
        :placeholder="String(build?.cores ?? '')"
      />
      <template v-if="byClock">
        <PlanField path="machine.sustainedGHz" />
        <PlanField path="machine.designYear" />
        <PlanField path="machine.coreKind" />
        <PlanField path="machine.threadsPerCore" />
      </template>
      <PlanField path="machine.engine" />
      <PlanField
        path="machine.memoryGB"
        :placeholder="String(build?.memoryGB ?? '')"
      />
    </div>
    <div>
      <h3>Parts put in</h3>
      <ListEditor
        :id="fieldElementId('machine.parts')"
        :entries="parts"
        add="Put in a part"
        :name="part => partOf(part.ref).label"
        :full="parts.length >= mostParts"
        columns="minmax(0, 2fr) 64px minmax(96px, 1.2fr) minmax(84px, 1fr)"
        narrow="1fr 1fr"
        @add="add"
        @remove="remove"
      >
        <template #default="{ entry, index }">
          <PlanField :path="`machine.parts.${index}.ref`" />
          <PlanField
            :path="`machine.parts.${index}.count`"
            label="Count"
          />
          <PlanField :path="`machine.parts.${index}.condition`" />
          <PlanField
            :path="`machine.parts.${index}.price`"
            :placeholder="entry.condition === 'owned' ? 'nothing' : usualPrice(entry.ref)"
          />
        </template>
      </ListEditor>
    </div>
    <PlanField
      v-if="anyCard"
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
.wide { grid-column: 1 / -1; }
h3 { margin-bottom: 6px; }
</style>
