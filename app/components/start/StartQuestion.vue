<script setup lang="ts">
/** One of the questions of the start, with its answer and what that comes to. */
defineProps<{ number: number; question: string }>()
</script>

<template>
  <section class="sheet start-question" :aria-labelledby="`question-${number}`">
    <h2 :id="`question-${number}`">
      <span class="number">{{ number }}</span>{{ question }}
    </h2>
    <slot />
    <p v-if="$slots.result" class="result">
      <slot name="result" />
    </p>
  </section>
</template>

<style scoped>
.start-question {
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 12px 16px;
}
h2 {
  display: flex;
  align-items: baseline;
  gap: 10px;
}
.number {
  display: inline-grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border-radius: 50%;
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-surface));
  font-size: 0.86rem;
}
.result {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: center;
  padding-top: 2px;
  border-top: 1px dotted rgb(var(--v-theme-hairline));
  font-size: 0.9rem;
}
</style>
