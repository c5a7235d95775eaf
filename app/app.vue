<script setup lang="ts">
import ColourScheme from '~/components/common/ColourScheme.vue'
</script>

<template>
  <VApp>
    <ColourScheme />
    <NuxtPage />
  </VApp>
</template>
