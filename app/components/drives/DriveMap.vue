<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { mdiClose } from '@mdi/js'
import type { NewDrive } from '~~/core/drives/bayOrder'
import { stretchKinds, type StretchKind } from '~~/core/drives/driveMap'
import type { DriveMapState } from '~/composables/useDriveMap'
import { useBayFrame } from '~/composables/useBayFrame'
import { useFormat } from '~/composables/useFormat'
import { maxGroups } from '~~/core/plan/constants'
import WorkingLink from '~/components/common/WorkingLink.vue'
import DriveTray from './DriveTray.vue'

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

const words: Readonly<Record<StretchKind, string>> = {
  kept: 'Library',
  free: 'Free',
  full: 'Left empty (fill limit)',
  reserve: 'File-system reserve',
  copy: 'Copies',
  parity: 'Parity',
  unused: 'Cannot be used',
  spare: 'Hot spare',
}
/** the figure whose working holds each of the sums */
const workings: Readonly<Record<StretchKind, string>> = {
  kept: 'library.contentTB',
  free: 'drives.roomTB',
  full: 'drives.roomTB',
  reserve: 'drives.roomTB',
  copy: 'drives.usableTB',
  parity: 'drives.usableTB',
  unused: 'drives.usableTB',
  spare: 'drives.usableTB',
}
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
        .map(({ kind, sizeTB: size }) => `${words[kind].toLowerCase()} ${number(size, 3)} TB`)
        .join(', ')
    : 'in no layout'
  return (
    `Drive ${place + 1}, ${number(sizeTB, 3)} ` +
    `TB${isDrawn.value ? `, group ${groups.value[place]}` : ''}${place >= bays.value ? ', without a bay' : ''}${failed.value.has(place) ? ', failed' : ''}: ` +
    `${holds}`
  )
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
          failed: failed.has(slot - 1),
          framed: frame.within.value.has(slot - 1),
        }"
        :data-bay="slot - 1"
        @dragover.prevent="over = slot - 1"
        @dragleave="over = null"
        @drop.prevent="drop(slot - 1)"
      >
        <template v-if="posts[slot - 1]">
          <button
            type="button"
            class="plain-button post"
            draggable="true"
            :data-drive="slot - 1"
            :aria-label="nameOf(slot - 1)"
            :aria-pressed="failed.has(slot - 1)"
            :title="nameOf(slot - 1)"
            @click="toggle(slot - 1)"
            @keydown="onKey($event, slot - 1)"
            @dragstart="carry($event, { bay: slot - 1 })"
            @dragend="letGo"
          >
            <span
              class="column"
              :style="{ height: `${(posts[slot - 1]!.sizeTB / largest) * 100}%` }"
            >
              <span
                v-for="stretch in posts[slot - 1]!.stretches"
                :key="stretch.kind"
                class="stretch"
                :class="stretch.kind"
                :style="{ flexGrow: stretch.sizeTB }"
              />
            </span>
          </button>
          <span class="size"
            ><span
              ><strong>{{ number(posts[slot - 1]!.sizeTB, 3) }}</strong> TB</span
            >
            <button
              type="button"
              class="plain-button take no-print"
              :aria-label="`Take out drive ${slot}, ${number(posts[slot - 1]!.sizeTB, 3)} TB`"
              @click="error = take(slot - 1)"
            >
              <VIcon :icon="mdiClose" size="14" />
            </button>
          </span>
          <span v-if="failed.has(slot - 1)" class="note failed-word">failed</span>
          <span v-else-if="slot > bays" class="note no-bay">no bay</span>
          <span v-else-if="posts[slot - 1]!.stretches[0]?.kind === 'spare'" class="note"
            >hot spare</span
          >
          <span v-else-if="hasGroups && groupOf(slot - 1) !== null" class="note"
            >group {{ groupOf(slot - 1) }}</span
          >
          <span v-else-if="models[slot - 1]" class="note model">{{
            models[slot - 1]!.label.split(' ')[0]
          }}</span>
        </template>
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
    <ul v-if="totals.length" class="legend" aria-label="What lies on the drives">
      <li v-for="{ kind, sum } in totals" :key="kind">
        <span class="swatch stretch" :class="kind" />{{ words[kind] }}
        <WorkingLink :figure="workings[kind]" :name="words[kind]">
          <strong>{{ number(sum, 3) }} TB</strong>
        </WorkingLink>
      </li>
    </ul>
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
.post {
  width: 46px;
  height: 150px;
  display: flex;
  align-items: flex-end;
  border-bottom: 3px solid rgb(var(--v-theme-wall));
  cursor: pointer;
}
.column {
  width: 100%;
  display: flex;
  flex-direction: column-reverse;
  border: 1.5px solid rgb(var(--v-theme-wall));
  border-bottom: 0;
  border-radius: 3px 3px 0 0;
  overflow: hidden;
  min-height: 10px;
}
.post:hover .column {
  border-color: rgb(var(--v-theme-primary));
}
.stretch {
  display: block;
  min-height: 1px;
  flex-basis: 0;
  --ink: rgb(var(--v-theme-wall));
}
.kept {
  background: rgb(var(--v-theme-water));
}
.free {
  background: rgba(var(--v-theme-water), 0.28);
}
.full {
  background:
    radial-gradient(circle at 3px 3px, rgba(var(--v-theme-wall), 0.45) 1px, transparent 1.4px) 0 0 /
      6px 6px,
    rgb(var(--v-theme-surface));
}
.reserve {
  background: rgba(var(--v-theme-wall), 0.3);
}
.copy {
  background: repeating-linear-gradient(
    0deg,
    rgb(var(--v-theme-water-line)) 0 2px,
    rgba(var(--v-theme-water), 0.5) 2px 7px
  );
}
.parity {
  background: repeating-linear-gradient(
    45deg,
    var(--ink) 0 2px,
    rgba(var(--v-theme-wall), 0.2) 2px 7px
  );
}
.unused {
  background: repeating-linear-gradient(
    135deg,
    rgba(var(--v-theme-state-short), 0.75) 0 1.5px,
    rgb(var(--v-theme-surface)) 1.5px 8px
  );
}
.spare {
  background: rgb(var(--v-theme-surface-bright));
}
.bay.failed .column {
  opacity: 0.3;
  border-style: dashed;
}
.bay.failed .post {
  background:
    linear-gradient(
      to top right,
      transparent calc(50% - 1.5px),
      rgb(var(--v-theme-state-short)) calc(50% - 1.5px) calc(50% + 1.5px),
      transparent calc(50% + 1.5px)
    ),
    linear-gradient(
      to bottom right,
      transparent calc(50% - 1.5px),
      rgb(var(--v-theme-state-short)) calc(50% - 1.5px) calc(50% + 1.5px),
      transparent calc(50% + 1.5px)
    );
}
.many {
  gap: 6px 2px;
}
.many .bay {
  width: 66px;
  min-height: 122px;
}
.many .post {
  width: 34px;
  height: 80px;
}
.many .empty {
  width: 34px;
  height: 83px;
}
.size {
  display: flex;
  align-items: center;
  gap: 1px;
  font-size: 0.82rem;
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
}
.note {
  font-size: 0.74rem;
  color: rgb(var(--v-theme-ink-soft));
}
.failed-word,
.no-bay {
  color: rgb(var(--v-theme-state-short));
  font-weight: 600;
}
.take {
  width: 24px;
  height: 24px;
  display: grid;
  place-items: center;
  opacity: 0.75;
}
.empty {
  width: 46px;
  height: 153px;
  display: grid;
  place-items: center;
  border: 1.5px dashed rgb(var(--v-theme-ink-soft));
  border-radius: 3px;
}
.legend {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  font-size: 0.84rem;
}
.legend li {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.swatch {
  width: 16px;
  height: 16px;
  border: 1px solid rgb(var(--v-theme-wall));
  border-radius: 2px;
  flex: none;
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
