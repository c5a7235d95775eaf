<script setup lang="ts" generic="Value extends string | number">
/** A choice of a few answers, of which one may be pressed. */
defineProps<{
  label: string
  options: readonly { readonly value: Value; readonly title: string }[]
  chosen: Value | null
}>()
const emit = defineEmits<{ choose: [value: Value] }>()
</script>

<template>
  <div class="chips" role="group" :aria-label="label">
    <button
      v-for="option in options"
      :key="option.value"
      type="button"
      class="plain-button chip"
      :aria-pressed="option.value === chosen"
      @click="emit('choose', option.value)"
    >
      {{ option.title }}
    </button>
  </div>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.chip {
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 5px;
  padding: 4px 12px;
  min-height: 32px;
  font-size: 0.9rem;
}
.chip:hover {
  background: rgb(var(--v-theme-surface-light));
}
.chip[aria-pressed='true'] {
  border-color: rgb(var(--v-theme-primary));
  background: rgba(var(--v-theme-primary), 0.14);
  font-weight: 600;
}
</style>
