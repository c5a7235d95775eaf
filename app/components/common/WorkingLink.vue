<script setup lang="ts">
import { useWorkingStore, type Variant } from '~/stores/workingStore'

/** A number in a table; pressed, it shows its working, also for a plan other than the open one. */
defineProps<{ figure: string; variant?: Variant | null; name: string }>()
const working = useWorkingStore()
</script>

<template>
  <button
    type="button"
    class="plain-button working-link"
    :data-figure="figure"
    :aria-label="`${name}: show working`"
    @click.stop="working.show(figure, variant ?? null)"
  >
    <slot />
  </button>
</template>

<style scoped>
.working-link {
  min-height: 24px;
  text-decoration: underline dotted rgb(var(--v-theme-primary)) 1.2px;
  text-underline-offset: 3px;
  font-variant-numeric: tabular-nums;
  text-align: inherit;
}
.working-link:hover {
  color: rgb(var(--v-theme-primary));
}
</style>
