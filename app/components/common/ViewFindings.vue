<script setup lang="ts">
import { viewOfPath } from '~/composables/fieldPlaces'
import type { ViewId } from '~/composables/views'
import FindingsList from './FindingsList.vue'

/** What the plan warns of that belongs to one view. */
defineProps<{
  view: ViewId
  /** more are behind a press */
  most?: number
}>()
</script>

<template>
  <FindingsList :follows="source => viewOfPath(source) === view" :most="most" />
</template>
