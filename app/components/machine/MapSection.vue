<script setup lang="ts">
import { withinSentence } from '~~/core/withinSentence'
import { computed, ref } from 'vue'
import type { PartEntry } from '~~/core/machine/assembly/places'
import type { PartKind } from '~~/core/machine/knownParts'
import { withBase } from '~~/core/machine/partChanges'
import { baseClasses } from '~~/core/catalogue/machineBases'
import { fromParts, ownEntry } from '~~/core/plan/constants'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'
import { useMachineParts } from '~/composables/useMachineParts'
import MachineMapPicture from './MachineMapPicture.vue'
import PartTray from './PartTray.vue'
import PlaceInspector from './PlaceInspector.vue'
import type { MapMark } from './machineMap'

/** What the machine is put together from, and what each part costs elsewhere. */
const { assembly, machine, lists, apply, put } = useMachineParts()
const { money } = useFormat()
const picked = ref<string | null>(null)
const carried = ref<PartEntry | null>(null)
const kind = ref<PartKind>('ssd')
const places = computed(() => [
  'socket',
  ...(assembly.value?.places ?? []).map(({ place }) => place.id),
  'supply',
])

const bases = computed(() => [
  { value: fromParts, title: 'Parts of my choice' },
  { value: ownEntry, title: 'My own entries' },
  ...lists.value.machineBases.map(base => ({
    value: base.id,
    title: `${base.label}, ${withinSentence(baseClasses[base.class])}`,
    props: { subtitle: `${money(base.price)} · ${base.description}` },
  })),
])
function setBase(base: unknown): void {
  if (machine.value && typeof base === 'string') apply(withBase(machine.value, base, lists.value))
}
function carry(event: DragEvent, entry: PartEntry): void {
  carried.value = entry
  event.dataTransfer?.setData('text/plain', entry.label)
}
function onDrop(mark: MapMark): void {
  const entry = carried.value
  carried.value = null
  if (entry) put(entry.id, mark.state ? mark.id : '')
}
function step(by: number): void {
  const at = places.value.indexOf(picked.value ?? '')
  picked.value = places.value[(Math.max(0, at) + by + places.value.length) % places.value.length]!
}
</script>

<template>
  <div class="columns">
    <MachineMapPicture v-model:picked="picked" :carried="carried" @drop="onDrop" />
    <section class="sheet side">
      <VerdictSentence id="fit" />
      <VAutocomplete
        :id="fieldElementId('machine.base')"
        :model-value="machine?.base"
        :items="bases"
        label="Built on"
        variant="outlined"
        density="compact"
        hide-details
        @update:model-value="setBase"
      />
      <PartTray v-model:kind="kind" @carry="carry" @let-go="carried = null" />
      <p class="soft small">
        Before the case is opened: switch off, unplug and wait a minute; touch bare metal first, and
        mind sharp edges. Never open a power supply; screw it to metal, not onto wood, foam or tape,
        and keep its fan free.
      </p>
    </section>
  </div>
  <PlaceInspector
    v-model="picked"
    :index="Math.max(0, places.indexOf(picked ?? ''))"
    :count="places.length"
    @step="step"
  />
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.75fr) minmax(280px, 1fr);
}
</style>
