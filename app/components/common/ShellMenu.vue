<script setup lang="ts">
import { mdiDotsVertical } from '@mdi/js'

/** What can be done with the plan and the page besides editing. */
defineProps<{ actions: readonly { readonly label: string; readonly run: () => void }[] }>()
</script>

<template>
  <VMenu>
    <template #activator="{ props: activator }">
      <VBtn v-bind="activator" :icon="mdiDotsVertical" size="small" aria-label="More" />
    </template>
    <VList density="compact">
      <VListItem
        v-for="action in actions"
        :key="action.label"
        :title="action.label"
        @click="action.run()"
      />
    </VList>
  </VMenu>
</template>
