<script setup lang="ts">
import { computed } from 'vue'
import { layouts } from '~~/core/drives/layouts/layouts'
import { priceOfLot } from '~~/core/drives/drivePrices'
import { catalogue, entryOf } from '~~/core/catalogue/catalogue'
import type { DriveLot } from '~~/core/plan/drives'
import { planField } from '~~/core/plan/planField'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import { modelSheet } from '~~/core/drives/modelSheet'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** The data drives, a line for each size. */
const picked = defineModel<number | null>('picked', { default: null })
const store = usePlanStore()
const { number, money } = useFormat()
const lots = computed(() => store.plan?.drives.lots ?? [])
const layoutId = computed(() => store.assessment?.domains.drives.layoutId)
const hasRoles = computed(
  () => layouts.find(({ id }) => id === layoutId.value)?.tellsParityApart ?? false,
)
/** Drives alone need not be told apart, so a further row begins as the one before it. */
function add(): void {
  const last = lots.value.at(-1)
  store.edit('drives.lots', [...lots.value, { sizeTB: 8, ...last, count: 1, role: 'any' }])
}
function remove(index: number): void {
  store.edit(
    'drives.lots',
    lots.value.filter((_, other) => other !== index),
  )
}
const modelOf = (lot: DriveLot) => entryOf(catalogue.driveModels, lot.model)
/** A model brings its size; a size of one's own has no model. */
function chooseModel(index: number, id: string): void {
  const model = entryOf(catalogue.driveModels, id)
  const lot = lots.value[index]
  if (lot)
    store.edit(
      'drives.lots',
      lots.value.with(index, { ...lot, model: id, ...(model ? { sizeTB: model.sizeTB } : {}) }),
    )
}
function conditionOf(lot: DriveLot): string {
  return (
    planField('drives.lots.0.condition')
      ?.options.find(option => option.value === lot.condition)
      ?.label.toLowerCase() ?? lot.condition
  )
}
const modelItems = (planField('drives.lots.0.model')?.options ?? []).map(({ value, label }) => ({
  value,
  title: label,
}))
function sheetOf(lot: DriveLot): string {
  const model = modelOf(lot)
  return model ? modelSheet(model, { number }) : 'What is entered below for all drives counts.'
}
function usualPrice(lot: DriveLot): string {
  return store.plan
    ? `≈ ${money(priceOfLot({ ...lot, priceEach: null }, store.plan.drives, catalogue).each)}`
    : ''
}
</script>

<template>
  <PickList
    :id="fieldElementId('drives.lots')"
    v-model:picked="picked"
    :entries="lots"
    path="drives.lots"
    :add="lots.length ? 'Add drives of another size' : 'Add drives'"
    :name="lot => `the drives of ${number(lot.sizeTB)} TB`"
    @add="add"
    @remove="remove"
  >
    <template #line="{ entry }">
      <span class="line">
        <strong>{{ number(entry.count) }} × {{ number(entry.sizeTB, 3) }} TB</strong>{{ ' ' }}
        <span class="soft">{{ modelOf(entry)?.label ?? conditionOf(entry) }}</span>
        <span class="soft number"
          >{{
            entry.condition === 'owned'
              ? 'nothing to pay'
              : entry.priceEach === null
                ? usualPrice(entry)
                : money(entry.priceEach)
          }}{{ entry.condition === 'owned' ? '' : ' each' }}</span
        >
      </span>
    </template>
    <template #default="{ entry, index }">
      <PlanField :path="`drives.lots.${index}.count`" />
      <VAutocomplete
        :id="fieldElementId(`drives.lots.${index}.model`)"
        :model-value="entry.model"
        :items="modelItems"
        label="Model"
        :hint="sheetOf(entry)"
        persistent-hint
        @update:model-value="chooseModel(index, $event)"
      />
      <PlanField v-if="!modelOf(entry)" :path="`drives.lots.${index}.sizeTB`" />
      <PlanField :path="`drives.lots.${index}.condition`" />
      <PlanField
        :path="`drives.lots.${index}.priceEach`"
        :placeholder="entry.condition === 'owned' ? 'nothing' : usualPrice(entry)"
      />
      <PlanField :path="`drives.lots.${index}.warrantyMonths`" placeholder="by how it was bought" />
      <PlanField :path="`drives.lots.${index}.group`" />
      <PlanField
        v-if="entry.condition === 'owned' || entry.goesInLast"
        :path="`drives.lots.${index}.goesInLast`"
      />
      <PlanField v-if="hasRoles" :path="`drives.lots.${index}.role`" />
    </template>
  </PickList>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 2px 14px;
  align-items: center;
}
</style>
