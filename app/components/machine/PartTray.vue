<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import { partKinds } from '~~/core/catalogue/hardware/partWords'
import { entriesOfKind, type PartEntry } from '~~/core/machine/assembly/places'
import type { PartKind } from '~~/core/machine/knownParts'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'

/**
 * Parts to be put in, by kind: dragged to a place of the map, or pressed. Hover or focus to
 * preview. Those that would not fit stand last, with the reason.
 */
const kind = defineModel<PartKind>('kind', { default: 'ssd' })
const emit = defineEmits<{ carry: [event: DragEvent, entry: PartEntry]; letGo: [] }>()
const { lists, spoils, preview, put, withPartIn } = useMachineParts()
const { money } = useFormat()
const search = ref('')
const maxShown = 40
const kinds = Object.entries(partKinds).map(([value, title]) => ({ value, title }))
const found = computed(() =>
  entriesOfKind(kind.value, lists.value).filter(({ label, text }) =>
    `${label} ${text}`.toLowerCase().includes(search.value.trim().toLowerCase()),
  ),
)
const entries = computed(() =>
  found.value
    .slice(0, maxShown)
    .map(entry => {
      const changed = withPartIn(entry.id)
      return { ...entry, reason: changed && spoils(changed) }
    })
    .sort((a, b) => Number(a.reason !== null) - Number(b.reason !== null)),
)

function look(entry: PartEntry | null): void {
  preview(entry && withPartIn(entry.id))
}
onBeforeUnmount(() => look(null))
</script>

<template>
  <div class="tray no-print" data-tray>
    <div class="choose">
      <VSelect
        v-model="kind"
        :items="kinds"
        label="Put in"
        :menu-props="{ maxHeight: 760 }"
        density="compact"
        hide-details
      />
      <VTextField
        v-model="search"
        label="Search"
        density="compact"
        hide-details
        clearable
        @click:clear="search = ''"
      />
    </div>
    <ul>
      <li v-for="entry in entries" :key="entry.id">
        <button
          type="button"
          class="plain-button chip"
          :class="{ off: entry.reason }"
          draggable="true"
          :data-chip="entry.id"
          :title="entry.reason ?? entry.text"
          :aria-label="`Put in ${entry.label}, ${entry.text}${entry.price === null ? '' : `, ${money(entry.price)}`}${entry.reason ? `. Would not fit: ${entry.reason}` : ''}`"
          @click="put(entry.id)"
          @pointerenter="look(entry)"
          @pointerleave="look(null)"
          @focus="look(entry)"
          @blur="look(null)"
          @dragstart="
            (event: DragEvent) => {
              look(null)
              emit('carry', event, entry)
            }
          "
          @dragend="emit('letGo')"
        >
          <span
            ><strong>{{ entry.label }}</strong
            ><span class="number">{{ entry.price === null ? '' : money(entry.price) }}</span></span
          >
          <small class="soft">{{
            entry.reason ? `Would not fit: ${entry.reason}` : entry.text
          }}</small>
        </button>
      </li>
    </ul>
    <p v-if="found.length > maxShown" class="soft small">
      {{ found.length - maxShown }} more: search for their names.
    </p>
    <p v-if="found.length === 0" class="soft small">
      Nothing of that name is in the catalogue. Your own parts are entered under Parts list.
    </p>
  </div>
</template>

<style scoped>
.tray {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
}
.choose {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px;
}
ul {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 4px;
  /* Short enough that map and tray are in sight together: a part is dragged from one to the other. */
  max-height: clamp(220px, calc(100vh - 500px), 420px);
  overflow-y: auto;
}
.chip {
  width: 100%;
  padding: 5px 9px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  background: rgb(var(--v-theme-surface-bright));
  cursor: grab;
  display: flex;
  flex-direction: column;
}
.chip > span {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.chip:hover {
  border-color: rgb(var(--v-theme-primary));
}
.chip.off {
  border-style: dashed;
}
.chip.off strong {
  font-weight: 500;
  color: rgb(var(--v-theme-ink-soft));
}
.chip small {
  line-height: 1.25;
}
</style>
