<script setup lang="ts">
import { useFormat } from '~/composables/useFormat'

/** What may be spent, as a line across a picture: dragged, or moved by the arrow keys. */
const props = defineProps<{
  at: number
  value: number
  most: number
  label: string
  top: number
  bottom: number
  handle: object
}>()
const { money } = useFormat()
const side = () => (props.at < 150 ? 'start' : 'end')
</script>

<template>
  <g
    class="spend"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuenow="value"
    aria-valuemin="0"
    :aria-valuemax="most"
    :aria-valuetext="money(value)"
    v-bind="handle"
  >
    <line :x1="at" :x2="at" :y1="top - 4" :y2="bottom" />
    <rect :x="at - 13" :y="top - 6" width="26" :height="bottom - top + 6" fill="transparent" />
    <text :x="side() === 'end' ? at - 6 : at + 6" :y="bottom - 6" :text-anchor="side()">
      {{ label.toLowerCase() }} {{ money(value) }}
    </text>
  </g>
</template>

<style scoped>
.spend {
  cursor: ew-resize;
  outline: none;
}
.spend line {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2.5;
  stroke-dasharray: 6 4;
}
.spend text {
  fill: rgb(var(--v-theme-primary));
  font-weight: 600;
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 4px;
}
.spend:focus-visible line {
  stroke-width: 4;
}
</style>
