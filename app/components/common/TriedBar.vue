<script setup lang="ts">
import { computed } from 'vue'
import { mdiPinOutline } from '@mdi/js'
import { planDifferences } from '~~/core/plan/differences'
import { usePlanStore } from '~/stores/planStore'

/**
 * Says that a change is being tried on the headroom line, and lets it be pinned, kept or dropped.
 */
const store = usePlanStore()
const shown = computed(() => store.tried ?? store.pinned)
const changes = computed(() =>
  store.plan && shown.value ? planDifferences(store.plan, shown.value) : [],
)
const what = computed(() => {
  const labels = [...new Set(changes.value.map(change => change.label))]
  return labels.length > 3
    ? `${labels.slice(0, 3).join(', ')} and ${labels.length - 3} more`
    : labels.join(', ')
})
/** What is pressed already and still under the pointer changes nothing: there is nothing to say. */
const says = computed(() => shown.value !== null && (what.value !== '' || store.pinned !== null))
</script>

<template>
  <div v-if="says" class="trial no-print" role="status" data-tried>
    <VIcon :icon="mdiPinOutline" size="16" aria-hidden="true" />
    <span class="text"
      ><strong
        >{{
          store.pinned && (!store.tried || store.tried === store.pinned) ? 'Pinned' : 'Preview'
        }}:</strong
      >
      {{ what || 'no change'
      }}<span v-if="store.tried && !store.pinned"> · press T to pin it</span></span
    >
    <template v-if="store.pinned">
      <button type="button" class="plain-button" @click="store.keepPinned()">Keep</button>
      <button type="button" class="plain-button" @click="store.dropPinned()">Drop</button>
    </template>
  </div>
</template>

<style scoped>
.trial {
  position: absolute;
  left: 0;
  right: 0;
  top: 100%;
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 3px 14px;
  min-height: 32px;
  background: rgb(var(--v-theme-surface-variant));
  color: rgb(var(--v-theme-on-surface-variant));
  font-size: 0.86rem;
}
.text {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
button {
  min-height: 26px;
  padding: 2px 12px;
  border: 1px solid currentcolor;
  border-radius: 4px;
}
</style>
