<script setup lang="ts">
import { computed } from 'vue'
import { catalogue, entryOf } from '~~/core/catalogue/catalogue'
import { maxParts, ownEntry } from '~~/core/plan/constants'
import { planField } from '~~/core/plan/planField'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/**
 * What converts: the processor by catalogue, score, or clock and year, its engine, and parts that
 * are put in.
 */
defineProps<{ /** parts are edited elsewhere on this page */ hideParts?: boolean }>()
const store = usePlanStore()
const { number, money } = useFormat()
const machine = computed(() => store.plan?.machine ?? null)
const build = computed(() => store.assessment?.domains.machine.build ?? null)
const parts = computed(() => machine.value?.parts ?? [])
const byClock = computed(() => machine.value?.score === null && !build.value?.processor)
const anyCard = computed(() => (build.value?.cards.length ?? 0) > 0)
const score = computed(() =>
  build.value?.processor
    ? `${number(build.value.processor.score)}, ${build.value.processor.name}`
    : 'by clock and year',
)

function add(): void {
  store.edit('machine.parts', [...parts.value, {}])
}
function remove(index: number): void {
  store.edit(
    'machine.parts',
    parts.value.filter((_, other) => other !== index),
  )
}
function partOf(ref: string): { readonly label: string; readonly price: number | null } {
  const processor = entryOf(catalogue.processors, ref)
  if (processor) return { label: processor.name, price: processor.price }
  return (
    entryOf(catalogue.videoEngines, ref) ??
    entryOf(catalogue.memoryModules, ref) ??
    entryOf(catalogue.hardware, ref) ?? { label: ref, price: null }
  )
}
function conditionOf(condition: string): string {
  return (
    planField('machine.parts.0.condition')
      ?.options.find(option => option.value === condition)
      ?.label.toLowerCase() ?? condition
  )
}
function usualPrice(ref: string): string {
  const { price } = partOf(ref)
  return price === null ? 'not known' : `≈ ${money(price)}`
}
</script>

<template>
  <div class="machine">
    <div class="fields">
      <PlanField v-if="!hideParts" path="machine.base" class="wide" />
      <PlanField v-if="machine?.base === ownEntry" path="machine.processor" class="wide" />
      <PlanField path="machine.score" :placeholder="score" />
      <PlanField path="machine.cores" :placeholder="String(build?.cores ?? '')" />
      <template v-if="byClock">
        <PlanField path="machine.sustainedGHz" />
        <PlanField path="machine.designYear" />
        <PlanField path="machine.coreKind" />
        <PlanField path="machine.threadsPerCore" />
      </template>
      <PlanField path="machine.engine" />
      <PlanField path="machine.memoryGB" :placeholder="String(build?.memoryGB ?? '')" />
    </div>
    <div v-if="!hideParts">
      <h2>Parts added</h2>
      <PickList
        :id="fieldElementId('machine.parts')"
        :entries="parts"
        path="machine.parts"
        add="Add a part"
        :name="part => partOf(part.ref).label"
        :full="parts.length >= maxParts"
        @add="add"
        @remove="remove"
      >
        <template #line="{ entry }">
          <span class="line">
            <strong>{{ partOf(entry.ref).label }}</strong>{{ ' ' }}
            <span class="soft"
              >{{ entry.count > 1 ? `${number(entry.count)} of them, ` : ''
              }}{{ conditionOf(entry.condition) }}</span
            >
            <span class="soft number">{{
              entry.condition === 'owned'
                ? 'nothing to pay'
                : entry.price === null
                  ? usualPrice(entry.ref)
                  : money(entry.price)
            }}</span>
          </span>
        </template>
        <template #default="{ entry, index }">
          <PlanField :path="`machine.parts.${index}.ref`" />
          <PlanField :path="`machine.parts.${index}.count`" />
          <PlanField :path="`machine.parts.${index}.condition`" />
          <PlanField
            :path="`machine.parts.${index}.price`"
            :placeholder="entry.condition === 'owned' ? 'nothing' : usualPrice(entry.ref)"
          />
        </template>
      </PickList>
    </div>
    <PlanField v-if="anyCard" path="machine.oneEngineAtATime" />
    <PlanField path="machine.passivelyCooled" />
  </div>
</template>

<style scoped>
.machine {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.fields {
  --least: 190px;
  gap: 14px 8px;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) auto;
  gap: 2px 14px;
  align-items: center;
}
.wide {
  grid-column: 1 / -1;
}
h2 {
  margin-bottom: 6px;
}
</style>
