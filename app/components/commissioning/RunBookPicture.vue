<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Progress } from '~~/core/commissioning/progress'
import { chapters } from '~~/core/commissioning/step'
import HatchPattern from '~/components/charts/HatchPattern.vue'
import { useFormat } from '~/composables/useFormat'
import { cutWidth, laneHeight, layOutRunBook, top } from './runBookLayout'

/**
 * The run-book over its hours, a lane a chapter: work solid, waiting hatched, the longest chain
 * with a thick edge, what is over filled. A bar is pressed for its step; arrow keys go on.
 */
const props = defineProps<{
  progress: Progress
  width: number
  /** steps that fit into the free time that is looked at */
  marked: ReadonlySet<string>
}>()
const picked = defineModel<string | null>('picked', { required: true })
const { hours, number } = useFormat()
const svg = ref<SVGElement | null>(null)
const scroll = ref<HTMLElement | null>(null)
const labelWidth = 132
const layout = computed(() => layOutRunBook(props.progress.whole, props.width - labelWidth))
const byId = computed(() => new Map(props.progress.steps.map(step => [step.step.id, step])))
const label = (id: string) => {
  const { step, hands, wait, entry } = byId.value.get(id)!
  return [
    step.do,
    `${number(hands)} min of work`,
    ...(wait > 0 ? [`then ${hours(wait / 60)} of waiting`] : []),
    ...(entry && entry.state !== 'open' ? [entry.state] : []),
  ].join('; ')
}
function go(event: KeyboardEvent, at: number): void {
  const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key]
  if (!by) return
  event.preventDefault()
  const next = layout.value.bars[at + by]
  if (!next) return
  picked.value = next.id
  svg.value?.querySelector<SVGElement>(`[data-step="${next.id}"]`)?.focus()
}
// On a narrow page the bar that is picked may lie outside the picture.
watch(picked, id => {
  const bar = layout.value.bars.find(entry => entry.id === id)
  const box = scroll.value
  if (!bar || !box) return
  if (bar.x < box.scrollLeft || bar.x > box.scrollLeft + box.clientWidth - 40)
    box.scrollLeft = bar.x - box.clientWidth / 3
})
/** One bar can be reached by Tab: the one that is picked, else the first that is left. */
const reachable = computed(
  () =>
    picked.value ??
    props.progress.steps.find(({ isOver }) => !isOver)?.step.id ??
    layout.value.bars[0]?.id,
)
</script>

<template>
  <div class="book">
    <ol class="lanes" aria-hidden="true" :style="{ paddingTop: `${top}px` }">
      <li v-for="lane in layout.lanes" :key="lane.chapter" :style="{ height: `${laneHeight}px` }">
        {{ chapters[lane.chapter] }}
      </li>
    </ol>
    <div ref="scroll" class="scroll" tabindex="-1">
      <svg
        ref="svg"
        :width="layout.width"
        :height="layout.height"
        :viewBox="`0 0 ${layout.width} ${layout.height}`"
        role="group"
        aria-label="Steps over the hours; arrow keys go from one to the next"
      >
        <defs><HatchPattern id="wait-hatch" :size="5" /></defs>
        <rect
          v-for="(lane, at) in layout.lanes"
          :key="lane.chapter"
          x="0"
          :y="lane.y"
          :width="layout.width"
          :height="laneHeight"
          :class="['lane', { odd: at % 2 }]"
        />
        <g v-for="cut in layout.cuts" :key="cut.x" class="cut">
          <line
            :x1="cut.x + cutWidth / 2"
            :x2="cut.x + cutWidth / 2"
            :y1="top"
            :y2="layout.height"
          />
          <text :x="cut.x + cutWidth / 2" y="17" text-anchor="middle">{{ hours(cut.hours) }}</text>
        </g>
        <g
          v-for="(bar, at) in layout.bars"
          :key="bar.id"
          role="button"
          :tabindex="bar.id === reachable ? 0 : -1"
          :aria-label="label(bar.id)"
          :aria-pressed="picked === bar.id"
          :data-step="bar.id"
          :class="[
            'bar',
            byId.get(bar.id)?.entry?.state ?? 'open',
            {
              critical: bar.isCritical,
              picked: picked === bar.id,
              marked: marked.has(bar.id),
            },
          ]"
          @click="picked = picked === bar.id ? null : bar.id"
          @keydown.enter.prevent="picked = bar.id"
          @keydown.space.prevent="picked = bar.id"
          @keydown="go($event, at)"
        >
          <title>{{ label(bar.id) }}</title>
          <rect
            v-if="bar.waitTo > bar.x + bar.width"
            :x="bar.x + bar.width"
            :y="bar.y + 9"
            :width="bar.waitTo - bar.x - bar.width"
            :height="laneHeight - 18"
            fill="url(#wait-hatch)"
          />
          <rect
            class="work"
            :x="bar.x + 0.5"
            :y="bar.y + 5"
            :width="Math.max(1, bar.width - 1)"
            :height="laneHeight - 10"
            rx="1.5"
          />
          <line
            v-if="bar.isCritical"
            class="chain"
            :x1="bar.x"
            :x2="bar.waitTo"
            :y1="bar.y + laneHeight - 3"
            :y2="bar.y + laneHeight - 3"
          />
        </g>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.book {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
}
.lanes {
  list-style: none;
  margin: 0;
  padding-left: 0;
  font-size: 0.82rem;
}
.lanes li {
  display: flex;
  align-items: center;
}
.scroll {
  overflow-x: auto;
}
.lane {
  fill: transparent;
}
.lane.odd {
  fill: rgb(var(--v-theme-surface-light));
}
.cut line {
  stroke: rgb(var(--v-theme-wall));
  stroke-dasharray: 2 4;
  opacity: 0.6;
}
text {
  font-size: 12px;
  fill: rgb(var(--v-theme-on-surface));
}
.bar {
  cursor: pointer;
}
.work {
  fill: rgba(var(--v-theme-water), 0.28);
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 1.2;
}
.done .work {
  fill: rgb(var(--v-theme-water));
}
.skipped .work {
  stroke-dasharray: 2 2;
  fill: transparent;
}
.failed .work {
  fill: rgb(var(--v-theme-state-short));
  stroke: rgb(var(--v-theme-state-short));
}
.chain {
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 3;
}
.marked .work {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2.4;
}
.bar:focus-visible {
  outline: none;
}
.picked .work,
.bar:focus-visible .work {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 2.4;
}
@media print {
  .book {
    grid-template-columns: minmax(0, 1fr);
  }
  .lanes {
    display: none;
  }
  svg {
    width: 100%;
    height: auto;
  }
}
</style>
