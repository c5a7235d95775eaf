<script setup lang="ts">
import { catalogue } from '~~/core/catalogue/catalogue'
import type { HoldingKindId } from '~~/core/catalogue/holdingKinds'
import { qualitiesOfKind } from '~~/core/library/qualitiesOfKind'
import ListEditor from '~/components/common/ListEditor.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useHoldings } from '~/composables/useHoldings'

/** The library in three answers a row: quality, how many, how many more a month. */
const { holdings, add, remove } = useHoldings()
const qualityItems = (kind: HoldingKindId) =>
  qualitiesOfKind(kind, catalogue).map(({ id, label }) => ({ value: id, title: label }))
</script>

<template>
  <div>
    <p v-if="holdings.length === 0" class="soft small">
      A row for each kind of title: its quality, how many there are, and how many come in a month.
    </p>
    <ListEditor
      :entries="holdings"
      add="Add titles"
      :name="holding => holding.name || 'holding'"
      columns="minmax(0, 2.4fr) minmax(72px, 1fr) minmax(72px, 1fr)"
      narrow="minmax(0, 2.4fr) minmax(72px, 1fr) minmax(72px, 1fr)"
      @add="add"
      @remove="remove"
    >
      <template #default="{ entry, index }">
        <PlanField
          :path="`library.holdings.${index}.quality`"
          :label="entry.name || 'Quality'"
          :items="qualityItems(entry.kind)"
        />
        <PlanField
          :path="`library.holdings.${index}.${entry.quality === 'given' ? 'sizeGB' : 'titles'}`"
        />
        <PlanField
          :path="`library.holdings.${index}.${entry.quality === 'given' ? 'addedGBPerMonth' : 'addedPerMonth'}`"
          label="A month"
        />
      </template>
    </ListEditor>
  </div>
</template>
