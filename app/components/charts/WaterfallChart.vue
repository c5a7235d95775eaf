<script setup lang="ts">
import { computed } from 'vue'
import { failedDriveSentence } from '~~/core/drives/tellDrives'
import { tebibytes } from '~~/core/units/dataSize'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'
import ChartFrame from './ChartFrame.vue'
import { waterfallLayout } from './waterfallLayout'

const props = withDefaults(defineProps<{ height?: number }>(), { height: 260 })
const store = usePlanStore()
const { number, format } = useFormat()
const working = useWorkingStore()
const margin = { left: 4, right: 4, top: 34, bottom: 62 }
const steps = computed(() => store.assessment?.domains.drives.pool?.waterfall ?? [])
const figureOf: Readonly<Record<string, string>> = {
  raw: 'drives.rawTB',
  spares: 'drives.usableTB',
  redundancy: 'drives.usableTB',
  mismatch: 'drives.usableTB',
  usable: 'drives.usableTB',
  reserve: 'drives.roomTB',
  ceiling: 'drives.roomTB',
  snapshots: 'drives.roomTB',
  room: 'drives.roomTB',
}
const rows = computed(() =>
  steps.value.map(step => [
    step.label,
    `${step.kind === 'loss' && step.sizeTB > 0 ? '−' : ''}${number(step.sizeTB, 4)}`,
    number(tebibytes(step.sizeTB), 4),
  ]),
)
const bars = (width: number) => waterfallLayout(steps.value, width, props.height, margin)

/** Labels below the bars break into at most four short lines. */
function lines(label: string, width: number): string[] {
  const most = Math.max(7, Math.floor(width / 6.2))
  const result: string[] = []
  for (const word of label.split(' ')) {
    const last = result.at(-1)
    if (last !== undefined && `${last} ${word}`.length <= most)
      result[result.length - 1] = `${last} ${word}`
    else result.push(word)
  }
  return result.slice(0, 4)
}
</script>

<template>
  <ChartFrame title="From raw space to room" :columns="['Step', 'TB', 'TiB']" :rows="rows">
    <template #default="{ width }">
      <svg
        v-if="steps.length"
        :width="width"
        :height="height"
        :viewBox="`0 0 ${width} ${height}`"
        role="group"
        aria-label="Raw space, what is subtracted from it, and the room that is left"
      >
        <g
          v-for="(bar, index) in bars(width)"
          :key="bar.step.id"
          class="bar"
          :class="[bar.step.kind, bar.step.id]"
          role="button"
          tabindex="0"
          :aria-label="`${bar.step.label}: ${number(bar.step.sizeTB, 3)} TB. Show working`"
          :data-step="bar.step.id"
          @click="working.show(figureOf[bar.step.id]!)"
          @keydown.enter="working.show(figureOf[bar.step.id]!)"
          @keydown.space.prevent="working.show(figureOf[bar.step.id]!)"
        >
          <line
            v-if="index < bars(width).length - 1"
            :x1="bar.x + bar.width"
            :x2="bars(width)[index + 1]!.x"
            :y1="bar.level"
            :y2="bar.level"
            class="step"
          />
          <rect :x="bar.x" :y="bar.y" :width="bar.width" :height="Math.max(1, bar.height)" />
          <text
            :x="bar.x + bar.width / 2"
            :y="bar.y - (bar.step.kind === 'total' ? 19 : 6)"
            text-anchor="middle"
            class="size"
          >
            {{ bar.step.kind === 'loss' ? '−' : '' }}{{ number(bar.step.sizeTB, 3)
            }}{{ bar.step.kind === 'total' ? ' TB' : '' }}
          </text>
          <text
            v-if="bar.step.kind === 'total'"
            :x="bar.x + bar.width / 2"
            :y="bar.y - 5"
            text-anchor="middle"
            class="soft tib"
          >
            {{ number(tebibytes(bar.step.sizeTB), 3) }} TiB
          </text>
          <text
            v-for="(part, row) in lines(bar.step.label, bar.width)"
            :key="row"
            :x="bar.x + bar.width / 2"
            :y="height - margin.bottom + 15 + row * 13"
            text-anchor="middle"
            class="soft name"
          >
            {{ part }}
          </text>
        </g>
      </svg>
      <p v-else class="soft">
        {{ store.assessment ? failedDriveSentence(store.assessment.domains.drives, format) : '' }}
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
svg {
  display: block;
  max-width: 100%;
  overflow: visible;
}
.bar {
  cursor: pointer;
}
.bar rect {
  fill: rgb(var(--v-theme-wall));
  opacity: 0.86;
}
.bar.usable rect {
  fill: rgb(var(--v-theme-water-line));
}
.bar.room rect {
  fill: rgb(var(--v-theme-primary));
  opacity: 1;
}
.bar.loss rect {
  fill: rgb(var(--v-theme-hairline));
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-dasharray: 3 2;
  opacity: 1;
}
.bar:hover rect {
  opacity: 0.7;
}
.step {
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-dasharray: 2 2;
}
.size {
  font-weight: 600;
}
.tib,
.name {
  font-size: 11px;
}
</style>
