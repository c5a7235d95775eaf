<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import type { EveningPicture, PictureSession } from '~~/core/rehearsal/picture/eveningPicture'
import type { EveningEvent } from '~~/core/rehearsal/evening/eveningRun'
import { clockText, stretchesOf, thicknessOf } from './stageLayout'

/**
 * One evening: a lane a viewer, in it a ribbon as thick as the picture is good, filled with what is
 * ready to play; below it what is ever more than half used.
 */
const props = defineProps<{
  picture: EveningPicture
  width: number
  now: number
  /** the stretch of time that is shown */
  from: number
  to: number
  picked: EveningEvent | null
}>()
const emit = defineEmits<{ scrub: [at: number]; pick: [event: EveningEvent] }>()
const svg = ref<SVGSVGElement | null>(null)
const isNarrow = computed(() => props.width < 560)
const label = computed(() => (isNarrow.value ? 74 : 152))
const laneHeight = 46
const ribbon = 28
const resourceHeight = 40
const top = 22
const x = computed(() =>
  scaleLinear([props.from, props.to], [label.value, props.width - 10]).clamp(true),
)
/** Two things of one viewer that overlap have a lane of their own each. */
const laneTop = (lane: number) => top + lane * laneHeight
const lanesEnd = computed(() => laneTop(props.picture.lanes.length))
const half = 0.5
const shownResources = computed(() => props.picture.resources.filter(({ most }) => most > half))
const resourceTop = (at: number) => lanesEnd.value + 26 + at * resourceHeight
const height = computed(() => resourceTop(shownResources.value.length) + 4)
const ticks = computed(() => {
  const span = props.to - props.from
  const every =
    [60, 300, 900, 1800, 3600, 7200].find(step => span / step <= props.width / 80) ?? 7200
  const first = Math.ceil(props.from / every) * every
  return Array.from(
    { length: Math.floor((props.to - first) / every) + 1 },
    (_, at) => first + at * every,
  )
})

const isSeen = ({ start, end }: PictureSession) => end > props.from && start < props.to
const bars = computed(() =>
  props.picture.sessions.filter(isSeen).map(session => {
    const middle = laneTop(session.lane) + laneHeight / 2
    const parts = stretchesOf(session)
      .filter(({ from, to }) => to > props.from && from < props.to)
      .map(stretch => {
        const thick = ribbon * thicknessOf(stretch.lines)
        const [left, right] = [x.value(stretch.from), x.value(stretch.to)]
        const water = stretch.water
          .map(
            ([at, share]) =>
              `${x.value(at).toFixed(1)},${(middle + thick / 2 - thick * share).toFixed(1)}`,
          )
          .join(' ')
        return {
          ...stretch,
          left,
          width: Math.max(stretch.waits ? 1.5 : 0.5, right - left),
          y: middle - thick / 2,
          thick,
          points: `${left.toFixed(1)},${middle + thick / 2} ${water} ${right.toFixed(1)},${middle + thick / 2}`,
          seconds:
            stretch.waits && right - left > 26 ? `${Math.round(stretch.to - stretch.from)} s` : '',
        }
      })
    const isRefused = session.outcome === 'never' || session.outcome === 'noPlace'
    return {
      session,
      middle,
      parts,
      isRefused,
      left: x.value(session.start),
      right: x.value(isRefused ? session.end : session.over),
      end: x.value(session.end),
    }
  }),
)
const marks = { stall: 'stall', step: 'step down', refused: 'refused', gaveUp: 'gives up' } as const
/** Of marks that lie on each other the gravest is shown; a closer look tells them apart. */
const gravity = ['step', 'refused', 'stall', 'gaveUp'] as const
const apart = 15
const events = computed(() => {
  const groups: { events: EveningEvent[]; x: number; lane: number }[] = []
  for (const event of props.picture.events) {
    if (!(event.kind in marks) || event.at < props.from || event.at > props.to) continue
    const { lane } = props.picture.sessions[event.session]!
    const at = x.value(event.at)
    const near = groups.findLast(group => group.lane === lane)
    if (near && at - near.x < apart) near.events.push(event)
    else groups.push({ events: [event], x: at, lane })
  }
  return groups.map(({ events: all, x: left, lane }) => {
    const rank = ({ kind }: EveningEvent) => (gravity as readonly string[]).indexOf(kind)
    const event = all.reduce((worst, other) => (rank(other) > rank(worst) ? other : worst))
    return {
      event,
      isChosen: all.some(other => other === props.picked),
      x: left,
      y: laneTop(lane) + 6,
      label:
        `${props.picture.lanes[lane]}: ${marks[event.kind as keyof typeof marks]} at ` +
        `${clockText(event.at, true)}${all.length > 1 ? `, and ${all.length - 1} more close by` : ''}`,
    }
  })
})
const shapes = {
  stall: 'M-5,4 L5,4 L0,-5 Z',
  step: 'M-5,-4 L5,-4 L0,5 Z',
  gaveUp: 'M-4,-4 L4,4 M4,-4 L-4,4',
  refused: 'M0,-5 A5,5 0 1 0 0.01,-5 Z',
} as const
const curves = computed(() =>
  shownResources.value.map((resource, at) => {
    const y0 = resourceTop(at) + resourceHeight - 8
    const tall = resourceHeight - 16
    const share = ({ used, has }: (typeof resource.points)[number]) =>
      has > 0 ? Math.min(1, used / has) : used > 0 ? 1 : 0
    const from = resource.points.findLastIndex(point => point.at <= props.from)
    const inside = resource.points.filter(
      (point, place) => place >= Math.max(0, from) && point.at <= props.to,
    )
    const path = inside.map((point, place) => {
      const left = x.value(point.at).toFixed(1)
      const y = (y0 - tall * share(point)).toFixed(1)
      return `${place === 0 ? `M${left},${y0} V${y}` : `H${left} V${y}`}`
    })
    const full = inside.flatMap((point, place) =>
      share(point) >= 0.999
        ? [{ left: x.value(point.at), right: x.value(inside[place + 1]?.at ?? props.to) }]
        : [],
    )
    return { resource, y0, tall, path: `${path.join(' ')} H${x.value(props.to)} V${y0} Z`, full }
  }),
)
const line = computed(() => Math.max(label.value, Math.min(props.width - 10, x.value(props.now))))

function scrubTo(event: PointerEvent): void {
  const box = svg.value?.getBoundingClientRect()
  if (box) emit('scrub', x.value.invert(((event.clientX - box.left) / box.width) * props.width))
}
function down(event: PointerEvent): void {
  if ((event.target as Element).closest('[data-event]')) return
  svg.value?.setPointerCapture(event.pointerId)
  scrubTo(event)
}
function move(event: PointerEvent): void {
  if (svg.value?.hasPointerCapture(event.pointerId)) scrubTo(event)
}
</script>

<template>
  <svg
    ref="svg"
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    class="stage"
    role="group"
    aria-label="The evening"
    data-stage
    @pointerdown="down"
    @pointermove="move"
  >
    <defs>
      <pattern id="waits" width="6" height="6" patternUnits="userSpaceOnUse">
        <path d="M0,6 L6,0" class="hatch" />
      </pattern>
    </defs>
    <g v-for="tick in ticks" :key="tick">
      <line :x1="x(tick)" :x2="x(tick)" :y1="top - 4" :y2="height" class="grid" />
      <text :x="x(tick)" :y="12" class="tick" :class="{ last: x(tick) > width - 30 }">
        {{ clockText(tick) }}
      </text>
    </g>
    <rect
      v-for="gap in picture.hangs"
      :key="gap.from"
      :x="x(gap.from)"
      :width="Math.max(1, x(gap.to) - x(gap.from))"
      :y="top"
      :height="lanesEnd - top"
      class="hang"
    />
    <g v-for="(name, lane) in picture.lanes" :key="lane">
      <line :x1="0" :x2="width" :y1="laneTop(lane + 1)" :y2="laneTop(lane + 1)" class="grid" />
      <text :x="0" :y="laneTop(lane) + laneHeight / 2 + 4" class="name">
        {{ isNarrow && name.length > 10 ? `${name.slice(0, 9)}…` : name }}
      </text>
    </g>
    <g v-for="(bar, at) in bars" :key="at" :data-bar="bar.session.outcome">
      <title>
        {{ bar.session.title }} on {{ bar.session.device
        }}{{ bar.session.refusal ? `: ${bar.session.refusal}` : '' }}
      </title>
      <template v-if="bar.isRefused">
        <rect
          :x="bar.left"
          :width="Math.max(2, bar.right - bar.left)"
          :y="bar.middle - ribbon / 2"
          :height="ribbon"
          class="hollow"
        />
        <text
          v-if="bar.right - bar.left > 120"
          :x="bar.left + 8"
          :y="bar.middle + 4"
          class="reason"
        >
          {{ bar.session.outcome === 'never' ? 'never possible' : 'no place' }}
        </text>
      </template>
      <template v-else>
        <line :x1="bar.left" :x2="bar.right" :y1="bar.middle" :y2="bar.middle" class="thread" />
        <line
          v-if="bar.session.outcome === 'gaveUp'"
          :x1="bar.right"
          :x2="bar.end"
          :y1="bar.middle"
          :y2="bar.middle"
          class="unseen"
        />
        <template v-for="(part, place) in bar.parts" :key="place">
          <template v-if="part.waits">
            <rect
              :x="part.left"
              :y="part.y"
              :width="part.width"
              :height="part.thick"
              :class="['wait', part.waits]"
            />
            <polygon :points="part.points" class="water" />
            <text
              v-if="part.seconds"
              :x="part.left + part.width / 2"
              :y="bar.middle + 4"
              class="seconds"
            >
              {{ part.seconds }}
            </text>
          </template>
          <template v-else>
            <rect
              :x="part.left"
              :y="part.y"
              :width="part.width"
              :height="part.thick"
              class="ribbon"
            />
            <polygon :points="part.points" class="water" />
          </template>
        </template>
      </template>
    </g>
    <g v-if="curves.length">
      <text :x="0" :y="lanesEnd + 18" class="tick left">In use, of what there is</text>
      <g v-for="{ resource, y0, tall, path, full } in curves" :key="resource.name">
        <text :x="0" :y="y0 - 4" class="name soft-text">
          {{
            isNarrow && resource.name.length > 11 ? `${resource.name.slice(0, 10)}…` : resource.name
          }}
        </text>
        <line :x1="label" :x2="width - 10" :y1="y0 - tall" :y2="y0 - tall" class="most" />
        <path :d="path" class="use" />
        <rect
          v-for="(stretch, at) in full"
          :key="at"
          :x="stretch.left"
          :width="Math.max(1.5, stretch.right - stretch.left)"
          :y="y0 - tall"
          :height="tall"
          class="full"
        />
        <line :x1="label" :x2="width - 10" :y1="y0" :y2="y0" class="grid" />
      </g>
    </g>
    <rect
      :x="line"
      :width="Math.max(0, width - 10 - line)"
      :y="top"
      :height="height - top"
      class="ahead"
    />
    <line :x1="line" :x2="line" :y1="top - 6" :y2="height" class="now" />
    <g
      v-for="mark in events"
      :key="`${mark.event.at} ${mark.event.session} ${mark.event.kind}`"
      role="button"
      tabindex="0"
      :data-event="mark.event.kind"
      :aria-label="mark.label"
      :transform="`translate(${mark.x},${mark.y})`"
      :class="['mark', mark.event.kind, { chosen: mark.isChosen }]"
      @click="emit('pick', mark.event)"
      @keydown.enter.prevent="emit('pick', mark.event)"
      @keydown.space.prevent="emit('pick', mark.event)"
    >
      <title>{{ mark.label }}</title>
      <rect x="-11" y="-11" width="22" height="22" class="touch" />
      <path :d="shapes[mark.event.kind as keyof typeof shapes]" />
    </g>
  </svg>
</template>

<style scoped>
.stage {
  display: block;
  touch-action: pan-y;
  cursor: ew-resize;
  user-select: none;
  max-width: 100%;
}
.grid {
  stroke: rgb(var(--v-theme-hairline));
}
.tick {
  font-size: 11px;
  fill: rgb(var(--v-theme-ink-soft));
  text-anchor: middle;
}
.last {
  text-anchor: end;
}
.left {
  text-anchor: start;
}
.name {
  font-size: 13px;
  font-weight: 600;
  fill: rgb(var(--v-theme-on-surface));
}
.soft-text {
  font-weight: 500;
  font-size: 12px;
  fill: rgb(var(--v-theme-ink-soft));
}
.thread,
.unseen {
  stroke: rgba(var(--v-theme-ink-soft), 0.5);
}
.unseen {
  stroke-dasharray: 2 5;
}
.ribbon {
  fill: rgba(var(--v-theme-water), 0.22);
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 0.75;
}
.water {
  fill: rgb(var(--v-theme-water));
}
.wait {
  fill: url('#waits');
}
.wait.stall {
  stroke: rgb(var(--v-theme-state-short));
}
.hatch {
  stroke: rgba(var(--v-theme-ink-soft), 0.75);
  fill: none;
}
.hollow {
  fill: none;
  stroke: rgb(var(--v-theme-state-impossible));
  stroke-dasharray: 5 4;
}
.reason,
.seconds {
  font-size: 11.5px;
  fill: rgb(var(--v-theme-on-surface));
}
.seconds {
  text-anchor: middle;
  font-weight: 600;
}
.hang {
  fill: rgba(var(--v-theme-ink-soft), 0.18);
}
.most {
  stroke: rgba(var(--v-theme-ink-soft), 0.7);
  stroke-dasharray: 3 3;
}
.use {
  fill: rgba(var(--v-theme-ink-soft), 0.45);
}
.full {
  fill: rgb(var(--v-theme-state-tight));
}
.ahead {
  fill: rgb(var(--v-theme-surface));
  fill-opacity: 0.6;
  pointer-events: none;
}
.now {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1.5;
}
.mark {
  cursor: pointer;
}
.mark path {
  stroke-width: 1.5;
}
.stall path {
  fill: rgb(var(--v-theme-state-short));
  stroke: rgb(var(--v-theme-surface));
}
.step path {
  fill: rgb(var(--v-theme-state-tight));
  stroke: rgb(var(--v-theme-surface));
}
.gaveUp path {
  stroke: rgb(var(--v-theme-state-short));
  stroke-width: 2.5;
}
.refused path {
  fill: rgb(var(--v-theme-surface));
  stroke: rgb(var(--v-theme-state-impossible));
  stroke-width: 2;
}
.touch {
  fill: transparent;
}
.mark:focus-visible .touch,
.chosen .touch {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1.5;
}
</style>
