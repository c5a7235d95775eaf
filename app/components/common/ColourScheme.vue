<script setup lang="ts">
import { useTheme } from 'vuetify'
import { watch } from 'vue'
import { useHead } from '#imports'
import { colourScheme } from '~/composables/colourScheme'
import { printColours } from '~/theme/printColours'

/** Applies day or night, as chosen or as the system has it; what is printed is day. */
const theme = useTheme()
watch(colourScheme, scheme => theme.change(scheme), { immediate: true })
useHead({ style: [{ innerHTML: printColours() }] })
</script>

<template>
  <slot />
</template>
