<script setup lang="ts">
import ViewFrame from '~/components/common/ViewFrame.vue'
import TiersTable from '~/components/tiers/TiersTable.vue'
</script>

<template>
  <ViewFrame question="Which way of building meets this need, and for how much?">
    <TiersTable />
  </ViewFrame>
</template>
