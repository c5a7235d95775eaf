<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import type { StretchKind } from '~~/core/drives/driveMap'
import { useFormat } from '~/composables/useFormat'
import DriveStretch from './DriveStretch.vue'

/** A drive in its bay, as high as it is large, with what lies on it. */
defineProps<{
  place: number
  sizeTB: number
  stretches: readonly { readonly kind: StretchKind; readonly sizeTB: number }[]
  /** TB of the largest drive */ largest: number
  /** all of it as it is read aloud */ name: string
  failed: boolean
  many: boolean
  note: { readonly text: string; readonly isBad: boolean } | null
}>()
const emit = defineEmits<{
  toggle: []
  key: [event: KeyboardEvent]
  carry: [event: DragEvent]
  letGo: []
  take: []
}>()
const { number } = useFormat()
</script>

<template>
  <div class="drive" :class="{ failed, many }">
    <button
      type="button"
      class="plain-button post"
      draggable="true"
      :data-drive="place"
      :aria-label="name"
      :aria-pressed="failed"
      :title="name"
      @click="emit('toggle')"
      @keydown="emit('key', $event)"
      @dragstart="emit('carry', $event)"
      @dragend="emit('letGo')"
    >
      <span class="column" :style="{ height: `${(sizeTB / largest) * 100}%` }">
        <DriveStretch
          v-for="stretch in stretches"
          :key="stretch.kind"
          :kind="stretch.kind"
          :style="{ flexGrow: stretch.sizeTB }"
        />
      </span>
    </button>
    <span class="size"
      ><span
        ><strong>{{ number(sizeTB, 3) }}</strong> TB</span
      >
      <button
        type="button"
        class="plain-button take no-print"
        :aria-label="`Take out drive ${place + 1}, ${number(sizeTB, 3)} TB`"
        @click="emit('take')"
      >
        <VIcon :icon="mdiClose" size="14" />
      </button>
    </span>
    <span v-if="note" class="note" :class="{ bad: note.isBad }">{{ note.text }}</span>
  </div>
</template>

<style scoped>
.drive {
  display: contents;
}
.post {
  width: 46px;
  height: 150px;
  display: flex;
  align-items: flex-end;
  border-bottom: 3px solid rgb(var(--v-theme-wall));
  cursor: pointer;
}
.column {
  width: 100%;
  display: flex;
  flex-direction: column-reverse;
  border: 1.5px solid rgb(var(--v-theme-wall));
  border-bottom: 0;
  border-radius: 3px 3px 0 0;
  overflow: hidden;
  min-height: 10px;
}
.post:hover .column {
  border-color: rgb(var(--v-theme-primary));
}
.failed .column {
  opacity: 0.3;
  border-style: dashed;
}
.failed .post {
  background:
    linear-gradient(
      to top right,
      transparent calc(50% - 1.5px),
      rgb(var(--v-theme-state-short)) calc(50% - 1.5px) calc(50% + 1.5px),
      transparent calc(50% + 1.5px)
    ),
    linear-gradient(
      to bottom right,
      transparent calc(50% - 1.5px),
      rgb(var(--v-theme-state-short)) calc(50% - 1.5px) calc(50% + 1.5px),
      transparent calc(50% + 1.5px)
    );
}
.many .post {
  width: 34px;
  height: 80px;
}
.size {
  display: flex;
  align-items: center;
  gap: 1px;
  font-size: 0.82rem;
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
}
.note {
  font-size: 0.74rem;
  color: rgb(var(--v-theme-ink-soft));
}
.bad {
  color: rgb(var(--v-theme-state-short));
  font-weight: 600;
}
.take {
  width: 24px;
  height: 24px;
  display: grid;
  place-items: center;
  opacity: 0.75;
}
</style>
