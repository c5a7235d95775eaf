<script setup lang="ts">
import { computed } from 'vue'
import type { CalendarEntry } from '~~/core/commissioning/calendar/calendarEntries'
import type { CalendarRow } from '~~/core/commissioning/calendar/calendarRows'
import { occurrences } from '~~/core/formats/occurrences'
import { calendarDay, dayNumber, monthsLater } from '~~/core/units/calendarDay'

/** A year from sign-off on: what comes when. Heavy jobs are tall, deadlines are diamonds. */
const props = defineProps<{
  entries: readonly CalendarEntry[]
  rows: readonly CalendarRow[]
  /** the first day, days since 1970-01-01 */
  from: number
  width: number
  picked: string | null
}>()
const emit = defineEmits<{ pick: [code: string | null] }>()

const monthNames = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')
const left = 168
const laneHeight = 22
const top = 22
const last = computed(() => monthsLater(props.from, 12))
const at = (day: number) =>
  left + ((day - props.from) / (last.value - props.from)) * (props.width - left - 8)
const months = computed(() => {
  const { year, month } = calendarDay(props.from)
  return Array.from({ length: 13 }, (_, by) => {
    const whole = year * 12 + month - 1 + by
    const day = dayNumber(Math.floor(whole / 12), (whole % 12) + 1, 1)
    return { day, name: monthNames[whole % 12]! }
  }).filter(({ day }) => day >= props.from && day < last.value)
})
const lanes = computed(() =>
  props.rows.map((row, index) => {
    const own = props.entries.filter(({ code }) => code === row.code)
    const days = own.flatMap(entry => occurrences(entry, last.value))
    return { row, y: top + index * laneHeight, days }
  }),
)
const height = computed(() => top + props.rows.length * laneHeight + 4)
/** Names of months where there is room for them. */
const every = computed(() => (props.width > 760 ? 1 : props.width > 520 ? 2 : 3))
</script>

<template>
  <svg :width="width" :height="height" role="group" aria-label="A year of the calendar">
    <g v-for="(month, index) in months" :key="month.day">
      <line :x1="at(month.day)" :x2="at(month.day)" :y1="top - 6" :y2="height" class="month" />
      <text v-if="index % every === 0 && at(month.day) < width - 34" :x="at(month.day) + 3" y="12">
        {{ month.name }}
      </text>
    </g>
    <g
      v-for="lane in lanes"
      :key="lane.row.code"
      role="button"
      tabindex="0"
      :aria-pressed="picked === lane.row.code"
      :aria-label="`${lane.row.label}: ${lane.days.length} in a year`"
      :data-lane="lane.row.code"
      :class="{ picked: picked === lane.row.code }"
      @click="emit('pick', picked === lane.row.code ? null : lane.row.code)"
      @keydown.enter.prevent="emit('pick', picked === lane.row.code ? null : lane.row.code)"
    >
      <rect x="0" :y="lane.y" :width="width" :height="laneHeight" class="hit" />
      <text x="2" :y="lane.y + 15" class="label">{{ lane.row.label }}</text>
      <template v-for="day in lane.days" :key="day">
        <path
          v-if="lane.row.isDeadline"
          class="deadline"
          :d="`M${at(day)} ${lane.y + 4}l6 7l-6 7l-6 -7z`"
        />
        <rect
          v-else
          :x="at(day) - 1.5"
          :y="lane.row.isHeavy ? lane.y + 3 : lane.y + 8"
          width="3"
          :height="lane.row.isHeavy ? 16 : 7"
          :class="lane.row.isHeavy ? 'heavy' : 'light'"
        />
      </template>
    </g>
  </svg>
</template>

<style scoped>
text {
  font-size: 12px;
  fill: rgb(var(--v-theme-ink-soft));
}
.label {
  fill: rgb(var(--v-theme-ink, var(--v-theme-on-surface)));
  font-size: 13px;
}
.month {
  stroke: rgba(var(--v-theme-ink-soft), 0.25);
}
.hit {
  fill: transparent;
}
g[role='button'] {
  cursor: pointer;
}
g[role='button']:hover .hit,
.picked .hit {
  fill: rgba(var(--v-theme-primary), 0.1);
}
g[role='button']:focus-visible {
  outline: 2px solid rgb(var(--v-theme-primary));
}
.heavy {
  fill: rgb(var(--v-theme-primary));
}
.light {
  fill: rgb(var(--v-theme-ink-soft));
}
.deadline {
  fill: none;
  stroke: rgb(var(--v-theme-state-short));
  stroke-width: 2;
}
</style>
