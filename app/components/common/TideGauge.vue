<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Estimate } from '~~/core/figure'
import { tideGaugeLayout, waterPath } from './tideGaugeLayout'
import HatchPattern from '../charts/HatchPattern.vue'

/**
 * Water is what is asked, the wall what is possible, hatched over its uncertainty; the free board
 * between them is the headroom.
 */
const props = withDefaults(
  defineProps<{
    asked: Estimate | null
    possible: Estimate | null
    /** the same two of the plan as it was, drawn as a ghost */
    ghostAsked?: Estimate | null
    ghostPossible?: Estimate | null
    width?: number
    height?: number
  }>(),
  { ghostAsked: null, ghostPossible: null, width: 46, height: 54 },
)

const hatchId = useId()
const basin = computed(() => props.width * 0.62)
const layout = computed(() => {
  const spread = (a: Estimate | null, b: Estimate | null): Estimate | null =>
    a && b ? { ...a, high: Math.max(a.high, b.high) } : a
  const shared = tideGaugeLayout(
    spread(props.asked, props.ghostAsked),
    spread(props.possible, props.ghostPossible),
    props.height,
  )
  const scale = (value: number) =>
    Math.min(props.height, Math.max(0, (value / shared.top) * props.height))
  const heights = (estimate: Estimate | null) =>
    estimate && {
      low: scale(estimate.low),
      likely: scale(estimate.likely),
      high: scale(estimate.high),
    }
  return {
    water: heights(props.asked),
    wall: heights(props.possible),
    ghostWater: heights(props.ghostAsked),
    ghostWall: heights(props.ghostPossible),
  }
})
const down = (value: number) => props.height - value
</script>

<template>
  <svg
    class="tide-gauge"
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    aria-hidden="true"
  >
    <defs>
      <HatchPattern :id="hatchId" :size="5" />
    </defs>
    <line
      v-for="tick in 4"
      :key="tick"
      x1="0"
      :x2="tick % 2 ? 3 : 5"
      :y1="(height * tick) / 5"
      :y2="(height * tick) / 5"
      class="tick"
    />
    <template v-if="layout.water">
      <rect
        v-if="layout.water.high > layout.water.low"
        x="0"
        :y="down(layout.water.high)"
        :width="basin"
        :height="layout.water.high - layout.water.low"
        class="spray"
      />
      <path :d="waterPath(basin, down(layout.water.likely), height)" class="water" />
      <line
        x1="0"
        :x2="basin"
        :y1="down(layout.water.likely)"
        :y2="down(layout.water.likely)"
        class="water-line"
      />
    </template>
    <template v-if="layout.wall">
      <rect
        :x="basin"
        :y="down(layout.wall.low)"
        :width="width - basin"
        :height="layout.wall.low"
        class="wall"
      />
      <rect
        :x="basin + 0.5"
        :y="down(layout.wall.high)"
        :width="width - basin - 1"
        :height="Math.max(0, layout.wall.high - layout.wall.low)"
        :fill="`url(#${hatchId})`"
        class="band"
      />
      <line
        :x1="basin"
        :x2="width"
        :y1="down(layout.wall.likely)"
        :y2="down(layout.wall.likely)"
        class="notch"
      />
    </template>
    <rect
      v-else
      :x="basin + 1"
      :y="height * 0.2"
      :width="width - basin - 2"
      :height="height * 0.8"
      class="no-wall"
    />
    <line
      v-if="layout.ghostWater"
      x1="0"
      :x2="basin"
      :y1="down(layout.ghostWater.likely)"
      :y2="down(layout.ghostWater.likely)"
      class="ghost"
    />
    <line
      v-if="layout.ghostWall"
      :x1="basin"
      :x2="width"
      :y1="down(layout.ghostWall.likely)"
      :y2="down(layout.ghostWall.likely)"
      class="ghost"
    />
    <line x1="0" :x2="width" :y1="height - 0.5" :y2="height - 0.5" class="floor" />
  </svg>
</template>

<style scoped>
.tide-gauge {
  display: block;
  overflow: visible;
  flex: none;
}
.water {
  fill: rgb(var(--v-theme-water));
  opacity: 0.75;
}
.spray {
  fill: rgb(var(--v-theme-water));
  opacity: 0.28;
}
.water-line {
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 1.6;
}
.wall {
  fill: rgb(var(--v-theme-wall));
  opacity: 0.88;
}
.band {
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 1;
}
.notch {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
}
.no-wall {
  fill: none;
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-dasharray: 2 3;
}
.floor {
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 1;
}
.tick {
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-width: 1;
  opacity: 0.7;
}
.ghost {
  stroke: rgb(var(--v-theme-state-short));
  stroke-width: 1.5;
  stroke-dasharray: 3 2;
}
</style>
