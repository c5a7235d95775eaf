<script setup lang="ts">
import { computed } from 'vue'
import { mdiTuneVariant } from '@mdi/js'
import { catalogue } from '~~/core/catalogue/catalogue'
import { freeId } from '~~/core/household/evenings'
import { planField } from '~~/core/plan/planField'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useHousehold } from '~/composables/useHousehold'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import CapabilitySetEditor from './CapabilitySetEditor.vue'

/** What people watch on, by generic class or a class of one's own. */
const store = usePlanStore()
const { deviceClasses } = catalogue
const { quantity } = useFormat()
const { devices, sets, addDevice, append, remove } = useHousehold()
const classItems = computed(() => [
  ...sets.value.map((set, index) => ({
    value: set.id,
    title: `${set.label || `Own class ${index + 1}`} (own)`,
  })),
  ...deviceClasses
    .filter(entry => !sets.value.some(set => set.id === entry.id))
    .map(entry => ({ value: entry.id, title: entry.label })),
])
function classOf(id: string) {
  return sets.value.find(set => set.id === id) ?? deviceClasses.find(entry => entry.id === id)
}
function linkOf(index: number): string {
  const device = devices.value[index]!
  const label =
    planField('household.devices.0.link')?.options.find(option => option.value === device.link)
      ?.label ?? device.link
  return device.linkMbps === null ? label : `${label}, shows ${quantity(device.linkMbps, 'Mb/s')}`
}
/** Starts a class of one's own from what the device's class can. */
function ownClass(index: number): void {
  const device = devices.value[index]!
  const from = classOf(device.class) ?? deviceClasses[0]!
  const id = freeId('own', sets.value)
  const { video, screenLines, hdr, containers, sound, channels, subtitles, maxMbps, deinterlaces } =
    from
  append('capabilitySets', {
    id,
    label: `${device.name || from.label}`.slice(0, 60),
    video,
    screenLines,
    hdr,
    containers,
    sound,
    channels,
    subtitles,
    maxMbps,
    deinterlaces,
  })
  store.edit(`household.devices.${index}.class`, id)
}
</script>

<template>
  <section :id="fieldElementId('household.devices')" class="sheet" tabindex="-1">
    <h2>Devices</h2>
    <p class="soft small">
      {{
        devices.length
          ? 'The class of a device decides what it plays as it is.'
          : 'No device is listed yet. The class of a device decides what it plays as it is.'
      }}
    </p>
    <PickList
      :entries="devices"
      path="household.devices"
      add="Add a device"
      :name="(device, index) => device.name || `Device ${index + 1}`"
      :key-of="device => device.id"
      @add="addDevice"
      @remove="index => remove('devices', index)"
    >
      <template #line="{ entry, index }">
        <span class="line">
          <strong>{{ entry.name || `Device ${index + 1}` }}</strong>{{ ' ' }}
          <span class="soft">{{ classOf(entry.class)?.label ?? 'unknown class' }}</span>
          <span class="soft">{{ linkOf(index) }}</span>
        </span>
      </template>
      <template #default="{ index }">
        <PlanField :path="`household.devices.${index}.name`" />
        <PlanField :path="`household.devices.${index}.class`" :items="classItems" />
        <PlanField :path="`household.devices.${index}.link`" />
        <PlanField :path="`household.devices.${index}.linkMbps`" placeholder="usual" />
      </template>
      <template #buttons="{ entry, index }">
        <VBtn
          size="small"
          :prepend-icon="mdiTuneVariant"
          :aria-label="`Make a class of its own for ${entry.name || `device ${index + 1}`}`"
          :disabled="sets.some(set => set.id === entry.class)"
          @click="ownClass(index)"
        >
          It can more or less than its class
        </VBtn>
      </template>
    </PickList>
    <CapabilitySetEditor v-for="(set, index) in sets" :key="set.id" :index="index" />
  </section>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(90px, 1fr) minmax(0, 1.4fr) minmax(0, 1.4fr);
  gap: 4px 14px;
  align-items: center;
}
@media (max-width: 800px) {
  .line {
    grid-template-columns: 1fr;
    gap: 0;
  }
}
</style>
