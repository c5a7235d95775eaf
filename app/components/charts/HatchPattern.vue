<script setup lang="ts">
/**
 * The hatching of what is uncertain, in the ink of the wall: one pattern for every picture. Filled
 * with `url(#id)`.
 */
withDefaults(defineProps<{ id: string; /** distance of the lines */ size?: number }>(), { size: 6 })
</script>

<template>
  <pattern
    :id="id"
    :width="size"
    :height="size"
    patternUnits="userSpaceOnUse"
    patternTransform="rotate(45)"
  >
    <line x1="0" y1="0" x2="0" :y2="size" class="hatch-line" />
  </pattern>
</template>

<style scoped>
.hatch-line {
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 1.6;
}
</style>
