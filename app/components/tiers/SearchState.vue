<script setup lang="ts">
import { computed } from 'vue'
import { ways as wayNames } from '~~/core/tiers/search/frames'
import type { useWays } from '~/composables/useWays'
import { useFormat } from '~/composables/useFormat'

/** How far the search is, with its end as a proof; it can be cancelled and started again. */
const props = defineProps<{ ways: ReturnType<typeof useWays> }>()
const { number } = useFormat()
const { progress, running, cancelled, failed, start, cancel } = props.ways
const text = computed(() => {
  const now = progress.value
  if (failed.value) return 'The search broke off. Try again.'
  if (!now) return cancelled.value ? 'Cancelled before anything was found.' : 'The search begins.'
  const counted = `${number(now.nodes)} steps looked into, ${number(now.leaves)} whole builds worked out, ${number(now.cut)} branches cut off`
  if (cancelled.value) return `Cancelled after ${counted}: what is shown is what was found until then.`
  return running.value ? `${now.at ? `${wayNames[now.at]}: ` : ''}${counted}.` : `Complete: ${counted}. Nothing cheaper is left in the catalogue (gap 0).`
})
</script>

<template>
  <div
    class="search-state no-print"
    :data-search="cancelled ? 'cancelled' : failed ? 'failed' : running || !progress ? 'running' : 'done'"
  >
    <VProgressLinear
      :model-value="progress ? progress.done / progress.of * 100 : 0"
      :indeterminate="running && !progress"
      color="primary"
      height="6"
      rounded
      aria-label="Search"
    />
    <p
      class="soft small"
      aria-live="polite"
    >
      {{ text }}
    </p>
    <VBtn
      v-if="running"
      size="small"
      variant="outlined"
      @click="cancel"
    >
      Cancel
    </VBtn>
    <VBtn
      v-else
      size="small"
      variant="text"
      color="primary"
      @click="start"
    >
      Search again
    </VBtn>
  </div>
</template>

<style scoped>
.search-state { display: grid; grid-template-columns: minmax(80px, 160px) minmax(0, 1fr) auto; gap: 4px 14px; align-items: center; }
@media (max-width: 600px) { .search-state { grid-template-columns: minmax(0, 1fr) auto; } .search-state p { grid-column: 1 / -1; grid-row: 2; } }
</style>
