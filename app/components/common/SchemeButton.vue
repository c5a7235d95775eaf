<script setup lang="ts">
import { mdiWeatherNight, mdiWhiteBalanceSunny } from '@mdi/js'
import { colourScheme } from '~/composables/colourScheme'
</script>

<template>
  <VBtn
    :icon="colourScheme === 'day' ? mdiWeatherNight : mdiWhiteBalanceSunny"
    size="small"
    :aria-label="colourScheme === 'day' ? 'Switch to dark colours' : 'Switch to light colours'"
    @click="colourScheme = colourScheme === 'day' ? 'night' : 'day'"
  />
</template>
