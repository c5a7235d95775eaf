<script setup lang="ts">
import { computed } from 'vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { HoldingKindId } from '~~/core/catalogue/holdingKinds'
import { qualitiesOfKind } from '~~/core/library/qualitiesOfKind'
import PlanField from '~/components/common/PlanField.vue'
import { useHoldings } from '~/composables/useHoldings'

/** The library in three answers a line: quality, how many, how many more a month. */
const { holdings, add, remove } = useHoldings()
const qualityItems = (kind: HoldingKindId) => qualitiesOfKind(kind).map(({ id, label }) => ({ value: id, title: label }))
const isEmpty = computed(() => holdings.value.length === 0)
</script>

<template>
  <div>
    <p
      v-if="isEmpty"
      class="soft small"
    >
      A line for each kind of title: its quality, how many there are, and how many come in a month.
    </p>
    <div
      v-for="(holding, index) in holdings"
      :key="index"
      class="line"
    >
      <PlanField
        :path="`library.holdings.${index}.quality`"
        :label="holding.name || 'Quality'"
        :items="qualityItems(holding.kind)"
      />
      <PlanField :path="`library.holdings.${index}.${holding.quality === 'given' ? 'sizeGB' : 'titles'}`" />
      <PlanField
        :path="`library.holdings.${index}.${holding.quality === 'given' ? 'addedGBPerMonth' : 'addedPerMonth'}`"
        label="A month"
      />
      <VBtn
        :icon="mdiClose"
        size="small"
        :aria-label="`Remove ${holding.name || 'holding'}`"
        @click="remove(index)"
      />
    </div>
    <VBtn
      :prepend-icon="mdiPlus"
      color="primary"
      @click="add"
    >
      Add titles
    </VBtn>
  </div>
</template>

<style scoped>
.line { display: grid; grid-template-columns: minmax(0, 2.4fr) minmax(72px, 1fr) minmax(72px, 1fr) auto; gap: 8px; margin-bottom: 10px; }
</style>
