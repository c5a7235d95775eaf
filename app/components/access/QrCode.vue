<script setup lang="ts">
import { computed } from 'vue'
import { create } from 'qrcode'

/** A text as a QR code (ISO/IEC 18004), dark on light by day and by night, as cameras want it. */
const props = defineProps<{ text: string; label: string }>()
const quietModules = 4
const modules = computed(() => create(props.text, { errorCorrectionLevel: 'M' }).modules)
const side = computed(() => modules.value.size + 2 * quietModules)
const path = computed(() => {
  const { size, data } = modules.value
  return Array.from(data, (isDark, at) =>
    isDark ? `M${(at % size) + quietModules} ${Math.floor(at / size) + quietModules}h1v1h-1z` : '',
  ).join('')
})
</script>

<template>
  <svg :viewBox="`0 0 ${side} ${side}`" role="img" :aria-label="label" shape-rendering="crispEdges">
    <rect :width="side" :height="side" fill="#FFF" />
    <path :d="path" fill="#000" />
  </svg>
</template>
