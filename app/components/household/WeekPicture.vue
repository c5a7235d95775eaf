<script setup lang="ts">
import { computed, ref } from 'vue'
import { mdiPlus } from '@mdi/js'
import { latestAfter } from '~~/core/household/weekHabits'
import type { Habit } from '~~/core/plan/household'
import { busiestQuarter } from '~~/core/household/weekCounts'
import {
  clockText,
  minutesPerDay,
  minutesPerWeek,
  slotMinutes,
  slotsPerWeek,
  weekTimeText,
} from '~~/core/units/week'
import { useFormat } from '~/composables/useFormat'
import { useHousehold } from '~/composables/useHousehold'
import { pointIn, usePictureDrag, type Point } from '~/composables/usePictureDrag'
import ChartFrame from '../charts/ChartFrame.vue'
import {
  dayOrder,
  dayStartsAt,
  laneHeight,
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
const { habits, viewers, devices, addHabit, changeHabit, remove } = useHousehold()
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

function viewerOf(habit: Habit) {
  return viewers.value.find(viewer => viewer.id === habit.viewer)
}
function ink(habit: Habit): string {
  const viewer = viewerOf(habit)
  return viewer ? `rgb(var(--v-theme-viewer-${viewer.colour}))` : 'rgb(var(--v-theme-ink-soft))'
}
const dayNames: Readonly<Record<string, string>> = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
}
function spoken(habit: Habit, index: number): string {
  const days =
    habit.days.length === 7
      ? 'every day'
      : habit.days.map(day => dayNames[day]).join(', ') || 'no day'
  return (
    `${habit.name || `Habit ${index + 1}`}, ${viewerOf(habit)?.name || 'guest'}: ${days}, ` +
    `begins ${clockText(habit.earliest)} to ${clockText(habit.latest)}, ` +
    `${number(habit.minutes)} minutes, ${number(habit.chance * 100, 3)} %`
  )
}

const snap = 5
const tidy = (minute: number) =>
  (((Math.round(minute / snap) * snap) % minutesPerDay) + minutesPerDay) % minutesPerDay
const windowOf = (habit: Habit) => latestAfter(habit.earliest, habit.latest) - habit.earliest

function shift(index: number, minutes: number): void {
  const habit = habits.value[index]!
  const earliest = tidy(habit.earliest + minutes)
  changeHabit(index, { earliest, latest: (earliest + windowOf(habit)) % minutesPerDay })
}
function stretch(index: number, minutes: number): void {
  changeHabit(index, { minutes: Math.max(5, Math.min(1440, Math.round(minutes / snap) * snap)) })
}
function widen(index: number, window: number): void {
  const habit = habits.value[index]!
  changeHabit(index, {
    latest:
      (habit.earliest +
        Math.max(0, Math.min(minutesPerDay - snap, Math.round(window / snap) * snap))) %
      minutesPerDay,
  })
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
  const earliest = tidy(before.earliest + minutes)
  changeHabit(index, {
    earliest,
    latest: (earliest + windowOf(before)) % minutesPerDay,
    days: daysAfter(layout, drag, { from: from.y, to: to.y }),
  })
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
function create(drag: Drag, minutes: number): void {
  if (minutes < 10) return
  if (drag.index < 0) {
    const viewer = penViewer.value!.id
    const device =
      habits.value.findLast(habit => habit.viewer === viewer)?.device ?? devices.value[0]?.id
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
  const habit = habits.value[index]
  if (!habit) return
  const way = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  const up = { ArrowUp: 1, ArrowDown: -1 }[event.key]
  const digit = Number(event.key)
  if (event.altKey || event.ctrlKey || event.metaKey) return
  if (way && event.shiftKey) stretch(index, habit.minutes + 15 * way)
  else if (way) shift(index, 15 * way)
  else if (up)
    changeHabit(index, {
      chance: Math.max(0, Math.min(1, Math.round((habit.chance + 0.05 * up) * 100) / 100)),
    })
  else if (event.key === '+' || event.key === '-')
    widen(index, windowOf(habit) + (event.key === '+' ? 15 : -15))
  else if (digit >= 1 && digit <= 7) toggleDay(index, digit - 1)
  else if (event.key === 'Delete') take(index)
  else if (event.key === 'Enter' || event.key === ' ') emit('edit')
  else return
  event.preventDefault()
}
function toggleDay(index: number, day: number): void {
  const { days } = habits.value[index]!
  const name = dayOrder[day]!
  changeHabit(index, {
    days: days.includes(name)
      ? days.filter(other => other !== name)
      : dayOrder.filter(other => other === name || days.includes(other)),
  })
}
function take(index: number): void {
  emit('select', null)
  remove('habits', index)
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
  const device =
    habits.value.findLast(habit => habit.viewer === viewer)?.device ?? devices.value[0]?.id
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
const fitted = (text: string, letters: number) =>
  text.length > letters ? `${text.slice(0, Math.max(1, letters - 1))}…` : text
const label = (piece: HabitPiece, habit: Habit) =>
  piece.width > 56 ? fitted(habit.name || 'Habit', Math.floor((piece.width - 8) / 6)) : ''
const sum = computed(() =>
  props.expected.home.map((value, slot) => value + props.expected.away[slot]!),
)
const busiest = computed(() => busiestQuarter(sum.value))
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
      <div class="tools no-print">
        <span id="pen-label" class="soft small">New habits are drawn for</span>
        <span class="pens" role="radiogroup" aria-labelledby="pen-label">
          <label
            v-for="(viewer, index) in viewers"
            :key="viewer.id"
            class="pen"
            :class="{ chosen: penViewer?.id === viewer.id }"
          >
            <input
              v-model="pen"
              type="radio"
              name="pen"
              :value="viewer.id"
              class="visually-hidden"
            />
            <i :style="{ background: `rgb(var(--v-theme-viewer-${viewer.colour}))` }" />{{
              viewer.name || `Viewer ${index + 1}`
            }}
          </label>
        </span>
        <VBtn size="small" color="primary" variant="outlined" :prepend-icon="mdiPlus" @click="add">
          Add a habit
        </VBtn>
        <label class="busy"
          ><input
            type="checkbox"
            :checked="busy"
            @change="emit('busy', ($event.target as HTMLInputElement).checked)"
          />
          Show a guest day</label
        >
      </div>
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
        <g v-for="row in layout.rows" :key="row.day">
          <rect
            :x="margin.left"
            :y="row.y"
            :width="Math.max(0, width - margin.left - margin.right)"
            :height="row.height"
            class="field"
            :data-day="row.day"
            @pointerdown="press"
          />
          <line
            v-for="hour in layout.hours"
            :key="hour"
            :x1="layout.x(hour)"
            :x2="layout.x(hour)"
            :y1="row.y"
            :y2="row.y + row.height"
            class="grid"
          />
          <text
            :x="2"
            :y="row.y + 14"
            class="day"
            :class="{ opens: row.canOpen && row.day === row.group }"
            :role="row.canOpen && row.day === row.group ? 'button' : undefined"
            :tabindex="row.canOpen && row.day === row.group ? 0 : undefined"
            :aria-expanded="row.canOpen && row.day === row.group ? row.isOpen : undefined"
            :aria-label="
              row.canOpen && row.day === row.group
                ? `${row.label}: ${row.isOpen ? 'fold the days that are alike' : 'show each day'}`
                : undefined
            "
            @click="row.canOpen && row.day === row.group && toggleGroup(row.group)"
            @keydown.enter.prevent="row.canOpen && toggleGroup(row.group)"
            @keydown.space.prevent="row.canOpen && toggleGroup(row.group)"
          >
            {{ row.canOpen && row.day === row.group ? (row.isOpen ? '▾' : '▸') : ''
            }}{{ row.label }}
          </text>
          <path :d="row.home" class="home" />
          <path :d="row.away" class="away" />
          <line
            :x1="margin.left"
            :x2="width - margin.right"
            :y1="row.baseline"
            :y2="row.baseline"
            class="axis"
          />
        </g>
        <g
          v-for="piece in layout.pieces"
          :key="`${piece.index}-${piece.day}-${piece.isRest}`"
          class="habit"
          :class="{
            chosen: piece.index === selected,
            guest: habits[piece.index]!.onBusyDays,
            idle: habits[piece.index]!.onBusyDays && !busy,
          }"
          :style="{ '--ink': ink(habits[piece.index]!) }"
          :role="piece.isRest ? undefined : 'button'"
          :tabindex="piece.isRest ? undefined : firstPieces(layout.pieces).has(piece) ? 0 : -1"
          :aria-label="piece.isRest ? undefined : spoken(habits[piece.index]!, piece.index)"
          :aria-pressed="piece.isRest ? undefined : piece.index === selected"
          :aria-hidden="piece.isRest ? true : undefined"
          :data-habit="piece.isRest ? undefined : `${piece.index}-${piece.day}`"
          @pointerdown="grab($event, piece, 'move')"
          @focus="dragging || emit('select', piece.index)"
          @keydown="blockKey($event, piece.index)"
        >
          <rect
            :x="piece.x"
            :y="piece.y"
            :width="piece.width"
            :height="laneHeight"
            rx="2"
            class="box"
          />
          <polygon :points="piece.points" class="chance" />
          <text :x="piece.x + 4" :y="piece.y + 11" class="name">
            {{ label(piece, habits[piece.index]!) }}
          </text>
          <template v-if="!piece.isRest">
            <rect
              :x="piece.latestX - 4"
              :y="piece.y"
              width="8"
              :height="laneHeight"
              class="handle"
              data-handle="window"
              @pointerdown="grab($event, piece, 'window')"
            >
              <title>Latest start: {{ clockText(habits[piece.index]!.latest) }}</title>
            </rect>
            <rect
              :x="piece.x + piece.width - 6"
              :y="piece.y"
              width="8"
              :height="laneHeight"
              class="handle"
              data-handle="length"
              @pointerdown="grab($event, piece, 'length')"
            >
              <title>Length: {{ number(habits[piece.index]!.minutes) }} min</title>
            </rect>
            <line
              v-if="piece.index === selected"
              :x1="piece.latestX"
              :x2="piece.latestX"
              :y1="piece.y"
              :y2="piece.y + laneHeight"
              class="latest"
            />
          </template>
        </g>
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
      <p class="soft small legend">
        <span><i class="swatch home" /> at home</span> <span><i class="swatch away" /> away</span>
        <span data-reading
          ><strong>{{ weekTimeText(moment * slotMinutes) }}</strong
          >: {{ number(expected.home[moment] ?? 0, 2) }} at home,
          {{ number(expected.away[moment] ?? 0, 2) }} away on average</span
        >
        <span
          >busiest:
          {{
            busiest.mean > 0
              ? `${weekTimeText(busiest.minuteOfWeek)}, ${number(busiest.mean, 2)} expected`
              : 'nobody watches yet'
          }}</span
        >
        <span class="keys"
          >Drag a habit to move it, its right end to change the length, the handle between to change
          the latest start; drag across free space to draw one. Keys: arrows move it and change its
          chance, Shift with arrows the length, + and − the latest start, 1 to 7 the days, Delete
          removes it.</span
        >
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin-bottom: 6px;
}
.pens {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.pen {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  padding: 3px 9px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 5px;
  font-size: 0.84rem;
  cursor: pointer;
  min-height: 26px;
}
.pen.chosen {
  border-color: rgb(var(--v-theme-on-surface));
  box-shadow: inset 0 0 0 1px rgb(var(--v-theme-on-surface));
}
.pen:focus-within {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: 2px;
}
.pen i {
  width: 10px;
  height: 10px;
  border-radius: 2px;
}
.busy {
  margin-left: auto;
  font-size: 0.86rem;
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 26px;
}
.week {
  display: block;
  max-width: 100%;
  touch-action: pan-y;
  user-select: none;
}
.field {
  fill: rgb(var(--v-theme-surface-light));
  opacity: 0.55;
  cursor: crosshair;
}
.grid {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 0.7;
  pointer-events: none;
}
.axis {
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-width: 0.8;
  pointer-events: none;
}
.day {
  font-weight: 600;
}
.opens {
  cursor: pointer;
}
.opens:hover {
  text-decoration: underline;
}
.home,
.away {
  pointer-events: none;
}
path.home {
  fill: rgb(var(--v-theme-water-line));
  opacity: 0.75;
}
path.away {
  fill: rgb(var(--v-theme-secondary));
  opacity: 0.75;
}
.habit {
  cursor: grab;
  outline: none;
}
.dragging,
.dragging .habit {
  cursor: grabbing;
}
.box {
  fill: rgb(var(--v-theme-surface));
  stroke: var(--ink);
  stroke-width: 1;
}
.chance {
  fill: var(--ink);
  opacity: 0.62;
  pointer-events: none;
}
.name {
  font-size: 11px;
  font-weight: 550;
  pointer-events: none;
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 3.4px;
}
.guest .box {
  stroke-dasharray: 4 2;
}
.idle {
  opacity: 0.55;
}
.chosen .box {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1.8;
}
.habit:focus-visible .box {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 3;
}
.handle {
  fill: transparent;
  cursor: ew-resize;
}
.handle:hover {
  fill: rgba(var(--v-theme-primary), 0.5);
}
.latest {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1.6;
  stroke-dasharray: 2 2;
  pointer-events: none;
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
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin-top: 6px;
}
.swatch {
  display: inline-block;
  width: 10px;
  height: 10px;
  border-radius: 2px;
  margin-right: 3px;
}
.swatch.home {
  background: rgb(var(--v-theme-water-line));
}
.swatch.away {
  background: rgb(var(--v-theme-secondary));
}
.keys {
  flex: 1 1 420px;
}
</style>
