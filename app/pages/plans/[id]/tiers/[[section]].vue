<script setup lang="ts">
import ViewFrame from '~/components/common/ViewFrame.vue'
import TiersTable from '~/components/tiers/TiersTable.vue'

definePageMeta({ key: 'tiers' })
</script>

<template>
  <ViewFrame
    view="tiers"
    question="Which build meets the need, and what does it cost?"
  >
    <template #builds>
      <TiersTable />
    </template>
  </ViewFrame>
</template>
