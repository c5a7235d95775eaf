<script setup lang="ts">
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** Says that proposals answer a narrower question than the search does, and leads there. */
defineProps<{ question: string }>()
const store = usePlanStore()
</script>

<template>
  <span data-whole-need>
    {{ question }} Whether another machine meets the whole need for less stands
    <NuxtLink :to="viewAddress(store.id ?? '', 'tiers')">under Tiers</NuxtLink>.
  </span>
</template>

<style scoped>
a {
  color: rgb(var(--v-theme-primary));
}
</style>
