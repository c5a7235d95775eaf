<script setup lang="ts">
import { useTheme } from 'vuetify'
import { watch } from 'vue'
import { colourScheme } from '~/composables/colourScheme'

/** Applies day or night, as chosen or as the system has it. */
const theme = useTheme()
watch(colourScheme, scheme => theme.change(scheme), { immediate: true })
</script>

<template>
  <slot />
</template>
