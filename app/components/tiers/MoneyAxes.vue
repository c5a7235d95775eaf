<script setup lang="ts">
import type { ScaleLinear } from 'd3-scale'
import { chartBox, ticksOf, type ChartBox } from '~/components/charts/chartBox'
import ChartScales from '~/components/charts/ChartScales.vue'
import { useFormat } from '~/composables/useFormat'

/** Lines and labels of a picture with money to the right and what it gives upwards. */
withDefaults(
  defineProps<{
    scales: { readonly x: ScaleLinear<number, number>; readonly y: ScaleLinear<number, number> }
    width: number
    height: number
    margin: ChartBox
    /** what stands upwards is a share */
    isShare: boolean
    name?: string
  }>(),
  { name: '' },
)
const { money, number, share } = useFormat()
</script>

<template>
  <ChartScales
    :box="chartBox({ width, height }, margin)"
    :up="ticksOf(scales.y.ticks(5), scales.y, tick => (isShare ? share(tick) : number(tick)))"
    :across="ticksOf(scales.x.ticks(width < 560 ? 4 : 8), scales.x, tick => money(tick))"
    :name="name && `${name} →`"
  />
</template>
