<script setup lang="ts">
import { navigateTo } from '#imports'
import { usePlanStore } from '~/stores/planStore'

/** What happened to the open plan besides its edits. */
const store = usePlanStore()
async function saveAsNew(): Promise<void> {
  const fresh = await store.saveAsNew().catch(() => null)
  if (fresh) await navigateTo(`/plans/${fresh}`)
}
</script>

<template>
  <p v-if="store.restoredDraft" class="notice" role="status">
    Changes from your last visit had not reached the server and were restored.
    <button type="button" class="plain-button link" @click="store.restoredDraft = false">
      Dismiss
    </button>
  </p>
  <p v-if="store.gone" class="notice" role="alert">
    This plan was deleted elsewhere. What you see is kept in this browser.
    <button type="button" class="plain-button link" @click="saveAsNew">
      Save it as a new plan
    </button>
  </p>
</template>

<style scoped>
.notice {
  border-left: 4px solid rgb(var(--v-theme-primary));
  padding: 8px 14px;
  background: rgb(var(--v-theme-surface));
  margin: 0 0 14px;
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
}
</style>
