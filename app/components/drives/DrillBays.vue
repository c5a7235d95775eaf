<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { DrillState } from '~~/core/drives/drill/drillState'
import { serialOf } from '~~/core/drives/drill/tellDrill'
import { useFormat } from '~/composables/useFormat'

/** The drives of a drill in their bays, as they look from outside. */
const props = defineProps<{
  drives: readonly { readonly sizeTB: number }[]
  /** bays whose drives make the pool */ members: ReadonlySet<number>
  /** null before the drill has begun: then a press lets a drive fail */ state: DrillState | null
  /** serial numbers follow from it */ seed: number
  /** a press pulls a drive */ pulling: boolean
}>()
const emit = defineEmits<{ press: [place: number] }>()
const { number } = useFormat()
const largest = computed(() => Math.max(1, ...props.drives.map(({ sizeTB }) => sizeTB)))
const bays = ref<HTMLElement | null>(null)
watch(
  () => props.pulling,
  async isPulling => {
    await nextTick()
    if (isPulling) bays.value?.querySelector<HTMLElement>('button')?.focus()
  },
)

/**
 * What can be seen of a drive from outside: an empty bay, a drive that is out, a new one, a spare.
 * A failed one looks like any other.
 */
function lookOf(place: number): string {
  const at = props.state
  if (!at) return ''
  if (at.empty.includes(place)) return 'empty'
  if (at.pulledGood === place) return 'pulled'
  const role = at.fresh.find(served => (at.standsIn[served] ?? served) === place)
  if (role !== undefined)
    return at.ownRebuilds.some(one => one.place === role) ? 'rebuilding' : 'new'
  return at.spares.includes(place) ? 'spare' : ''
}
const nameOf = (place: number) =>
  `Bay ${place + 1}, ${number(props.drives[place]!.sizeTB, 3)} ` +
  `TB${props.state ? `, serial ending in ${serialOf(props.seed, place)}` : ''}${lookOf(place) ? `, ${lookOf(place)}` : ''}`
</script>

<template>
  <ol ref="bays" class="bays" :class="{ pulling }" aria-label="Drives in their bays">
    <li v-for="(drive, place) in drives" :key="place" :class="lookOf(place)">
      <button
        type="button"
        class="plain-button bay"
        :disabled="state ? !pulling : !members.has(place)"
        :data-bay-drive="place"
        :aria-label="state ? `${nameOf(place)}: pull it` : `${nameOf(place)}: it fails`"
        @click="emit('press', place)"
      >
        <span class="body" :style="{ height: `${(drive.sizeTB / largest) * 100}%` }" />
      </button>
      <span class="small">bay {{ place + 1 }}</span>
      <span v-if="state" class="serial">…{{ serialOf(seed, place) }}</span>
      <span v-if="lookOf(place)" class="small look">{{ lookOf(place) }}</span>
    </li>
  </ol>
</template>

<style scoped>
.bays {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 6px;
  margin: 10px 0;
  padding: 12px 10px;
  background: rgb(var(--v-theme-surface-light));
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
}
.bays li {
  width: 70px;
  display: flex;
  flex-direction: column;
  align-items: center;
}
.bay {
  width: 44px;
  height: 96px;
  display: flex;
  align-items: flex-end;
  border-bottom: 3px solid rgb(var(--v-theme-wall));
}
.bay:not(:disabled) {
  cursor: pointer;
}
.body {
  width: 100%;
  background: rgba(var(--v-theme-wall), 0.22);
  border: 1.5px solid rgb(var(--v-theme-wall));
  border-bottom: 0;
  border-radius: 3px 3px 0 0;
}
.bay:not(:disabled):hover .body,
.pulling .bay:not(:disabled) .body {
  border-color: rgb(var(--v-theme-primary));
  background: rgba(var(--v-theme-primary), 0.16);
}
.empty .body,
.pulled .body {
  background: transparent;
  border-style: dashed;
}
.new .body {
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-water), 0.5) 0 3px,
    transparent 3px 7px
  );
}
.serial {
  font-variant-numeric: tabular-nums;
  font-size: 0.84rem;
  font-weight: 600;
  letter-spacing: 0.04em;
}
.look {
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
}
</style>
