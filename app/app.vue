<script setup lang="ts">
import ColourScheme from '~/components/common/ColourScheme.vue'
import { useSteadyPress } from '~/composables/useSteadyPress'

useSteadyPress()
</script>

<template>
  <VApp>
    <ColourScheme />
    <NuxtPage />
  </VApp>
</template>
