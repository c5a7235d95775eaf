<script setup lang="ts" generic="Entry">
import { computed, nextTick, ref, watch } from 'vue'
import { mdiPlus, mdiTrashCanOutline } from '@mdi/js'
import { useWorkingStore } from '~/stores/workingStore'
import InspectorPanel from './InspectorPanel.vue'

/**
 * The entries of one list of the plan as lines that can be picked; the one that is picked is edited
 * in the inspector beside.
 */
const props = withDefaults(
  defineProps<{
    entries: readonly Entry[]
    /**
     * where the list stands in the plan: a reader who is sent to a field of it finds its entry
     * picked
     */
    path: string
    /** what the adding button says: 'Add a device' */
    add: string
    /** what an entry is called */
    name: (entry: Entry, index: number) => string
    keyOf?: (entry: Entry, index: number) => string | number
    /** no more can be added */
    full?: boolean
  }>(),
  { keyOf: (_: unknown, index: number) => index, full: false },
)
const emit = defineEmits<{ add: []; remove: [index: number] }>()
defineSlots<{
  /** an entry in its line */
  line: (row: {
    readonly entry: Entry
    readonly index: number
    readonly isPicked: boolean
  }) => unknown
  /** under its line, over the whole width */
  below: (row: { readonly entry: Entry; readonly index: number }) => unknown
  /** its fields, in the inspector */
  default: (row: { readonly entry: Entry; readonly index: number }) => unknown
  /** more buttons of the inspector */
  buttons: (row: { readonly entry: Entry; readonly index: number }) => unknown
}>()
const picked = defineModel<number | null>('picked', { default: null })
const list = ref<HTMLElement | null>(null)
const entry = computed(() => (picked.value === null ? null : (props.entries[picked.value] ?? null)))

watch(
  () => props.entries.length,
  (now, before) => {
    if (picked.value !== null && picked.value >= now) picked.value = null
    // What was added is picked at once: it wants to be filled in.
    else if (now === before + 1 && adding) picked.value = now - 1
    adding = false
  },
)
let adding = false
function onAdd(): void {
  adding = true
  emit('add')
}
function step(by: number): void {
  if (picked.value !== null)
    picked.value = (picked.value + by + props.entries.length) % props.entries.length
}
const lines = () => [...(list.value?.querySelectorAll<HTMLElement>('[data-pick]') ?? [])]
function onArrow(event: KeyboardEvent, index: number): void {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  if (!by) return
  event.preventDefault()
  lines()[(index + by + props.entries.length) % props.entries.length]?.focus()
}
async function close(): Promise<void> {
  const at = picked.value
  picked.value = null
  await nextTick()
  if (at !== null) lines()[at]?.focus()
}
async function remove(): Promise<void> {
  const at = picked.value
  if (at === null) return
  picked.value = null
  emit('remove', at)
  await nextTick()
  lines()[Math.min(at, props.entries.length - 1)]?.focus()
}
const working = useWorkingStore()
watch(
  () => working.target,
  target => {
    const index = target?.startsWith(`${props.path}.`)
      ? Number(target.slice(props.path.length + 1).split('.')[0])
      : NaN
    if (Number.isInteger(index) && index < props.entries.length) picked.value = index
  },
  { immediate: true },
)
</script>

<template>
  <div class="pick-list">
    <ul ref="list">
      <li
        v-for="(row, index) in entries"
        :key="keyOf(row, index)"
        :data-row="index"
        :class="{ picked: index === picked }"
      >
        <button
          type="button"
          class="plain-button line"
          :data-pick="index"
          :aria-expanded="index === picked"
          @click="picked = index === picked ? null : index"
          @keydown="onArrow($event, index)"
        >
          <slot name="line" :entry="row" :index="index" :is-picked="index === picked" />
        </button>
        <slot name="below" :entry="row" :index="index" />
      </li>
    </ul>
    <VBtn
      v-if="!full"
      :prepend-icon="mdiPlus"
      color="primary"
      size="small"
      class="add"
      @click="onAdd"
    >
      {{ add }}
    </VBtn>
    <InspectorPanel
      v-if="entry !== null && picked !== null"
      :heading="name(entry, picked)"
      :index="picked"
      :count="entries.length"
      @close="close"
      @step="step"
    >
      <slot :entry="entry" :index="picked" />
      <div class="buttons">
        <slot name="buttons" :entry="entry" :index="picked" />
        <VBtn
          size="small"
          :prepend-icon="mdiTrashCanOutline"
          :aria-label="`Remove ${name(entry, picked)}`"
          @click="remove"
        >
          Remove
        </VBtn>
      </div>
    </InspectorPanel>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0 8px;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}
li {
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
}
.line {
  display: block;
  width: 100%;
  min-height: 38px;
  padding: 6px 8px;
}
.line:hover {
  background: rgb(var(--v-theme-surface-light));
}
.picked {
  background: rgba(var(--v-theme-primary), 0.1);
  box-shadow: inset 3px 0 rgb(var(--v-theme-primary));
}
.add {
  min-height: 32px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
