<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { navigateTo } from '#imports'
import { fieldPaths } from '~~/core/plan/fieldPaths'
import { searchPalette, type PaletteEntry } from '~/composables/paletteSearch'
import { useFormat } from '~/composables/useFormat'
import { useGoTo } from '~/composables/useGoTo'
import { useOtherPlans } from '~/composables/useOtherPlans'
import { phases, viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'

/** Everything of this plan and its views, found as it is typed. */
const props = defineProps<{
  actions: readonly { readonly label: string; readonly run: () => void; readonly off: boolean }[]
}>()
const open = defineModel<boolean>({ required: true })
const store = usePlanStore()
const working = useWorkingStore()
const { quantity } = useFormat()
const { goToField } = useGoTo()
const typed = ref('')
const at = ref(0)
const plans = useOtherPlans()
const most = 12

const entries = computed((): PaletteEntry[] => [
  ...phases.flatMap(phase =>
    phase.views.flatMap(view =>
      view.sections.map((section, index): PaletteEntry => ({
        kind: 'View',
        label: index === 0 ? view.label : `${view.label}: ${section.label}`,
        detail: index === 0 ? `${phase.label}, ${section.label}` : phase.label,
        run: () => void navigateTo(viewAddress(store.id ?? '', view.id, section.id)),
      })),
    ),
  ),
  ...props.actions
    .filter(action => !action.off)
    .map(({ label, run }): PaletteEntry => ({ kind: 'Action', label, detail: '', run })),
  ...(store.plan ? fieldPaths(store.plan) : []).map(({ path, label, within }): PaletteEntry => ({
    kind: 'Field',
    label,
    detail: within.join(', '),
    run: () => void goToField(path),
  })),
  ...Object.values(store.assessment?.figures ?? {}).map(
    ({ id, label, value, unit }): PaletteEntry => ({
      kind: 'Figure',
      label,
      detail: value === null ? 'does not apply' : quantity(value, unit),
      run: () => working.show(id),
    }),
  ),
  ...plans.value
    .filter(plan => plan.id !== store.id)
    .map(({ id, name }): PaletteEntry => ({
      kind: 'Plan',
      label: name,
      detail: 'another plan',
      run: () => void navigateTo(`/plans/${id}`),
    })),
])
const found = computed(() => searchPalette(entries.value, typed.value, most))
watch(found, () => (at.value = 0))

const input = ref<HTMLInputElement | null>(null)
onMounted(async () => {
  await nextTick()
  input.value?.focus()
})
function choose(entry: PaletteEntry | undefined): void {
  if (!entry) return
  open.value = false
  entry.run()
}
function onKey(event: KeyboardEvent): void {
  const last = found.value.length - 1
  const to = {
    ArrowDown: at.value === last ? 0 : at.value + 1,
    ArrowUp: at.value === 0 ? last : at.value - 1,
    PageDown: last,
    PageUp: 0,
  }[event.key]
  if (to !== undefined) at.value = Math.max(0, to)
  else if (event.key === 'Enter') choose(found.value[at.value])
  else return
  event.preventDefault()
}
</script>

<template>
  <VDialog v-model="open" max-width="620" location="top" class="palette" aria-label="Find">
    <div class="sheet box">
      <input
        ref="input"
        v-model="typed"
        type="text"
        role="combobox"
        aria-expanded="true"
        aria-controls="palette-list"
        aria-autocomplete="list"
        :aria-activedescendant="found.length ? `palette-${at}` : undefined"
        aria-label="Find a view, field, figure, action or plan"
        placeholder="Find a view, field, figure, action or plan"
        autocomplete="off"
        spellcheck="false"
        data-palette
        @keydown="onKey"
      />
      <ul id="palette-list" role="listbox" aria-label="Found">
        <li
          v-for="(entry, index) in found"
          :id="`palette-${index}`"
          :key="`${entry.kind}-${index}-${entry.label}`"
          role="option"
          :aria-selected="index === at"
          :class="{ at: index === at }"
          @pointermove="at = index"
          @click="choose(entry)"
        >
          <span class="label">{{ entry.label }}</span>
          <span class="soft detail">{{ entry.detail }}</span>
          <small class="soft">{{ entry.kind }}</small>
        </li>
      </ul>
      <p v-if="!found.length" class="soft" role="status">
        Nothing has that name. Try fewer letters, or another word for it.
      </p>
    </div>
  </VDialog>
</template>

<style scoped>
.box {
  padding: 10px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
input {
  font: inherit;
  font-size: 1.05rem;
  padding: 9px 12px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 5px;
  background: rgb(var(--v-theme-background));
  color: inherit;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr) 56px;
  gap: 12px;
  align-items: baseline;
  padding: 6px 10px;
  border-radius: 4px;
  cursor: pointer;
}
li.at {
  background: rgba(var(--v-theme-primary), 0.16);
}
.label,
.detail {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.detail {
  font-size: 0.86rem;
  font-variant-numeric: tabular-nums;
}
small {
  text-align: right;
}
p {
  padding: 4px 10px;
}
</style>
