<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { NewDrive } from '~~/core/drives/bayOrder'
import { stretchKinds } from '~~/core/drives/driveMap'
import type { DriveMapState } from '~/composables/useDriveMap'
import { useBayFrame } from '~/composables/useBayFrame'
import { useFormat } from '~/composables/useFormat'
import { maxGroups } from '~~/core/plan/constants'
import DrivePost from './DrivePost.vue'
import DriveTray from './DriveTray.vue'
import StretchLegend from './StretchLegend.vue'
import { stretchWords } from './stretchWords'

/**
 * Every drive to the scale of its size, in its bay, with what this layout puts on it. Press a drive
 * and it has failed; sizes are
 * dragged in, drives are dragged onto each other to change their bays, and out again.
 */
const props = defineProps<{ map: DriveMapState }>()
const { drives, groups, models, bays, mapped, failed, put, take, swap, group, toggle, restoreAll } =
  props.map
const { number } = useFormat()
const error = ref<string | null>(null)
const front = ref<HTMLElement | null>(null)

const largest = computed(() => Math.max(1, ...drives.value.map(({ sizeTB }) => sizeTB)))
const maxSlots = 60
/** More than this are drawn smaller. */
const manySlots = 16
const slots = computed(() => Math.min(maxSlots, Math.max(bays.value, drives.value.length)))
const posts = computed(() =>
  drives.value.map(({ sizeTB }, place) => {
    const drawn = mapped.value?.[place]
    const stretches = stretchKinds.flatMap(kind =>
      (drawn?.stretches[kind] ?? 0) > 1e-9 ? [{ kind, sizeTB: drawn!.stretches[kind] }] : [],
    )
    return {
      sizeTB,
      group: drawn?.group ?? null,
      stretches: stretches.length ? stretches : [{ kind: 'unused' as const, sizeTB }],
    }
  }),
)
const isDrawn = computed(() => new Set(groups.value).size > 1)
const hasGroups = computed(
  () =>
    isDrawn.value ||
    new Set(posts.value.map(({ group: own }) => own).filter(own => own !== null)).size > 1,
)
/** Drawn groups go before those that the layout makes, such as pairs. */
const groupOf = (place: number) =>
  isDrawn.value
    ? groups.value[place]!
    : posts.value[place]!.group === null
      ? null
      : posts.value[place]!.group! + 1
const totals = computed(() =>
  stretchKinds.flatMap(kind => {
    const sum = (mapped.value ?? []).reduce((all, drive) => all + drive.stretches[kind], 0)
    return sum > 1e-9 ? [{ kind, sum }] : []
  }),
)

function nameOf(place: number): string {
  const { sizeTB, stretches } = posts.value[place]!
  const holds = mapped.value
    ? stretches
        .map(
          ({ kind, sizeTB: size }) => `${stretchWords[kind].toLowerCase()} ${number(size, 3)} TB`,
        )
        .join(', ')
    : 'in no layout'
  return (
    `Drive ${place + 1}, ${number(sizeTB, 3)} ` +
    `TB${isDrawn.value ? `, group ${groups.value[place]}` : ''}${place >= bays.value ? ', without a bay' : ''}${failed.value.has(place) ? ', failed' : ''}: ` +
    `${holds}`
  )
}
/** What stands under a drive: what is wrong with it, else what it belongs to. */
function noteOf(place: number): { readonly text: string; readonly isBad: boolean } | null {
  if (failed.value.has(place)) return { text: 'failed', isBad: true }
  if (place >= bays.value) return { text: 'no bay', isBad: true }
  const text =
    posts.value[place]!.stretches[0]?.kind === 'spare'
      ? 'hot spare'
      : hasGroups.value && groupOf(place) !== null
        ? `group ${groupOf(place)}`
        : models.value[place]?.label.split(' ')[0]
  return text ? { text, isBad: false } : null
}
async function focus(place: number): Promise<void> {
  await nextTick()
  front.value?.querySelector<HTMLElement>(`[data-drive="${place}"]`)?.focus()
}
function onKey(event: KeyboardEvent, place: number): void {
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  const to =
    step === undefined ? place : Math.min(drives.value.length - 1, Math.max(0, place + step))
  if (event.key === 'Delete' || event.key === 'Backspace') {
    event.preventDefault()
    error.value = take(place)
    void focus(Math.min(place, drives.value.length - 1))
  } else if (event.key.toLowerCase() === 'g' && !event.ctrlKey && !event.metaKey && !event.altKey) {
    event.preventDefault()
    const last = Math.max(...groups.value)
    const own = groups.value[place]!
    error.value = group(
      new Set([place]),
      own > last ||
        (own === last &&
          (last === maxGroups || groups.value.filter(other => other === own).length === 1))
        ? 1
        : own + 1,
    )
    void focus(place)
  } else if (step !== undefined) {
    event.preventDefault()
    if (event.shiftKey && to !== place) error.value = swap(place, to)
    void focus(to)
  }
}

const frame = useBayFrame(() => drives.value.length)
const lastGroup = computed(() => Math.max(1, ...groups.value))
/** where the framed drives can go: to another group that is there, or to a new one */
const groupTargets = computed(() => {
  const own = new Set([...frame.chosen.value].map(place => groups.value[place]))
  const isWholePool = frame.chosen.value.size === drives.value.length
  return Array.from({ length: Math.min(maxGroups, lastGroup.value + 1) }, (_, at) => at + 1).filter(
    target => !(own.size === 1 && own.has(target)) && !(target > lastGroup.value && isWholePool),
  )
})
function makeGroup(target: number): void {
  error.value = group(frame.chosen.value, target)
  frame.giveUp()
}

/** What is dragged: a size from the tray, or a drive by its bay. */
type Carried = { readonly drive: NewDrive } | { readonly bay: number }
const carried = ref<Carried | null>(null)
const over = ref<number | 'out' | null>(null)
function carry(event: DragEvent, what: Carried): void {
  carried.value = what
  event.dataTransfer?.setData(
    'text/plain',
    'drive' in what ? `${what.drive.sizeTB} TB` : `drive ${what.bay + 1}`,
  )
}
function drop(bay: number): void {
  const what = carried.value
  if (what && 'drive' in what) error.value = put(what.drive, Math.min(bay, drives.value.length))
  else if (what && what.bay !== bay) error.value = swap(what.bay, bay)
  letGo()
}
function dropOut(): void {
  const what = carried.value
  if (what && 'bay' in what) error.value = take(what.bay)
  letGo()
}
function letGo(): void {
  carried.value = null
  over.value = null
}
</script>

<template>
  <section class="sheet map">
    <header>
      <h2>
        {{ drives.length === 1 ? '1 drive' : `${number(drives.length)} drives` }} in
        {{ bays === 1 ? '1 bay' : `${number(bays)} bays` }}
      </h2>
      <VBtn v-if="failed.size" size="small" variant="outlined" color="primary" @click="restoreAll">
        All drives work again
      </VBtn>
    </header>
    <p class="soft small no-print">
      Press a drive and it has failed: see what is left. Drag a drive into a bay, onto another to
      swap their bays, or out of the machine; draw a frame round drives to make them a group. With
      keys: Enter fails it, Shift and an arrow swap, G changes the group, Delete takes it out.
    </p>
    <ol
      ref="front"
      class="front"
      :class="{ many: slots > manySlots }"
      aria-label="Drives in their bays"
      @pointerdown="frame.begin"
      @pointermove="frame.follow"
      @pointerup="frame.release"
      @pointercancel="frame.giveUp"
      @keydown.esc="frame.giveUp"
    >
      <li
        v-for="slot in slots"
        :key="slot"
        class="bay"
        :class="{
          outside: slot > bays,
          over: over === slot - 1,
          framed: frame.within.value.has(slot - 1),
        }"
        :data-bay="slot - 1"
        @dragover.prevent="over = slot - 1"
        @dragleave="over = null"
        @drop.prevent="drop(slot - 1)"
      >
        <DrivePost
          v-if="posts[slot - 1]"
          :place="slot - 1"
          :size-t-b="posts[slot - 1]!.sizeTB"
          :stretches="posts[slot - 1]!.stretches"
          :largest="largest"
          :name="nameOf(slot - 1)"
          :failed="failed.has(slot - 1)"
          :many="slots > manySlots"
          :note="noteOf(slot - 1)"
          @toggle="toggle(slot - 1)"
          @key="onKey($event, slot - 1)"
          @carry="carry($event, { bay: slot - 1 })"
          @let-go="letGo"
          @take="error = take(slot - 1)"
        />
        <span v-else class="empty soft small">empty</span>
      </li>
    </ol>
    <p v-if="frame.chosen.value.size" class="grouping no-print">
      {{ frame.chosen.value.size === 1 ? '1 drive' : `${number(frame.chosen.value.size)} drives` }}
      framed:
      <VBtn
        v-for="target in groupTargets"
        :key="target"
        size="small"
        variant="outlined"
        color="primary"
        @click="makeGroup(target)"
      >
        {{ target > lastGroup ? 'Make a new group' : `Move to group ${target}` }}
      </VBtn>
      <VBtn size="small" variant="text" @click="frame.giveUp"> Cancel </VBtn>
    </p>
    <StretchLegend v-if="totals.length" :totals="totals" />
    <p v-else-if="drives.length" class="soft small">
      These drives do not make the chosen layout, so nothing can be put on them.
    </p>
    <div
      class="tray no-print"
      :class="{ over: over === 'out' }"
      @dragover.prevent="over = 'out'"
      @dragleave="over = null"
      @drop.prevent="dropOut"
    >
      <span v-if="carried && 'bay' in carried" class="soft small">Drop it here to take it out</span>
      <DriveTray
        @put="error = put($event, drives.length)"
        @carry="(event, drive) => carry(event, { drive })"
        @let-go="letGo"
      />
    </div>
    <p v-if="error" class="problem" role="alert">
      {{ error }}
    </p>
  </section>
</template>

<style scoped>
.map {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  min-height: 32px;
}
.front {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 6px;
  margin: 0;
  padding: 12px 10px 6px;
  background: rgb(var(--v-theme-surface-light));
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
}
.bay {
  width: 76px;
  min-height: 194px;
  display: flex;
  flex-direction: column;
  align-items: center;
  border-radius: 4px;
  border: 1.5px solid transparent;
}
.bay.over {
  border-color: rgb(var(--v-theme-primary));
  background: rgba(var(--v-theme-primary), 0.1);
}
.bay.framed {
  border-color: rgb(var(--v-theme-primary));
  border-style: dashed;
}
.grouping {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  font-size: 0.88rem;
}
.many {
  gap: 6px 2px;
}
.many .bay {
  width: 66px;
  min-height: 122px;
}
.many .empty {
  width: 34px;
  height: 83px;
}
.empty {
  width: 46px;
  height: 153px;
  display: grid;
  place-items: center;
  border: 1.5px dashed rgb(var(--v-theme-ink-soft));
  border-radius: 3px;
}
.tray {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  padding: 8px 10px;
  border: 1.5px dashed rgb(var(--v-theme-hairline));
  border-radius: 6px;
}
.tray.over {
  border-color: rgb(var(--v-theme-primary));
}
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding-left: 12px;
}
</style>
