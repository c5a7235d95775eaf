<script setup lang="ts">
import { computed } from 'vue'
import { clockText } from '~~/core/units/week'
import type { Habit } from '~~/core/plan/household'
import { useFormat } from '~/composables/useFormat'
import { laneHeight, type HabitPiece } from './weekLayout'

/** One piece of a habit in the week: a box with its chance in it, and handles where it is held. */
const props = defineProps<{
  piece: HabitPiece
  habit: Habit
  /** colour of its viewer */ ink: string
  /** who watches, as it is told */ viewer: string
  selected: boolean
  /** of a guest day that is not shown */ idle: boolean
  /** the one of its pieces that the Tab key reaches: the others move with it */ reached: boolean
}>()
const emit = defineEmits<{
  grab: [event: PointerEvent, mode: 'move' | 'length' | 'window']
  focus: []
  key: [event: KeyboardEvent]
}>()
const { number } = useFormat()

const dayNames: Readonly<Record<string, string>> = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
}
const spoken = computed(() => {
  const { name, days, earliest, latest, minutes, chance } = props.habit
  const onDays =
    days.length === 7 ? 'every day' : days.map(day => dayNames[day]).join(', ') || 'no day'
  return (
    `${name || `Habit ${props.piece.index + 1}`}, ${props.viewer}: ${onDays}, ` +
    `begins ${clockText(earliest)} to ${clockText(latest)}, ` +
    `${number(minutes)} minutes, ${number(chance * 100, 3)} %`
  )
})
const fitted = (text: string, letters: number) =>
  text.length > letters ? `${text.slice(0, Math.max(1, letters - 1))}…` : text
const label = computed(() =>
  props.piece.width > 56
    ? fitted(props.habit.name || 'Habit', Math.floor((props.piece.width - 8) / 6))
    : '',
)
/** The rest of a habit past five in the morning is drawn, and is nothing to press or read. */
const asButton = computed(() =>
  props.piece.isRest
    ? { 'aria-hidden': true }
    : {
        role: 'button',
        tabindex: props.reached ? 0 : -1,
        'aria-label': spoken.value,
        'aria-pressed': props.selected,
        'data-habit': `${props.piece.index}-${props.piece.day}`,
      },
)
</script>

<template>
  <g
    class="habit"
    :class="{ chosen: selected, guest: habit.onBusyDays, idle }"
    :style="{ '--ink': ink }"
    v-bind="asButton"
    @pointerdown="emit('grab', $event, 'move')"
    @focus="emit('focus')"
    @keydown="emit('key', $event)"
  >
    <rect :x="piece.x" :y="piece.y" :width="piece.width" :height="laneHeight" rx="2" class="box" />
    <polygon :points="piece.points" class="chance" />
    <text :x="piece.x + 4" :y="piece.y + 11" class="name">{{ label }}</text>
    <template v-if="!piece.isRest">
      <rect
        :x="piece.latestX - 4"
        :y="piece.y"
        width="8"
        :height="laneHeight"
        class="handle"
        data-handle="window"
        @pointerdown="emit('grab', $event, 'window')"
      >
        <title>Latest start: {{ clockText(habit.latest) }}</title>
      </rect>
      <rect
        :x="piece.x + piece.width - 6"
        :y="piece.y"
        width="8"
        :height="laneHeight"
        class="handle"
        data-handle="length"
        @pointerdown="emit('grab', $event, 'length')"
      >
        <title>Length: {{ number(habit.minutes) }} min</title>
      </rect>
      <line
        v-if="selected"
        :x1="piece.latestX"
        :x2="piece.latestX"
        :y1="piece.y"
        :y2="piece.y + laneHeight"
        class="latest"
      />
    </template>
  </g>
</template>

<style scoped>
.habit {
  cursor: grab;
  outline: none;
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
</style>
