<script setup lang="ts">
import type { ScaleLinear } from 'd3-scale'
import { useFormat } from '~/composables/useFormat'

/** Lines and labels of a picture with money to the right and what it gives upwards. */
withDefaults(
  defineProps<{
    scales: { readonly x: ScaleLinear<number, number>; readonly y: ScaleLinear<number, number> }
    width: number
    height: number
    margin: {
      readonly left: number
      readonly right: number
      readonly top: number
      readonly bottom: number
    }
    /** what stands upwards is a share */
    isShare: boolean
    name?: string
  }>(),
  { name: '' },
)
const { money, number, share } = useFormat()
</script>

<template>
  <g>
    <g v-for="tick in scales.y.ticks(5)" :key="`y${tick}`">
      <line
        :x1="margin.left"
        :x2="width - margin.right"
        :y1="scales.y(tick)"
        :y2="scales.y(tick)"
        class="grid"
      />
      <text :x="margin.left - 8" :y="scales.y(tick) + 4" text-anchor="end" class="soft">
        {{ isShare ? share(tick) : number(tick) }}
      </text>
    </g>
    <text
      v-for="tick in scales.x.ticks(width < 560 ? 4 : 8)"
      :key="`x${tick}`"
      :x="scales.x(tick)"
      :y="height - margin.bottom + 18"
      text-anchor="middle"
      class="soft"
    >
      {{ money(tick) }}
    </text>
    <text v-if="name" :x="width - margin.right" :y="height - 4" text-anchor="end" class="soft">
      {{ name }} →
    </text>
  </g>
</template>

<style scoped>
.grid {
  stroke: rgba(var(--v-theme-hairline), 0.8);
}
</style>
