<script setup lang="ts">
import ColourScheme from '~/components/common/ColourScheme.vue'
import { useSteadyHover } from '~/composables/useSteadyHover'
import { useSteadyPress } from '~/composables/useSteadyPress'

useSteadyPress()
useSteadyHover()
</script>

<template>
  <VApp>
    <ColourScheme />
    <NuxtPage />
  </VApp>
</template>
