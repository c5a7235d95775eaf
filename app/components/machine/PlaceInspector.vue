<script setup lang="ts">
import { computed, onBeforeUnmount } from 'vue'
import { takes } from '~~/core/machine/assembly/placement'
import { entriesOfKind, goesInto, kindsFor, type PartEntry } from '~~/core/machine/assembly/places'
import type { PartKind } from '~~/core/machine/knownParts'
import { supplyGoesIn } from '~~/core/machine/power/supplyForms'
import { reachMinutes, swapMinutes } from '~~/core/machine/place/reach'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** One place of the machine: what sits there, what it costs elsewhere, what else could be there. */
const picked = defineModel<string | null>({ required: true })
defineProps<{ /** of the places that can be gone through */ index: number; count: number }>()
const emit = defineEmits<{ step: [by: -1 | 1] }>()
const store = usePlanStore()
const { assembly, lists, known, machine, preview, withPartIn, put, move, remove } =
  useMachineParts()
const { money, number, quantity } = useFormat()

const state = computed(
  () => assembly.value?.places.find(({ place }) => place.id === picked.value) ?? null,
)
const single = computed((): PartKind | null =>
  picked.value === 'socket'
    ? 'processor'
    : picked.value === 'supply'
      ? 'supply'
      : picked.value?.startsWith('memory-')
        ? 'memory'
        : null,
)
/** A bay by its number, large or small. */
const bay = computed(() => {
  const found = /^(small-)?bay-(\d+)$/.exec(picked.value ?? '')
  return found ? { number: Number(found[2]), isSmall: found[1] !== undefined } : null
})
const heading = computed(
  () =>
    state.value?.place.label ??
    (single.value === 'processor'
      ? 'Socket'
      : single.value === 'supply'
        ? 'Power supply'
        : single.value === 'memory'
          ? 'Memory'
          : bay.value?.isSmall
            ? `2.5" bay ${bay.value.number}`
            : `Bay ${bay.value?.number}`),
)
const partIndex = computed(() =>
  state.value
    ? (state.value.holds?.partIndex ?? null)
    : single.value
      ? (known.value.findLast(part => part?.kind === single.value && part.part.purpose === 'fitted')
          ?.index ?? null)
      : null,
)
const label = (id: string) =>
  assembly.value?.places.find(({ place }) => place.id === id)?.place.label ?? id
const costs = computed(() =>
  (assembly.value?.board?.sharing ?? [])
    .filter(({ when }) => when === picked.value)
    .map(({ by, off = [], narrows }) => {
      const what =
        by === 'nvme' ? 'An NVMe SSD here' : by === 'sata' ? 'An SSD by SATA here' : 'Anything here'
      return (
        `${what} ` +
        `${[...(off.length ? [`switches off ${off.map(label).join(' and ')}`] : []), ...(narrows ? [`leaves ${label(narrows.place)} ` + `${narrows.lanes === 1 ? 'one lane' : `${narrows.lanes} lanes`}`] : [])].join(' and ')}.`
      )
    }),
)
const entries = computed((): PartEntry[] => {
  if (state.value)
    return kindsFor(state.value)
      .flatMap(kind => entriesOfKind(kind, lists.value))
      .filter(entry => goesInto(entry, state.value!, lists.value))
  if (!single.value) return []
  const { socket, memory } = assembly.value?.board ?? {}
  return entriesOfKind(single.value, lists.value).filter(entry =>
    single.value === 'processor'
      ? !socket || lists.value.processors.find(({ id }) => id === entry.id)?.socket === socket
      : single.value === 'memory'
        ? !memory ||
          lists.value.memoryModules.some(
            module =>
              module.id === entry.id &&
              module.type === memory.type &&
              module.shape === memory.shape,
          )
        : lists.value.hardware.some(
            part =>
              part.id === entry.id &&
              (part.kind !== 'supply' ||
                !assembly.value?.housing ||
                supplyGoesIn(part.form, assembly.value.housing.supplyForm)),
          ),
  )
})
const others = computed(() => {
  const holds = state.value?.holds
  return holds
    ? (assembly.value?.places ?? []).filter(
        other => other.place.id !== picked.value && !other.holds && takes(other.place, holds),
      )
    : []
})
const minutes = computed(() =>
  bay.value && !bay.value.isSmall && assembly.value?.housing
    ? bay.value.number > assembly.value.bays35
      ? reachMinutes.front
      : swapMinutes(assembly.value.housing, bay.value.number).at(-1)!
    : null,
)
const at = computed(() => (state.value ? picked.value! : ''))
function putHere(ref: string): void {
  if (state.value?.holds?.partIndex != null && machine.value) remove(state.value.holds.partIndex)
  put(ref, at.value)
}
onBeforeUnmount(() => preview(null))
</script>

<template>
  <InspectorPanel
    v-if="picked"
    :heading="heading"
    :index="index"
    :count="count"
    @close="picked = null"
    @step="emit('step', $event)"
  >
    <template v-if="state">
      <p>
        {{ state.holds ? state.holds.label : 'Nothing sits here.' }}
        <span v-if="state.place.kind !== 'data'" class="soft"
          >{{ state.lanes === 1 ? 'One lane' : `${state.lanes} lanes` }} of generation
          {{ state.place.generation }}, from the {{ state.place.from }}.</span
        >
      </p>
      <p v-if="state.offBy">
        <template v-if="state.covered"
          ><strong>Covered by the wide card in {{ label(state.offBy) }}.</strong> Nothing goes in
          here.</template
        >
        <template v-else
          ><strong>Switched off by {{ label(state.offBy) }}.</strong> What sits here does
          nothing.</template
        >
      </p>
      <p v-if="state.narrowedBy">{{ label(state.narrowedBy) }} takes the other lanes.</p>
      <p v-for="cost in costs" :key="cost" class="soft">
        {{ cost }}
      </p>
    </template>
    <p v-else-if="bay !== null">
      {{
        minutes === null
          ? 'How a drive here is reached is not known.'
          : `A drive here is swapped in about ${quantity(minutes, 'min')}.`
      }}
      <NuxtLink :to="viewAddress(store.id ?? '', 'drives')"> Drives </NuxtLink>
    </p>
    <template v-if="partIndex !== null">
      <PlanField :path="`machine.parts.${partIndex}.condition`" />
      <PlanField :path="`machine.parts.${partIndex}.price`" />
      <PlanField v-if="single === 'memory'" :path="`machine.parts.${partIndex}.count`" />
      <PlanField :path="`machine.parts.${partIndex}.note`" />
      <div class="buttons">
        <VBtn
          v-for="other in others.slice(0, 4)"
          :key="other.place.id"
          size="small"
          @click="
            () => {
              move(partIndex!, other.place.id)
              picked = other.place.id
            }
          "
        >
          Move to {{ other.place.label }}
        </VBtn>
        <VBtn size="small" @click="remove(partIndex!)"> Take out </VBtn>
      </div>
    </template>
    <div v-if="entries.length">
      <h3>{{ partIndex === null ? 'What can go here' : 'What else can go here' }}</h3>
      <ul>
        <li v-for="entry in entries" :key="entry.id">
          <button
            type="button"
            class="plain-button entry"
            :data-entry="entry.id"
            @click="putHere(entry.id)"
            @pointerenter="preview(withPartIn(entry.id, at))"
            @pointerleave="preview(null)"
            @focus="preview(withPartIn(entry.id, at))"
            @blur="preview(null)"
          >
            <span
              ><strong>{{ entry.label }}</strong> <small class="soft">{{ entry.text }}</small></span
            >
            <span class="number">{{ entry.price === null ? number(0) : money(entry.price) }}</span>
          </button>
        </li>
      </ul>
    </div>
  </InspectorPanel>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin-top: 6px;
}
.entry {
  width: 100%;
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 5px 6px;
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
  min-height: 32px;
}
.entry:hover {
  background: rgb(var(--v-theme-surface-light));
}
.entry span:first-child {
  display: flex;
  flex-direction: column;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
