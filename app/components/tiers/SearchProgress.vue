<script setup lang="ts">
import type { SearchHandle } from '~/composables/useSearch'
import type { SearchKind } from '~/services/searchWork'

/** How far a search is, in a bar and a sentence; it can be cancelled, and started again. */
defineProps<{
  search: Pick<SearchHandle<SearchKind>, 'start' | 'cancel'>
  running: boolean
  state: 'running' | 'done' | 'cancelled' | 'failed'
  text: string
  /** 0..1; null while that is not known */ share: number | null
}>()
</script>

<template>
  <div class="search-state no-print" :data-search="state">
    <VProgressLinear
      :model-value="(share ?? 0) * 100"
      :indeterminate="running && share === null"
      color="primary"
      height="6"
      rounded
      aria-label="Search"
    />
    <p class="soft small" aria-live="polite">
      {{ text }}
    </p>
    <VBtn v-if="running" size="small" variant="outlined" @click="search.cancel"> Cancel </VBtn>
    <VBtn v-else size="small" variant="text" color="primary" @click="search.start">
      Search again
    </VBtn>
  </div>
</template>

<style scoped>
.search-state {
  display: grid;
  grid-template-columns: minmax(80px, 160px) minmax(0, 1fr) auto;
  gap: 4px 14px;
  align-items: center;
}
@media (max-width: 600px) {
  .search-state {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .search-state p {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
