<script setup lang="ts">
import { computed } from 'vue'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import type { useWays } from '~/composables/useWays'
import { useFormat } from '~/composables/useFormat'
import SearchProgress from './SearchProgress.vue'

/** How far the search is, with its end as a proof; it can be cancelled and started again. */
const props = defineProps<{ ways: ReturnType<typeof useWays> }>()
const { number } = useFormat()
const { progress, running, cancelled, failed } = props.ways
const text = computed(() => {
  const now = progress.value
  if (failed.value) return 'The search broke off. Try again.'
  if (!now) return cancelled.value ? 'Cancelled before anything was found.' : 'The search begins.'
  const counted =
    `${number(now.nodes)} steps looked into, ${number(now.leaves)} whole builds worked out, ` +
    `${number(now.cut)} branches cut off`
  if (cancelled.value)
    return `Cancelled after ${counted}: what is shown is what was found until then.`
  return running.value
    ? `${now.at ? `${wayNames[now.at]}: ` : ''}${counted}.`
    : `Complete: ${counted}. Nothing cheaper is left in the catalogue (gap 0).`
})
</script>

<template>
  <SearchProgress
    :search="ways"
    :running="running"
    :state="cancelled ? 'cancelled' : failed ? 'failed' : running || !progress ? 'running' : 'done'"
    :text="text"
    :share="progress ? progress.done / progress.of : null"
  />
</template>
