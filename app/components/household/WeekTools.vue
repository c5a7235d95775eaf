<script setup lang="ts">
import { mdiPlus } from '@mdi/js'
import { useHousehold } from '~/composables/useHousehold'

/** For whom habits are drawn, and which day is shown. */
defineProps<{
  /** id of the viewer for whom habits are drawn */ pen: string | undefined
  busy: boolean
}>()
const emit = defineEmits<{ pen: [viewer: string]; busy: [on: boolean]; add: [] }>()
const { viewers } = useHousehold()
</script>

<template>
  <div class="tools no-print">
    <span id="pen-label" class="soft small">New habits are drawn for</span>
    <span class="pens" role="radiogroup" aria-labelledby="pen-label">
      <label
        v-for="(viewer, index) in viewers"
        :key="viewer.id"
        class="pen"
        :class="{ chosen: pen === viewer.id }"
      >
        <input
          :checked="pen === viewer.id"
          type="radio"
          name="pen"
          :value="viewer.id"
          class="visually-hidden"
          @change="emit('pen', viewer.id)"
        />
        <i :style="{ background: `rgb(var(--v-theme-viewer-${viewer.colour}))` }" />{{
          viewer.name || `Viewer ${index + 1}`
        }}
      </label>
    </span>
    <VBtn
      size="small"
      color="primary"
      variant="outlined"
      :prepend-icon="mdiPlus"
      @click="emit('add')"
    >
      Add a habit
    </VBtn>
    <label class="busy"
      ><input
        type="checkbox"
        :checked="busy"
        @change="emit('busy', ($event.target as HTMLInputElement).checked)"
      />
      Show a guest day</label
    >
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin-bottom: 6px;
}
.pens {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.pen {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  padding: 3px 9px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 5px;
  font-size: 0.84rem;
  cursor: pointer;
  min-height: 26px;
}
.pen.chosen {
  border-color: rgb(var(--v-theme-on-surface));
  box-shadow: inset 0 0 0 1px rgb(var(--v-theme-on-surface));
}
.pen:focus-within {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: 2px;
}
.pen i {
  width: 10px;
  height: 10px;
  border-radius: 2px;
}
.busy {
  margin-left: auto;
  font-size: 0.86rem;
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 26px;
}
</style>
