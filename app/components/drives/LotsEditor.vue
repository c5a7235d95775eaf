<script setup lang="ts">
import { computed } from 'vue'
import { priceOfLot } from '~~/core/drives/drivePrices'
import { driveClassOf } from '~~/core/drives/poolOf'
import { catalogue } from '~~/core/catalogue/catalogue'
import type { DriveLot } from '~~/core/plan/drives'
import ListEditor from '~/components/common/ListEditor.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** The data drives, a row for each size. */
const store = usePlanStore()
const { number, money } = useFormat()
const lots = computed(() => store.plan?.drives.lots ?? [])
const hasRoles = computed(() => /^(dedicated|snapshot)-/.test(store.assessment?.domains.drives.layoutId ?? ''))
/** Drives alone need not be told apart, so a further row begins as the one before it. */
function add(): void {
  const last = lots.value.at(-1)
  store.edit('drives.lots', [...lots.value, { sizeTB: 8, ...last, count: 1, role: 'any' }])
}
function remove(index: number): void {
  store.edit('drives.lots', lots.value.filter((_, other) => other !== index))
}
function usualPrice(lot: DriveLot): string {
  return store.plan ? `≈ ${money(priceOfLot({ ...lot, priceEach: null }, driveClassOf(store.plan.drives, catalogue.driveClasses)).each)}` : ''
}
</script>

<template>
  <ListEditor
    :id="fieldElementId('drives.lots')"
    :entries="lots"
    :add="lots.length ? 'Add drives of another size' : 'Add drives'"
    :name="lot => `the drives of ${number(lot.sizeTB)} TB`"
    columns="repeat(2, minmax(72px, 1fr)) repeat(2, minmax(96px, 1.3fr))"
    narrow="1fr 1fr"
    @add="add"
    @remove="remove"
  >
    <template #default="{ entry, index }">
      <PlanField :path="`drives.lots.${index}.count`" />
      <PlanField :path="`drives.lots.${index}.sizeTB`" />
      <PlanField :path="`drives.lots.${index}.condition`" />
      <PlanField
        :path="`drives.lots.${index}.priceEach`"
        :placeholder="entry.condition === 'owned' ? 'nothing' : usualPrice(entry)"
      />
    </template>
    <template #below="{ index }">
      <PlanField
        v-if="hasRoles"
        :path="`drives.lots.${index}.role`"
        class="role"
      />
    </template>
  </ListEditor>
</template>

<style scoped>
.role { grid-column: 1 / -1; }
</style>
