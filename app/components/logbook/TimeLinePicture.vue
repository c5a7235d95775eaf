<script setup lang="ts">
import { computed, ref } from 'vue'
import { momentTime, type Entry } from '~~/core/logbook/entry'
import { entryKinds } from '~~/core/logbook/kinds'
import { entryLine } from '~~/core/logbook/entryWords'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { useFormat } from '~/composables/useFormat'
import { kindShapes, laneWords, timeLine, type TimeLine } from './timeLineLayout'

/** The log as a line of time: what happened, was measured and was changed; a mark is an entry. */
const props = defineProps<{ entries: readonly Entry[]; selected: string | null; today: string }>()
const emit = defineEmits<{ select: [id: string] }>()
const { format } = useFormat()
const spanWords = { quarter: '3 months', year: 'A year', all: 'All' } as const
type Span = keyof typeof spanWords
const spans = Object.keys(spanWords) as Span[]
const span = ref<Span>('year')
const dayMs = 86_400_000
const to = computed(() => (momentTime(props.today) ?? 0) + dayMs)
const from = computed(() => {
  const oldest = props.entries.reduce(
    (least, entry) => Math.min(least, momentTime(entry.at) ?? least),
    to.value - 30 * dayMs,
  )
  const back = { quarter: 92, year: 365, all: Infinity }[span.value]
  return Math.max(to.value - back * dayMs, oldest - 3 * dayMs)
})
const laneHeight = 54
const top = 8
const height = top + 3 * laneHeight + 26
const left = 78
const lineOf = (width: number): TimeLine =>
  timeLine({
    entries: props.entries,
    from: from.value,
    to: to.value,
    left,
    right: Math.max(left + 80, width - 14),
  })
const baseOf = (lane: number) => top + (lane + 1) * laneHeight - 12
const told = (entry: Entry) =>
  `${entry.at.slice(0, 10)}, ${entryKinds[entry.kind].label}: ${entryLine(entry, format.value)}`
const rows = computed(() =>
  props.entries
    .slice(0, 200)
    .map(entry => [
      entry.at.slice(0, 16).replace('T', ' '),
      entryKinds[entry.kind].label,
      entryLine(entry, format.value),
    ]),
)
/** Arrows go from mark to mark along the lane, up and down to the lane beside. */
function onKey(event: KeyboardEvent): void {
  const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  if (!by) return
  event.preventDefault()
  const marks = [...(event.currentTarget as Element).querySelectorAll<SVGElement>('[data-entry]')]
  const at = marks.indexOf(event.target as SVGElement)
  marks[(at + by + marks.length) % marks.length]?.focus()
}
</script>

<template>
  <ChartFrame title="The log over time" :columns="['When', 'Kind', 'What']" :rows="rows">
    <template #default="{ width }">
      <div class="spans" role="group" aria-label="How far back">
        <button
          v-for="id in spans"
          :key="id"
          type="button"
          class="plain-button"
          :aria-pressed="id === span"
          @click="span = id"
        >
          {{ spanWords[id] }}
        </button>
      </div>
      <svg
        :viewBox="`0 0 ${width} ${height}`"
        :width="width"
        :height="height"
        role="group"
        aria-label="Entries over time: arrows go from one to the next, Enter opens it."
        @keydown="onKey"
      >
        <template v-for="(lane, at) in lineOf(width).lanes" :key="lane.sort">
          <text :x="0" :y="baseOf(at) + 4" class="lane-name">{{ laneWords[lane.sort] }}</text>
          <line :x1="left" :x2="width - 8" :y1="baseOf(at)" :y2="baseOf(at)" class="base" />
          <g v-for="bar in lane.bars" :key="bar.from">
            <rect
              :x="bar.x"
              :width="bar.width"
              :y="baseOf(at) - (bar.count / lane.most) * 34"
              :height="(bar.count / lane.most) * 34"
              class="bar"
            >
              <title>{{ bar.count }} entries</title>
            </rect>
          </g>
          <g
            v-for="mark in lane.marks"
            :key="mark.entry.id"
            class="mark"
            :class="[lane.sort, { selected: mark.entry.id === selected }]"
            :transform="`translate(${mark.x} ${baseOf(at) - 6 - mark.level * 8})`"
            tabindex="0"
            role="button"
            :aria-label="told(mark.entry)"
            :data-entry="mark.entry.id"
            @click="emit('select', mark.entry.id)"
            @keydown.enter="emit('select', mark.entry.id)"
          >
            <title>{{ told(mark.entry) }}</title>
            <rect
              v-if="mark.until !== null"
              x="0"
              y="-4"
              :width="Math.max(4, mark.until - mark.x)"
              height="8"
              class="span"
            />
            <circle v-if="kindShapes[mark.entry.kind] === 'dot'" r="4.5" />
            <rect
              v-else-if="kindShapes[mark.entry.kind] === 'square'"
              x="-4"
              y="-4"
              width="8"
              height="8"
            />
            <path v-else-if="kindShapes[mark.entry.kind] === 'diamond'" d="M0-6L6 0L0 6L-6 0Z" />
            <rect v-else x="-1.5" y="-6" width="3" height="12" />
          </g>
        </template>
        <g v-for="tick in lineOf(width).ticks" :key="tick.at" class="tick">
          <line :x1="tick.at" :x2="tick.at" :y1="height - 24" :y2="height - 19" class="base" />
          <text
            :x="Math.min(tick.at, width - 6)"
            :y="height - 5"
            :text-anchor="tick.at > width - 40 ? 'end' : 'middle'"
          >
            {{ tick.label }}
          </text>
        </g>
      </svg>
    </template>
  </ChartFrame>
</template>

<style scoped>
.spans {
  display: flex;
  gap: 4px;
  margin-bottom: 4px;
}
.spans button {
  padding: 3px 10px;
  border-radius: 4px;
}
.spans [aria-pressed='true'] {
  background: rgb(var(--v-theme-surface-light));
  font-weight: 650;
}
svg {
  display: block;
  max-width: 100%;
}
text {
  font-size: 12px;
  fill: rgb(var(--v-theme-ink-soft));
}
.lane-name {
  fill: rgb(var(--v-theme-on-surface));
}
.base {
  stroke: rgb(var(--v-theme-hairline));
}
.bar {
  fill: rgb(var(--v-theme-water));
  opacity: 0.75;
}
.mark {
  fill: rgb(var(--v-theme-water-line));
  cursor: pointer;
}
.mark.happened {
  fill: rgb(var(--v-theme-wall));
}
.mark.changed {
  fill: rgb(var(--v-theme-state-tight));
}
.span {
  opacity: 0.35;
}
.mark:focus {
  outline: none;
}
.mark:focus-visible,
.mark.selected {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2.5px;
}
</style>
