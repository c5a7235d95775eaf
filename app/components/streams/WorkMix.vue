<script setup lang="ts">
import { computed } from 'vue'
import { formatNumber } from '~~/core/units/formatNumber'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { usePlanStore } from '~/stores/planStore'

/** What the conversions of this library are made of: each quality's share of the titles, and what one of them costs. */
const store = usePlanStore()
const mix = computed(() => store.assessment?.series.mix ?? [])
const most = computed(() => Math.max(1, ...mix.value.map(part => part.work.high)))
const percent = (work: number) => `${work / most.value * 100}%`
</script>

<template>
  <section class="sheet">
    <h2>What one conversion costs, by quality</h2>
    <p class="soft small">
      In reference streams: 1 is one 1080p H.264 stream at 24 frames a second. Converted to 1080p at most.
    </p>
    <table
      v-if="mix.length"
      class="data-table"
    >
      <thead>
        <tr>
          <th>Quality</th><th class="number">
            Of titles
          </th><th class="number">
            Work
          </th><th>Low to high</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="part in mix"
          :key="part.quality.id"
        >
          <td>{{ part.quality.label }}</td>
          <td class="number">
            {{ formatNumber(part.share * 100, 2) }} %
          </td>
          <td class="number">
            <WorkingLink
              :figure="`streams.work.${part.quality.id}`"
              :name="`Work of one ${part.quality.label}`"
            >
              {{ formatNumber(part.work.likely, 3) }}
            </WorkingLink>
          </td>
          <td class="range">
            <span
              class="track"
              :title="`${formatNumber(part.work.low, 2)} to ${formatNumber(part.work.high, 2)}`"
            >
              <span
                class="band"
                :style="{ left: percent(part.work.low), width: percent(part.work.high - part.work.low) }"
              />
              <span
                class="notch"
                :style="{ left: percent(part.work.likely) }"
              />
            </span>
          </td>
        </tr>
      </tbody>
    </table>
    <p
      v-else
      class="soft"
    >
      The library holds no titles yet, so a plain 1080p stream stands in.
    </p>
  </section>
</template>

<style scoped>
.range { width: 42%; }
.track { display: block; position: relative; height: 12px; margin-top: 4px; background: rgb(var(--v-theme-surface-light)); border-radius: 3px; }
.band { position: absolute; top: 2px; bottom: 2px; background: rgb(var(--v-theme-water)); min-width: 2px; }
.notch { position: absolute; top: -1px; bottom: -1px; width: 2px; background: rgb(var(--v-theme-primary)); }
</style>
