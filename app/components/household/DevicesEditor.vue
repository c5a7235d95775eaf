<script setup lang="ts">
import { computed } from 'vue'
import { mdiTuneVariant } from '@mdi/js'
import { catalogue } from '~~/core/catalogue/catalogue'
import { freeId } from '~~/core/household/habitsFromAnswers'
import ListEditor from '~/components/common/ListEditor.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useHousehold } from '~/composables/useHousehold'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import CapabilitySetEditor from './CapabilitySetEditor.vue'

/** What people watch on, by generic class or a class of one's own. */
const store = usePlanStore()
const { deviceClasses } = catalogue
const { devices, sets, addDevice, append, remove } = useHousehold()
const classItems = computed(() => [
  ...sets.value.map((set, index) => ({ value: set.id, title: `${set.label || `Own class ${index + 1}`} (own)` })),
  ...deviceClasses.filter(entry => !sets.value.some(set => set.id === entry.id)).map(entry => ({ value: entry.id, title: entry.label })),
])
function classOf(id: string) {
  return sets.value.find(set => set.id === id) ?? deviceClasses.find(entry => entry.id === id)
}
/** Starts a class of one's own from what the device's class can. */
function ownClass(index: number): void {
  const device = devices.value[index]!
  const from = classOf(device.class) ?? deviceClasses[0]!
  const id = freeId('own', sets.value)
  const { video, screenLines, hdr, containers, sound, channels, subtitles, maxMbps, deinterlaces } = from
  append('capabilitySets', { id, label: `${device.name || from.label}`.slice(0, 60), video, screenLines, hdr, containers, sound, channels, subtitles, maxMbps, deinterlaces })
  store.edit(`household.devices.${index}.class`, id)
}
</script>

<template>
  <section
    :id="fieldElementId('household.devices')"
    class="sheet"
    tabindex="-1"
  >
    <h2>Devices</h2>
    <p class="soft small">
      {{ devices.length ? 'The class of a device decides what it plays untouched; one that can more or less gets a class of its own.' : 'No device is listed yet. The class of a device decides what it plays untouched.' }}
    </p>
    <ListEditor
      :entries="devices"
      add="Add a device"
      :name="(device, index) => device.name || `device ${index + 1}`"
      :key-of="device => device.id"
      columns="minmax(110px, 1.2fr) minmax(130px, 1.5fr) minmax(110px, 1.2fr) minmax(80px, 0.8fr)"
      @add="addDevice"
      @remove="index => remove('devices', index)"
    >
      <template #default="{ index }">
        <PlanField :path="`household.devices.${index}.name`" />
        <PlanField
          :path="`household.devices.${index}.class`"
          :items="classItems"
        />
        <PlanField :path="`household.devices.${index}.link`" />
        <PlanField
          :path="`household.devices.${index}.linkMbps`"
          label="Shown rate"
          placeholder="usual"
        />
      </template>
      <template #buttons="{ entry, index }">
        <VBtn
          :icon="mdiTuneVariant"
          size="small"
          title="It can more or less than this class: make a class of your own"
          :aria-label="`Make a class of its own for ${entry.name || `device ${index + 1}`}`"
          :disabled="sets.some(set => set.id === entry.class)"
          @click="ownClass(index)"
        />
      </template>
    </ListEditor>
    <CapabilitySetEditor
      v-for="(set, index) in sets"
      :key="set.id"
      :index="index"
    />
  </section>
</template>
