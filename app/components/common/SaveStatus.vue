<script setup lang="ts">
import { computed } from 'vue'
import { draftBox } from '~/services/draftBox'
import { usePlanStore } from '~/stores/planStore'

const store = usePlanStore()
const { isKeeping, isWriting } = draftBox
const kept = computed(() =>
  !isKeeping.value
    ? 'Changes are in this tab only, because the browser cannot keep them: leave it open, or ' +
      'export the plan'
    : isWriting.value
      ? 'Changes are being kept in this browser'
      : 'Changes are kept in this browser',
)
const text = computed(
  () =>
    ({
      saved: 'Saved',
      unsaved: 'Not saved yet',
      saving: 'Saving',
      offline:
        `${store.signedOut ? 'You are signed out.' : store.saveMessage || 'The server does not answer.'} ` +
        `${kept.value}; ` +
        `${store.signedOut ? 'they are saved once you sign in.' : 'Numeron keeps trying.'}`,
      conflict: 'Changed elsewhere',
      refused: store.gone
        ? 'Not saved: the plan was deleted elsewhere'
        : `Not saved: ${store.saveMessage}`,
    })[store.saveState],
)
</script>

<template>
  <span
    class="save-status"
    :class="store.saveState"
    role="status"
    :data-save="store.saveState"
    :data-kept="isKeeping && !isWriting"
  >
    <span class="dot" /><span
      >{{ text }}
      <a v-if="store.saveState === 'offline' && store.signedOut" href="/sign-in" target="_blank"
        >Sign in</a
      ></span
    >
  </span>
</template>

<style scoped>
.save-status {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  font-size: 0.82rem;
  color: rgb(var(--v-theme-ink-soft));
  min-width: 0;
}
.dot {
  width: 9px;
  height: 9px;
  border-radius: 50%;
  background: rgb(var(--v-theme-state-enough));
  flex: none;
}
.unsaved .dot,
.saving .dot {
  background: none;
  border: 2px solid rgb(var(--v-theme-state-tight));
}
.offline .dot,
.refused .dot,
.conflict .dot {
  background: rgb(var(--v-theme-state-short));
  border-radius: 1px;
}
</style>
