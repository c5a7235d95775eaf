<script setup lang="ts">
import { layouts } from '~~/core/drives/layouts/layouts'
import { computed, ref } from 'vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import LotsEditor from './LotsEditor.vue'

/**
 * The machine seen from the front: drives in their bays. Press a drive to edit it, an empty bay to
 * add one, the cross to remove one.
 */
const store = usePlanStore()
/** index of the drives that are edited */
const picked = ref<number | null>(null)
const { number } = useFormat()
const lots = computed(() => store.plan?.drives.lots ?? [])
const bays = computed(() => store.assessment?.domains.machine.placesForDrives ?? 0)
const drives = computed(() =>
  lots.value.flatMap((lot, index) => Array.from({ length: lot.count }, () => ({ lot, index }))),
)
const slots = computed(() => Math.min(60, Math.max(bays.value, drives.value.length)))
const largest = computed(() => Math.max(1, ...lots.value.map(lot => lot.sizeTB)))
const full = computed(
  () =>
    drives.value.length >=
    (layouts.find(({ id }) => id === store.plan?.drives.layout)?.maximumDrives ?? Infinity),
)

function add(): void {
  const last = lots.value.at(-1)
  if (last)
    store.edit('drives.lots', [...lots.value.slice(0, -1), { ...last, count: last.count + 1 }])
  else store.edit('drives.lots', [{ count: 1, sizeTB: 8 }])
}
function remove(index: number): void {
  store.edit(
    'drives.lots',
    lots.value.flatMap((lot, other) =>
      other !== index ? [lot] : lot.count > 1 ? [{ ...lot, count: lot.count - 1 }] : [],
    ),
  )
}
</script>

<template>
  <section class="sheet bays">
    <h2>{{ drives.length }} drives in {{ bays }} bays</h2>
    <ol class="front" aria-label="Drive bays">
      <li
        v-for="slot in slots"
        :key="slot"
        class="bay"
        :class="{
          filled: slot <= drives.length,
          outside: slot > bays,
          picked: picked !== null && drives[slot - 1]?.index === picked,
        }"
      >
        <template v-if="drives[slot - 1]">
          <span
            class="fill"
            :style="{ height: `${(drives[slot - 1]!.lot.sizeTB / largest) * 100}%` }"
          />
          <button
            type="button"
            class="plain-button drive"
            :aria-label="`Drive ${slot}, ${number(drives[slot - 1]!.lot.sizeTB, 3)} TB${slot > bays ? ', without a bay' : ''}: edit`"
            :aria-expanded="picked === drives[slot - 1]!.index"
            @click="picked = picked === drives[slot - 1]!.index ? null : drives[slot - 1]!.index"
          >
            <strong>{{ number(drives[slot - 1]!.lot.sizeTB, 3) }}</strong>
            <small>TB</small>
            <small v-if="slot > bays">no bay</small>
          </button>
          <button
            type="button"
            class="plain-button take"
            :aria-label="`Remove drive ${slot}, ${number(drives[slot - 1]!.lot.sizeTB, 3)} TB`"
            @click="remove(drives[slot - 1]!.index)"
          >
            <VIcon :icon="mdiClose" size="16" />
          </button>
        </template>
        <button
          v-else
          type="button"
          class="plain-button put"
          :disabled="full"
          :aria-label="`Add a drive to bay ${slot}`"
          @click="add"
        >
          <VIcon :icon="mdiPlus" />
        </button>
      </li>
    </ol>
    <LotsEditor v-model:picked="picked" />
    <VBtn
      v-if="drives.length >= bays"
      :prepend-icon="mdiPlus"
      size="small"
      color="primary"
      @click="add"
    >
      Add a drive
    </VBtn>
  </section>
</template>

<style scoped>
.front {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 10px 0;
  padding: 10px;
  background: rgb(var(--v-theme-surface-light));
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
}
.bay {
  position: relative;
  width: 58px;
  height: 104px;
  border: 1.5px dashed rgb(var(--v-theme-ink-soft));
  border-radius: 4px;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  overflow: hidden;
}
.bay.filled {
  border-style: solid;
  border-color: rgb(var(--v-theme-wall));
  background: rgb(var(--v-theme-surface));
}
.bay.outside {
  border-color: rgb(var(--v-theme-state-impossible));
}
.bay strong {
  font-size: 1.15rem;
  line-height: 1;
  position: relative;
}
.bay small {
  position: relative;
  font-size: 0.72rem;
}
.fill {
  position: absolute;
  left: 0;
  right: 0;
  bottom: 0;
  background: rgba(var(--v-theme-water), 0.45);
}
.bay.picked {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: 1px;
}
.drive {
  position: relative;
  width: 100%;
  height: 100%;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
}
.take {
  position: absolute;
  z-index: 1;
  top: 2px;
  right: 2px;
  line-height: 1;
  padding: 4px;
}
.put {
  width: 100%;
  height: 100%;
  display: grid;
  place-items: center;
  color: rgb(var(--v-theme-primary));
}
.put:disabled {
  opacity: 0.3;
}
</style>
