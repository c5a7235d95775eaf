<script setup lang="ts" generic="Entry">
import { mdiClose, mdiPlus } from '@mdi/js'

/**
 * The entries of one list of the plan, each a row of fields that can be removed, and a button that
 * adds one.
 */
const props = withDefaults(
  defineProps<{
    entries: readonly Entry[]
    /** what the adding button says: 'Add a device' */
    add: string
    /** what an entry is called when it is removed */
    name: (entry: Entry, index: number) => string
    /**
     * columns of a row, and of a row where there is little room, as CSS grid tracks; the buttons
     * stand in a column of their own behind them
     */
    columns: string
    narrow?: string
    /** what tells entries apart when they move; their place unless given */
    keyOf?: (entry: Entry, index: number) => string | number
    /** no more can be added */
    full?: boolean
  }>(),
  { narrow: '1fr 1fr', keyOf: (_: unknown, index: number) => index, full: false },
)
const emit = defineEmits<{ add: []; remove: [index: number] }>()
defineSlots<{
  default: (row: { readonly entry: Entry; readonly index: number }) => unknown
  /** more buttons of a row, before the one that removes it */
  buttons: (row: { readonly entry: Entry; readonly index: number }) => unknown
  /** what stands under a row, over its whole width */
  below: (row: { readonly entry: Entry; readonly index: number }) => unknown
}>()
const tracks = { '--columns': props.columns, '--narrow': props.narrow }
</script>

<template>
  <div class="list">
    <div
      v-for="(entry, index) in entries"
      :key="keyOf(entry, index)"
      class="list-row"
      :style="tracks"
      :data-row="index"
    >
      <div class="row-fields">
        <slot :entry="entry" :index="index" />
      </div>
      <div class="buttons">
        <slot name="buttons" :entry="entry" :index="index" />
        <VBtn
          :icon="mdiClose"
          size="small"
          :aria-label="`Remove ${name(entry, index)}`"
          @click="emit('remove', index)"
        />
      </div>
      <slot name="below" :entry="entry" :index="index" />
    </div>
    <VBtn
      v-if="!full"
      :prepend-icon="mdiPlus"
      color="primary"
      size="small"
      class="add"
      @click="emit('add')"
    >
      {{ add }}
    </VBtn>
  </div>
</template>

<style scoped>
.list {
  width: 100%;
  padding-top: 8px;
  container-type: inline-size;
}
.list-row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  margin-bottom: 12px;
  align-items: start;
}
.row-fields {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 8px;
  align-items: start;
}
.buttons {
  display: flex;
}
.add {
  min-height: 32px;
}
/*
 * By the room of the list, not of the window: the same list stands beside a picture and across a
 * page.
 */
@container (max-width: 560px) {
  .row-fields {
    grid-template-columns: var(--narrow);
  }
}
</style>
