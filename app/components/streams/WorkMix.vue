<script setup lang="ts">
import { computed, ref } from 'vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * What the conversions of this library are made of: each quality's share of the titles, and what
 * one of them costs.
 */
const store = usePlanStore()
const { number } = useFormat()
const mix = computed(() => store.assessment?.domains.streams.mix ?? [])
const shown = ref(false)
const fewest = 8
const parts = computed(() => (shown.value ? mix.value : mix.value.slice(0, fewest)))
const fromHabits = computed(() => store.assessment?.domains.household.fromHabits ?? false)
const most = computed(() => Math.max(1, ...mix.value.map(part => part.work.high)))
const percent = (work: number) => `${(work / most.value) * 100}%`
</script>

<template>
  <section class="sheet">
    <h2>What one conversion costs</h2>
    <p class="soft small">
      In reference streams: 1 is one 1080p H.264 stream at 24 frames a second.
      {{
        fromHabits
          ? 'These are the conversions that habits, devices and titles make.'
          : 'Converted to 1080p at most.'
      }}
    </p>
    <table v-if="mix.length" class="data-table">
      <thead>
        <tr>
          <th scope="col">Conversion</th>
          <th scope="col" class="number">
            {{ fromHabits ? 'Of conversions' : 'Of titles' }}
          </th>
          <th scope="col" class="number">Work</th>
          <th scope="col">Low to high</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="part in parts" :key="part.key">
          <td>{{ part.label }}</td>
          <td class="number">{{ number(part.share * 100, 2) }} %</td>
          <td class="number">
            <WorkingLink :figure="part.figure" :name="`Work of one ${part.label}`">
              {{ number(part.work.likely, 3) }}
            </WorkingLink>
          </td>
          <td class="range">
            <span
              class="track"
              :title="`${number(part.work.low, 2)} to ${number(part.work.high, 2)}`"
            >
              <span
                class="band"
                :style="{
                  left: percent(part.work.low),
                  width: percent(part.work.high - part.work.low),
                }"
              />
              <span class="notch" :style="{ left: percent(part.work.likely) }" />
            </span>
          </td>
        </tr>
      </tbody>
    </table>
    <button
      v-if="mix.length > fewest"
      type="button"
      class="plain-button more small"
      @click="shown = !shown"
    >
      {{ shown ? 'Only the most frequent' : `All ${mix.length} kinds of conversion` }}
    </button>
    <p v-if="!mix.length" class="soft">
      The library holds no titles yet, so a plain 1080p stream is assumed.
    </p>
  </section>
</template>

<style scoped>
.more {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  min-height: 26px;
}
.range {
  width: 42%;
}
.track {
  display: block;
  position: relative;
  height: 12px;
  margin-top: 4px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 3px;
}
.band {
  position: absolute;
  top: 2px;
  bottom: 2px;
  background: rgb(var(--v-theme-water));
  min-width: 2px;
}
.notch {
  position: absolute;
  top: -1px;
  bottom: -1px;
  width: 2px;
  background: rgb(var(--v-theme-primary));
}
</style>
