<script setup lang="ts">
import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'

/** A counter over time, as small as it is: it starts at nothing, so that a rise is seen. */
const props = withDefaults(
  defineProps<{
    points: readonly { readonly time: number; readonly value: number }[]
    label: string
    width?: number
    height?: number
    fromZero?: boolean
  }>(),
  { width: 84, height: 22, fromZero: true },
)
const path = computed(() => {
  const { points, width, height, fromZero } = props
  if (points.length === 0) return ''
  const [first = 0, last = 1] = extent(points, point => point.time)
  const [least = 0, most = 1] = extent(points, point => point.value)
  const x = scaleLinear([first, Math.max(last, first + 1)], [2, width - 3])
  const y = scaleLinear(
    [fromZero ? 0 : least, Math.max(most, fromZero ? 1 : least + 1)],
    [height - 3, 3],
  )
  return (
    line<(typeof points)[number]>(
      point => x(point.time),
      point => y(point.value),
    )(points) ?? ''
  )
})
const end = computed(() => props.points.at(-1))
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    role="img"
    :aria-label="label"
  >
    <line x1="2" :x2="width - 2" :y1="height - 2" :y2="height - 2" class="ground" />
    <path v-if="points.length > 1" :d="path" />
    <circle v-else-if="end" :cx="width / 2" :cy="height / 2" r="2.5" />
  </svg>
</template>

<style scoped>
path {
  fill: none;
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 1.6;
}
circle {
  fill: rgb(var(--v-theme-water-line));
}
.ground {
  stroke: rgb(var(--v-theme-hairline));
}
</style>
