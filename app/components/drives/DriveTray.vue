<script setup lang="ts">
import { computed, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { commonDriveSizesTB } from '~~/core/catalogue/driveSizes'
import type { NewDrive } from '~~/core/drives/bayOrder'
import { modelSheet } from '~~/core/drives/modelSheet'
import { useFormat } from '~/composables/useFormat'

/** Drives to be put in: by size alone, or models of the catalogue by their class. */
const emit = defineEmits<{
  put: [drive: NewDrive]
  carry: [event: DragEvent, drive: NewDrive]
  letGo: []
}>()
const { number, money } = useFormat()
const bySize = 'size'
const kind = ref(bySize)
const kinds = [
  { value: bySize, title: 'By size' },
  ...catalogue.driveClasses.map(({ id, label }) => ({ value: id, title: label })),
]

const entries = computed(() =>
  kind.value === bySize
    ? commonDriveSizesTB.map(sizeTB => ({
        key: String(sizeTB),
        text: `${sizeTB} TB`,
        name: `Put in a drive of ${sizeTB} TB`,
        drive: { sizeTB } satisfies NewDrive as NewDrive,
      }))
    : catalogue.driveModels
        .filter(model => model.driveClass === kind.value)
        .map(model => {
          const drive: NewDrive = {
            sizeTB: model.sizeTB,
            model: model.id,
            condition: model.sold === 'refurbished' ? 'refurbished' : 'new',
          }
          return {
            key: model.id,
            text:
              `${number(model.sizeTB)} TB · ` +
              `${money(model.price)}${model.recording === 'shingled' ? ' · SMR' : model.link === 'nvme' ? ' · NVMe' : model.link === 'usb' ? ' · USB' : ''}`,
            name:
              `Put in a drive: ${model.label}, ${money(model.price)}, ` +
              `${money(model.price / model.sizeTB)} a TB, ${modelSheet(model, { number })}`,
            drive,
          }
        }),
)
</script>

<template>
  <VSelect
    v-model="kind"
    class="kind"
    :items="kinds"
    label="Put in a drive"
    density="compact"
    hide-details
  />
  <button
    v-for="entry in entries"
    :key="entry.key"
    type="button"
    class="plain-button chip"
    draggable="true"
    :aria-label="entry.name"
    :title="entry.name"
    @click="emit('put', entry.drive)"
    @dragstart="emit('carry', $event, entry.drive)"
    @dragend="emit('letGo')"
  >
    {{ entry.text }}
  </button>
</template>

<style scoped>
.kind {
  flex: 0 1 190px;
  min-width: 150px;
}
.chip {
  padding: 4px 8px;
  min-height: 28px;
  border: 1px solid rgb(var(--v-theme-ink-soft));
  border-radius: 4px;
  font-size: 0.84rem;
  background: rgb(var(--v-theme-surface-bright));
  cursor: grab;
}
.chip:hover {
  border-color: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-primary));
}
</style>
