<script setup lang="ts">
import { computed } from 'vue'
import { busiestQuarter } from '~~/core/household/weekCounts'
import { slotMinutes, weekTimeText } from '~~/core/units/week'
import { useFormat } from '~/composables/useFormat'

/** What the colours of the week say, what is expected at the moment that is read, and the keys. */
const props = defineProps<{
  expected: { readonly home: Float64Array; readonly away: Float64Array }
  /** slot of the week that is read */ moment: number
}>()
const { number } = useFormat()
const busiest = computed(() =>
  busiestQuarter(props.expected.home.map((value, slot) => value + props.expected.away[slot]!)),
)
</script>

<template>
  <p class="soft small legend">
    <span><i class="swatch home" /> at home</span> <span><i class="swatch away" /> away</span>
    <span data-reading
      ><strong>{{ weekTimeText(moment * slotMinutes) }}</strong
      >: {{ number(expected.home[moment] ?? 0, 2) }} at home,
      {{ number(expected.away[moment] ?? 0, 2) }} away on average</span
    >
    <span
      >busiest:
      {{
        busiest.mean > 0
          ? `${weekTimeText(busiest.minuteOfWeek)}, ${number(busiest.mean, 2)} expected`
          : 'nobody watches yet'
      }}</span
    >
    <span class="keys"
      >Drag a habit to move it, its right end to change the length, the handle between to change the
      latest start; drag across free space to draw one. Keys: arrows move it and change its chance,
      Shift with arrows the length, + and − the latest start, 1 to 7 the days, Delete removes
      it.</span
    >
  </p>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin-top: 6px;
}
.swatch {
  display: inline-block;
  width: 10px;
  height: 10px;
  border-radius: 2px;
  margin-right: 3px;
}
.swatch.home {
  background: rgb(var(--v-theme-water-line));
}
.swatch.away {
  background: rgb(var(--v-theme-secondary));
}
.keys {
  flex: 1 1 420px;
}
</style>
