<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Habit } from '~~/core/plan/household'
import {
  clockText,
  minutesPerDay,
  minutesPerWeek,
  slotMinutes,
  slotsPerWeek,
  weekTimeText,
} from '~~/core/units/week'
import { useFormat } from '~/composables/useFormat'
import { useHabitEdits, windowOf } from '~/composables/useHabitEdits'
import { useHousehold } from '~/composables/useHousehold'
import { pointIn, usePictureDrag, type Point } from '~/composables/usePictureDrag'
import ChartFrame from '../charts/ChartFrame.vue'
import HabitBlock from './HabitBlock.vue'
import WeekLegend from './WeekLegend.vue'
import WeekRowField from './WeekRowField.vue'
import WeekTools from './WeekTools.vue'
import {
  dayOrder,
  dayStartsAt,
  placeOfSlot,
  slotAt,
  weekLayout,
  type HabitPiece,
  type WeekLayout,
} from './weekLayout'

/**
 * The week as rows of days, those that are alike in one: the load at home upwards, away downwards,
 * and under it the habits, to be moved and stretched.
 */
const props = defineProps<{
  expected: { readonly home: Float64Array; readonly away: Float64Array }
  /** index in the plan's habits */ selected: number | null
  /** slot of the week that is read */ moment: number
  busy: boolean
}>()
const emit = defineEmits<{
  select: [habit: number | null]
  read: [slot: number]
  busy: [on: boolean]
  edit: []
}>()

const { number } = useFormat()
const { habits, viewers, devices, addHabit, remove } = useHousehold()
const { begin: shift, stretch, widen, onKey } = useHabitEdits()
const margin = { left: 92, right: 10, top: 20, bottom: 4 }
const pen = ref('')
const penViewer = computed(
  () => viewers.value.find(viewer => viewer.id === pen.value) ?? viewers.value[0],
)

/** groups of alike days that stand open, by their first day */
const open = ref<ReadonlySet<number>>(new Set())
function toggleGroup(group: number): void {
  const next = new Set(open.value)
  if (!next.delete(group)) next.add(group)
  open.value = next
}

let known: { key: unknown[]; layout: WeekLayout } | null = null
function layoutFor(width: number): WeekLayout {
  const key = [habits.value, props.expected.home, props.expected.away, width, open.value]
  if (!known || known.key.some((part, index) => part !== key[index]))
    known = {
      key,
      layout: weekLayout({
        habits: habits.value,
        home: props.expected.home,
        away: props.expected.away,
        width,
        margin,
        open: open.value,
      }),
    }
  return known.layout
}

function lookOf({ viewer: id }: Habit): { readonly ink: string; readonly viewer: string } {
  const viewer = viewers.value.find(candidate => candidate.id === id)
  return {
    ink: viewer ? `rgb(var(--v-theme-viewer-${viewer.colour}))` : 'rgb(var(--v-theme-ink-soft))',
    viewer: viewer?.name || 'guest',
  }
}
interface Drag {
  readonly mode: 'move' | 'length' | 'window' | 'create'
  index: number
  readonly day: number
  /** of a habit that is drawn */ readonly days?: Habit['days']
  before: Habit
}
/** The days of the row in which a minute of the week lies, as days on which a habit begins. */
function daysOfSlot(minute: number): Habit['days'] {
  const rowMinute = (minute - dayStartsAt + minutesPerWeek) % minutesPerWeek
  const rowDay = Math.floor(rowMinute / minutesPerDay)
  const late = (rowMinute % minutesPerDay) + dayStartsAt >= minutesPerDay ? 1 : 0
  const days = layoutFor(drawnWidth).rows.find(row => row.days.includes(rowDay))?.days ?? [rowDay]
  return dayOrder.filter((_, day) => days.includes((day - late + 7) % 7))
}
let drawnWidth = 640
function drawn(width: number): WeekLayout {
  drawnWidth = width
  return layoutFor(width)
}
const { dragging, begin, follow, release } = usePictureDrag<Drag>({
  move: dragTo,
  end: ({ index }) => index >= 0 && emit('select', index),
})

function grab(event: PointerEvent, piece: HabitPiece, mode: Drag['mode']): void {
  // It is selected when it is let go: the inspector takes its room from the picture, which must not
  // shift under the hand.
  begin(event, { mode, index: piece.index, day: piece.day, before: habits.value[piece.index]! })
}
/**
 * A press beside the habits draws a new one for the chosen viewer, from where it is pressed to
 * where it is let go.
 */
function press(event: PointerEvent): void {
  if (event.button !== 0) return
  const { x, y } = pointIn(event)
  const slot = slotAt(layoutFor(drawnWidth), x, y)
  if (slot === null) return
  emit('read', slot)
  if (!penViewer.value) return
  const minute = slot * slotMinutes
  begin(event, {
    mode: 'create',
    index: -1,
    day: Math.floor(minute / minutesPerDay),
    days: daysOfSlot(minute),
    before: { earliest: (Math.floor(minute / 15) * 15) % minutesPerDay } as Habit,
  })
}
function move(event: PointerEvent): void {
  if (follow(event) || event.pointerType === 'touch') return
  const { x, y } = pointIn(event)
  const slot = slotAt(layoutFor(drawnWidth), x, y)
  if (slot !== null) emit('read', slot)
}
function dragTo(drag: Drag, to: Point, from: Point): void {
  const layout = layoutFor(drawnWidth)
  const minutes = layout.x.invert(to.x) - layout.x.invert(from.x)
  if (drag.mode === 'create') return create(drag, minutes)
  const { before, index } = drag
  if (drag.mode === 'length') return stretch(index, before.minutes + minutes)
  if (drag.mode === 'window') return widen(index, windowOf(before) + minutes)
  shift(index, before.earliest + minutes, daysAfter(layout, drag, { from: from.y, to: to.y }))
}
/**
 * The days of the row under the pointer in the place of those of the row that was taken hold of.
 */
function daysAfter(
  { rows }: WeekLayout,
  { before, day }: Drag,
  { from, to }: { readonly from: number; readonly to: number },
): Habit['days'] {
  const rowAt = (pointY: number) =>
    rows[
      Math.max(
        0,
        rows.findLastIndex(row => pointY >= row.y),
      )
    ]!
  const [source, target] = [rowAt(from), rowAt(to)]
  if (target === source) return before.days
  // A habit begins on the day of its row, or the day before where it runs past five in the morning.
  const late = (day - source.day + 7) % 7
  const shifted = (days: readonly number[]) => days.map(own => dayOrder[(own + late) % 7]!)
  const [gone, come] = [shifted(source.days), shifted(target.days)]
  return dayOrder.filter(
    name => come.includes(name) || (before.days.includes(name) && !gone.includes(name)),
  )
}
/** What a viewer watches on last of all habits; the first device for one without any. */
function deviceFor(viewer: string | undefined): string | undefined {
  return habits.value.findLast(habit => habit.viewer === viewer)?.device ?? devices.value[0]?.id
}
function create(drag: Drag, minutes: number): void {
  if (minutes < 10) return
  if (drag.index < 0) {
    const viewer = penViewer.value!.id
    const device = deviceFor(viewer)
    drag.index = addHabit({
      viewer,
      ...(device ? { device } : {}),
      days: drag.days ?? [dayOrder[drag.day]!],
      earliest: drag.before.earliest,
      latest: drag.before.earliest,
      minutes: 15,
      chance: 0.5,
    })
    drag.before = habits.value[drag.index]!
  }
  stretch(drag.index, minutes)
}

function blockKey(event: KeyboardEvent, index: number): void {
  if (!habits.value[index] || event.altKey || event.ctrlKey || event.metaKey) return
  if (event.key === 'Delete') {
    emit('select', null)
    remove('habits', index)
  } else if (event.key === 'Enter' || event.key === ' ') emit('edit')
  else if (!onKey(event, index)) return
  event.preventDefault()
}
function cursorKey(event: KeyboardEvent): void {
  const step = {
    ArrowRight: 1,
    ArrowLeft: -1,
    ArrowDown: minutesPerDay / slotMinutes,
    ArrowUp: -minutesPerDay / slotMinutes,
    PageDown: 60 / slotMinutes,
    PageUp: -60 / slotMinutes,
  }[event.key]
  const end = { Home: 0, End: slotsPerWeek - 1 }[event.key]
  if (!step && end === undefined) return
  event.preventDefault()
  emit('read', end ?? (props.moment + step! + slotsPerWeek) % slotsPerWeek)
}
function add(): void {
  const viewer = penViewer.value?.id
  const device = deviceFor(viewer)
  emit('select', addHabit({ ...(viewer ? { viewer } : {}), ...(device ? { device } : {}) }))
  emit('edit')
}

/** The first piece of each habit can be reached with the Tab key; its other days move with it. */
function firstPieces(pieces: readonly HabitPiece[]): ReadonlySet<HabitPiece> {
  const seen = new Set<number>()
  return new Set(
    pieces.filter(piece => !piece.isRest && !seen.has(piece.index) && seen.add(piece.index)),
  )
}
const table = computed(() =>
  dayOrder.flatMap((_, day) =>
    Array.from({ length: 24 }, (__, hour) => {
      const minute = (day * minutesPerDay + dayStartsAt + hour * 60) % minutesPerWeek
      const slot = minute / slotMinutes
      return [
        weekTimeText(minute),
        number(props.expected.home[slot] ?? 0, 2),
        number(props.expected.away[slot] ?? 0, 2),
      ]
    }).filter(row => row[1] !== '0' || row[2] !== '0'),
  ),
)
</script>

<template>
  <ChartFrame
    title="The week: who watches when"
    :columns="['Moment', 'Expected at home', 'Expected away']"
    :rows="table"
  >
    <template #default="{ width }">
      <WeekTools
        :pen="penViewer?.id"
        :busy="busy"
        @pen="pen = $event"
        @busy="emit('busy', $event)"
        @add="add"
      />
      <svg
        v-for="layout in [drawn(width)]"
        :key="`week-${layout.rows.length}`"
        class="week"
        :class="{ dragging }"
        :width="width"
        :height="layout.height"
        :viewBox="`0 0 ${width} ${layout.height}`"
        role="group"
        aria-label="The week: expected load at home and away, and the habits behind it"
        @pointermove="move"
        @pointerup="release"
        @pointercancel="release"
      >
        <text
          v-for="hour in layout.hours"
          :key="hour"
          :x="layout.x(hour)"
          y="12"
          :text-anchor="hour === 0 ? 'start' : hour === 1440 ? 'end' : 'middle'"
          class="soft"
        >
          {{ clockText((hour + dayStartsAt) % 1440) }}
        </text>
        <WeekRowField
          v-for="row in layout.rows"
          :key="row.day"
          :row="row"
          :x="layout.x"
          :hours="layout.hours"
          :from="margin.left"
          :to="width - margin.right"
          @press="press"
          @toggle="toggleGroup(row.group)"
        />
        <HabitBlock
          v-for="piece in layout.pieces"
          :key="`${piece.index}-${piece.day}-${piece.isRest}`"
          :piece="piece"
          :habit="habits[piece.index]!"
          v-bind="lookOf(habits[piece.index]!)"
          :selected="piece.index === selected"
          :idle="habits[piece.index]!.onBusyDays && !busy"
          :reached="firstPieces(layout.pieces).has(piece)"
          @grab="(event, mode) => grab(event, piece, mode)"
          @focus="dragging || emit('select', piece.index)"
          @key="blockKey($event, piece.index)"
        />
        <g
          v-for="cursor in [placeOfSlot(layout, moment)]"
          :key="`cursor-${cursor.row ? 0 : 1}`"
          class="cursor"
          role="slider"
          tabindex="0"
          aria-label="Moment that is read"
          aria-valuemin="0"
          :aria-valuemax="slotsPerWeek - 1"
          :aria-valuenow="moment"
          :aria-valuetext="`${weekTimeText(moment * slotMinutes)}: ${number(expected.home[moment] ?? 0, 2)} expected at home, ${number(expected.away[moment] ?? 0, 2)} away`"
          @keydown="cursorKey"
        >
          <line
            :x1="cursor.x"
            :x2="cursor.x"
            :y1="cursor.row.y"
            :y2="cursor.row.y + cursor.row.height"
          />
          <path :d="`M${cursor.x} ${cursor.row.y + 2}l-5 -7h10z`" />
        </g>
      </svg>
    </template>
    <template #below>
      <WeekLegend :expected="expected" :moment="moment" />
    </template>
  </ChartFrame>
</template>

<style scoped>
.week {
  display: block;
  max-width: 100%;
  touch-action: pan-y;
  user-select: none;
}
.cursor {
  pointer-events: none;
  outline: none;
}
.cursor line {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 1.6;
}
.cursor path {
  fill: rgb(var(--v-theme-primary));
}
.cursor:focus-visible line {
  stroke-width: 3.4;
}
.dragging,
.dragging :deep(.habit) {
  cursor: grabbing;
}
</style>
