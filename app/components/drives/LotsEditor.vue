<script setup lang="ts">
import { computed } from 'vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import PlanField from '~/components/common/PlanField.vue'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

const store = usePlanStore()
const lots = computed(() => store.plan?.drives.lots ?? [])
const hasRoles = computed(() => /^(dedicated|snapshot)-/.test(store.plan?.drives.layout ?? ''))
function add(): void {
  store.edit('drives.lots', [...lots.value, { count: 1, sizeTB: lots.value.at(-1)?.sizeTB ?? 8, priceEach: lots.value.at(-1)?.priceEach ?? 0, role: 'any' }])
}
function remove(index: number): void {
  store.edit('drives.lots', lots.value.filter((_, other) => other !== index))
}
</script>

<template>
  <div
    :id="fieldElementId('drives.lots')"
    class="lots"
  >
    <div
      v-for="(_, index) in lots"
      :key="index"
      class="lot"
    >
      <PlanField :path="`drives.lots.${index}.count`" />
      <PlanField :path="`drives.lots.${index}.sizeTB`" />
      <PlanField :path="`drives.lots.${index}.priceEach`" />
      <PlanField
        v-if="hasRoles"
        :path="`drives.lots.${index}.role`"
        class="role"
      />
      <VBtn
        :icon="mdiClose"
        size="small"
        :aria-label="`Remove line ${index + 1}`"
        @click="remove(index)"
      />
    </div>
    <VBtn
      :prepend-icon="mdiPlus"
      color="primary"
      @click="add"
    >
      Add drives of another size
    </VBtn>
  </div>
</template>

<style scoped>
.lot { display: grid; grid-template-columns: repeat(3, minmax(84px, 1fr)) auto; gap: 8px; margin-bottom: 12px; align-items: start; }
.role { grid-column: 1 / 4; grid-row: 2; }
</style>
