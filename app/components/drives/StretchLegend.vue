<script setup lang="ts">
import type { StretchKind } from '~~/core/drives/driveMap'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useFormat } from '~/composables/useFormat'
import DriveStretch from './DriveStretch.vue'
import { stretchWords } from './stretchWords'

/** What lies on all drives together, with the working of each sum. */
defineProps<{ totals: readonly { readonly kind: StretchKind; readonly sum: number }[] }>()
const { number } = useFormat()
/** the figure whose working holds each of the sums */
const workings: Readonly<Record<StretchKind, string>> = {
  kept: 'library.contentTB',
  free: 'drives.roomTB',
  full: 'drives.roomTB',
  reserve: 'drives.roomTB',
  copy: 'drives.usableTB',
  parity: 'drives.usableTB',
  unused: 'drives.usableTB',
  spare: 'drives.usableTB',
}
</script>

<template>
  <ul class="legend" aria-label="What lies on the drives">
    <li v-for="{ kind, sum } in totals" :key="kind">
      <DriveStretch class="swatch" :kind="kind" />{{ stretchWords[kind] }}
      <WorkingLink :figure="workings[kind]" :name="stretchWords[kind]">
        <strong>{{ number(sum, 3) }} TB</strong>
      </WorkingLink>
    </li>
  </ul>
</template>

<style scoped>
.legend {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  font-size: 0.84rem;
}
.legend li {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.swatch {
  width: 16px;
  height: 16px;
  border: 1px solid rgb(var(--v-theme-wall));
  border-radius: 2px;
  flex: none;
}
</style>
