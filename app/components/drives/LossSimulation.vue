<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed } from 'vue'
import { scaleLinear } from 'd3-scale'
import { simulatedArrays, useLossSimulation } from '~/composables/useLossSimulation'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** The chance of loss by simulation beside the one that is worked out: two ways that must agree. */
const store = usePlanStore()
const { number, share } = useFormat()
const { start, cancel, running, failed, arrays, interval } = useLossSimulation()
const chain = computed(() => store.assessment?.figures['drives.lossChanceAtHorizon']?.value ?? null)
const years = computed(() => store.plan?.choices.horizonYears ?? 5)
const isWithin = computed(
  () =>
    interval.value !== null &&
    chain.value !== null &&
    chain.value >= interval.value.low &&
    chain.value <= interval.value.high,
)
const scale = computed(() => {
  if (!interval.value || chain.value === null) return null
  const { low, high } = interval.value
  const [from, to] = [Math.min(low, chain.value), Math.max(high, chain.value)]
  const pad = Math.max((to - from) * 0.25, to * 1e-6)
  return scaleLinear([from - pad, to + pad], [0, 100]).clamp(true)
})
</script>

<template>
  <div v-if="chain !== null" class="simulation" data-simulation>
    <div class="head">
      <h2>Counted by simulation</h2>
      <button
        type="button"
        class="plain-button link no-print"
        @click="running ? cancel() : start()"
      >
        {{ running ? 'Cancel' : arrays ? 'Simulate again' : 'Simulate' }}
      </button>
    </div>
    <progress
      v-if="running"
      :value="arrays"
      :max="simulatedArrays"
      :aria-label="`${number(arrays)} of ${number(simulatedArrays)} arrays simulated`"
    />
    <template v-if="interval && scale">
      <div
        class="axis"
        role="img"
        :aria-label="`Simulated ${share(interval.low)} to ${share(interval.high)}, worked out ${share(chain)}`"
      >
        <span
          class="interval"
          :style="{
            left: `${scale(interval.low)}%`,
            width: `${scale(interval.high) - scale(interval.low)}%`,
          }"
        />
        <span class="mark" :style="{ left: `${scale(chain)}%` }" />
      </div>
      <p role="status">
        {{ number(arrays * years) }} simulated years: a loss in {{ counted(years, 'year') }} with
        {{ share(interval.likely) }}, 95 % interval {{ share(interval.low) }} to
        {{ share(interval.high) }}. Worked out: {{ share(chain) }},
        {{
          isWithin
            ? 'within the interval'
            : running
              ? 'outside the interval so far'
              : 'outside the interval, as happens in one of twenty runs'
        }}.
      </p>
    </template>
    <p v-if="failed" role="alert">The simulation broke off; start it again.</p>
    <p class="soft small">
      Drives and repairs are drawn event by event, further failures more often than they come, and
      weighed by that. Fixed repair hours would lose a little less.
    </p>
  </div>
</template>

<style scoped>
.simulation {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 10px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}
.head {
  display: flex;
  gap: 14px;
  align-items: baseline;
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  min-height: 26px;
}
progress {
  width: 100%;
  accent-color: rgb(var(--v-theme-primary));
}
.axis {
  position: relative;
  height: 26px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 3px;
}
.interval {
  position: absolute;
  top: 7px;
  bottom: 7px;
  min-width: 2px;
  background: rgb(var(--v-theme-water));
  border-radius: 2px;
}
.mark {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 0;
  margin-left: -1.5px;
  border-left: 3px solid rgb(var(--v-theme-wall));
}
</style>
