<script setup lang="ts">
import type { DrillAction } from '~~/core/drives/drill/drillState'

/** What can be done in a drill. */
defineProps<{
  /** a good drive is out and can be put back */ hasPulledGood: boolean
  /** a press pulls a drive */ pulling: boolean
}>()
const emit = defineEmits<{ act: [action: DrillAction]; pull: []; end: [] }>()
const steps: readonly {
  readonly do: Exclude<DrillAction['do'], 'pull'>
  readonly label: string
}[] = [
  { do: 'read', label: 'Read the report' },
  { do: 'copy', label: 'Copy what is irreplaceable' },
  { do: 'order', label: 'Order a new drive' },
  { do: 'insert', label: 'Put the new drive in' },
  { do: 'rebuild', label: 'Start the rebuild' },
  { do: 'scrub', label: 'Check everything (scrub)' },
  { do: 'restore', label: 'Restore from a copy' },
  { do: 'record', label: 'Label and write it down, and end' },
]
</script>

<template>
  <div class="steps" role="group" aria-label="What you do">
    <VBtn
      v-for="step in steps.slice(0, 3)"
      :key="step.do"
      variant="outlined"
      color="primary"
      @click="emit('act', { do: step.do })"
    >
      {{ step.label }}
    </VBtn>
    <VBtn
      v-if="!hasPulledGood"
      :variant="pulling ? 'flat' : 'outlined'"
      color="primary"
      :aria-pressed="pulling"
      @click="emit('pull')"
    >
      {{ pulling ? 'Press the drive to pull' : 'Pull a drive' }}
    </VBtn>
    <VBtn v-else color="primary" @click="emit('act', { do: 'putBack' })"> Put it back </VBtn>
    <VBtn
      v-for="step in steps.slice(3)"
      :key="step.do"
      variant="outlined"
      color="primary"
      @click="emit('act', { do: step.do })"
    >
      {{ step.label }}
    </VBtn>
    <VBtn variant="text" @click="emit('end')"> End the drill here </VBtn>
  </div>
</template>

<style scoped>
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
