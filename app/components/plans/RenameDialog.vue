<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { PlanEntry } from '~~/core/plan/storedPlan'

/** Asks for another name of a plan; closed while there is none. */
const props = defineProps<{ entry: PlanEntry | null }>()
const emit = defineEmits<{ close: []; rename: [name: string] }>()
const name = ref('')
watch(
  () => props.entry,
  entry => entry && (name.value = entry.name),
)
const error = computed(() =>
  name.value.trim().length >= 1 && name.value.trim().length <= 80
    ? null
    : 'Name must be 1 to 80 characters long.',
)
const rename = () => !error.value && emit('rename', name.value.trim())
</script>

<template>
  <VDialog
    :model-value="entry !== null"
    max-width="420"
    aria-label="Rename the plan"
    @update:model-value="emit('close')"
  >
    <form class="sheet dialog" @submit.prevent="rename">
      <h2>Rename the plan</h2>
      <VTextField v-model="name" label="Name" autofocus :error-messages="error ?? []" />
      <div class="dialog-buttons">
        <VBtn @click="emit('close')"> Keep the old name </VBtn>
        <VBtn type="submit" color="primary" variant="flat" :disabled="error !== null">
          Rename
        </VBtn>
      </div>
    </form>
  </VDialog>
</template>

<style scoped>
.dialog {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.dialog-buttons {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
