<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { estimateOf } from '~~/core/figure'
import { averagePricePerKWh } from '~~/core/plan/energyPrice'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import {
  archiveCodecs,
  archiveConversions,
  type ArchiveCodec,
  type ArchiveConversion,
} from '~~/core/streams/archiveConversion'
import { tebibytes } from '~~/core/units/dataSize'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** Re-encoding what is kept: space saved against days of the processor and its power. */
const store = usePlanStore()
const { money, range, number } = useFormat()
const codec = ref<ArchiveCodec>('hevc8')
const capacity = computed(() => {
  const figure = store.assessment?.figures['streams.softwareReference']
  return figure ? estimateOf(figure) : null
})
const rows = computed(() =>
  store.plan && capacity.value && capacity.value.low > 0
    ? archiveConversions(store.plan, effectiveCatalogue(store.plan, catalogue), {
        capacity: capacity.value,
        codec: codec.value,
      })
    : [],
)
const most = computed(() => Math.max(0.001, ...rows.value.map(row => row.savedTB.likely)))
const total = computed(() =>
  rows.value.reduce(
    (sum, row) => ({ tb: sum.tb + row.savedTB.likely, days: sum.days + row.cpuDays.likely }),
    { tb: 0, days: 0 },
  ),
)
/** Power of the days beyond what the machine uses at rest. */
const power = computed(() => {
  const watts = store.assessment?.domains.machine.watts
  if (!store.plan || !watts) return 0
  const { idle, converting } = watts
  return (
    ((total.value.days * 24 * (converting.likely - idle.likely)) / 1000) *
    averagePricePerKWh(store.plan.costs)
  )
})
function tryOn(row: ArchiveConversion | null): void {
  const { plan } = store
  store.tried =
    plan && row
      ? {
          ...plan,
          library: {
            ...plan.library,
            holdings: plan.library.holdings.map((holding, at) =>
              at === row.index
                ? { ...holding, quality: row.quality as never, bitrateMbps: null }
                : holding,
            ),
          },
        }
      : null
}
onBeforeUnmount(() => tryOn(null))
</script>

<template>
  <section class="sheet" data-archive>
    <h2>Re-encoding the archive</h2>
    <p class="soft small">
      This estimates re-encoding the library in software, at its own picture size and a fast preset,
      day and night with the whole
      <WorkingLink figure="streams.softwareReference" name="Processor capacity">
        processor </WorkingLink
      >. A slower preset saves more and takes several times as long; every re-encoding loses a
      little of the picture, so keep what is irreplaceable as it is.
    </p>
    <div class="codecs" role="radiogroup" aria-label="Re-encode to">
      <label v-for="(label, id) in archiveCodecs" :key="id"
        ><input v-model="codec" type="radio" name="archive-codec" :value="id" /> to
        {{ label }}</label
      >
    </div>
    <table v-if="rows.length" class="data-table" @pointerleave="tryOn(null)">
      <thead>
        <tr>
          <th scope="col">Holding</th>
          <th scope="col">Saved</th>
          <th scope="col" class="number">Days of the processor</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="row in rows"
          :key="row.index"
          :data-archive-row="row.index"
          @pointerenter="tryOn(row)"
        >
          <td>{{ row.name }}</td>
          <td>
            <span class="track"
              ><i :style="{ width: `${(row.savedTB.likely / most) * 100}%` }"
            /></span>
            {{ number(row.savedTB.likely, 2) }} TB
            <small class="soft">({{ range(row.savedTB, 'TB') }})</small>
          </td>
          <td class="number">
            {{ number(row.cpuDays.likely, 2) }}
            <small class="soft">({{ range(row.cpuDays, 'days') }})</small>
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th>All together</th>
          <td>
            <strong>{{ number(total.tb, 3) }} TB</strong>
            <small class="soft">({{ number(tebibytes(total.tb), 3) }} TiB)</small>
          </td>
          <td class="number">
            <strong>{{ number(total.days, 2) }}</strong>
            <small class="soft">and about {{ money(power) }} of power</small>
          </td>
        </tr>
      </tfoot>
    </table>
    <p v-else class="soft">
      {{
        capacity
          ? 'Nothing that is kept would get smaller by it.'
          : 'It needs a processor that is known.'
      }}
    </p>
  </section>
</template>

<style scoped>
.codecs {
  display: flex;
  gap: 16px;
  margin: 8px 0;
}
.codecs label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 26px;
}
.track {
  display: inline-block;
  width: 140px;
  height: 12px;
  background: rgb(var(--v-theme-surface-light));
  margin-right: 8px;
  vertical-align: -1px;
}
.track i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-water));
}
tbody tr:hover {
  background: rgb(var(--v-theme-surface-light));
}
</style>
