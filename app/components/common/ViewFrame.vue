<script setup lang="ts">
/** A view: the question it answers, and what it holds. */
defineProps<{ question: string }>()
</script>

<template>
  <div class="view-frame">
    <h1>{{ question }}</h1>
    <slot />
  </div>
</template>

<style scoped>
.view-frame { display: flex; flex-direction: column; gap: 16px; max-width: 1480px; }
h1 { margin: 0; }
</style>
