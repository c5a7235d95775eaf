<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Figure } from '~~/core/figure'
import { arrivalSources, usualEditing } from '~~/core/plan/fastStorage'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import ToldFigures from '~/components/common/ToldFigures.vue'
import { useFastStorage } from '~/composables/useFastStorage'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import ArrivalsDay from './ArrivalsDay.vue'
import PoolTanks from './PoolTanks.vue'

/** What has to be quick, what may be slow, how an SSD wears, and who brings data when. */
const store = usePlanStore()
const { quantity, number } = useFormat()
const { fast, figures, runs, watching, sentence, notes } = useFastStorage()
const picked = ref<number | null>(null)
const arrivals = computed(() => store.plan?.drives.arrivals ?? [])
const variant = computed(
  () => store.plan && { plan: store.plan, label: 'of fast storage', figures: figures.value },
)
const text = (figure: Figure) =>
  figure.value === null
    ? figure.id === 'fast.wearYears'
      ? 'not in its life'
      : 'not known'
    : figure.low !== figure.high && figure.id === 'fast.diskStreams'
      ? `${number(figure.low!)}–${number(figure.high!)}`
      : quantity(figure.value, figure.unit)
const growthGB = computed(
  () => (store.assessment?.figures['library.growthTBPerMonth']?.value ?? 0) * 1000,
)
const maxArrivals = 30
function addOne(arrival: object): void {
  picked.value = arrivals.value.length
  store.edit('drives.arrivals', [...arrivals.value, arrival])
}
const add = () =>
  addOne({ source: 'phones', name: arrivals.value.length ? '' : arrivalSources.phones })
</script>

<template>
  <section class="sheet">
    <p class="sentence">
      {{ sentence }}
    </p>
    <PoolTanks :placed="fast?.placed ?? []" />
    <p class="soft small no-print">
      Drag something to another pool, or move it with the arrow keys.
    </p>
  </section>
  <div class="columns">
    <section class="sheet">
      <ToldFigures :figures="figures" :variant="variant" :write="text" />
      <p v-for="remark in notes" :key="remark" class="soft small">
        {{ remark }}
      </p>
    </section>
    <section class="sheet">
      <div class="fields">
        <PlanField path="drives.ssdTB" />
        <PlanField path="drives.ssdWritesTB" placeholder="usual for its size" />
        <PlanField path="drives.systemGB" />
        <PlanField path="drives.workGB" />
        <PlanField path="drives.scratchMinutes" />
        <PlanField path="drives.daysBetweenMoves" />
      </div>
      <details>
        <summary>Where the uses lie</summary>
        <div class="fields">
          <PlanField path="drives.systemOn" />
          <PlanField path="drives.indexOn" />
          <PlanField path="drives.scratchOn" />
          <PlanField path="drives.cacheOn" />
          <PlanField path="drives.workOn" />
        </div>
      </details>
    </section>
  </div>
  <ArrivalsDay v-model:picked="picked" :runs="runs" :watching="watching" />
  <section class="sheet">
    <PickList
      :id="fieldElementId('drives.arrivals')"
      v-model:picked="picked"
      :entries="arrivals"
      path="drives.arrivals"
      add="Add an arrival"
      :full="arrivals.length >= maxArrivals"
      :name="(arrival, index) => arrival.name || `arrival ${index + 1}`"
      @add="add"
      @remove="
        index =>
          store.edit(
            'drives.arrivals',
            arrivals.filter((_, other) => other !== index),
          )
      "
    >
      <template #line="{ entry, index }">
        <span class="line"
          ><strong>{{ entry.name || `Arrival ${index + 1}` }}</strong
          ><span class="soft">{{ arrivalSources[entry.source] }}</span
          ><span class="soft number">{{ quantity(entry.gbPerDay, 'GB') }} a day</span></span
        >
      </template>
      <template #default="{ entry, index }">
        <PlanField :path="`drives.arrivals.${index}.name`" />
        <PlanField :path="`drives.arrivals.${index}.source`" />
        <PlanField :path="`drives.arrivals.${index}.gbPerDay`" />
        <template v-if="entry.source === 'edits'">
          <PlanField :path="`drives.arrivals.${index}.fetchedGBPerDay`" />
          <PlanField :path="`drives.arrivals.${index}.projectGB`" />
          <PlanField :path="`drives.arrivals.${index}.projectMonths`" />
        </template>
        <PlanField :path="`drives.arrivals.${index}.daysPerWeek`" />
        <PlanField :path="`drives.arrivals.${index}.from`" />
        <PlanField :path="`drives.arrivals.${index}.hours`" />
        <PlanField :path="`drives.arrivals.${index}.link`" />
        <PlanField :path="`drives.arrivals.${index}.limitMbps`" placeholder="none" />
        <PlanField :path="`drives.arrivals.${index}.pauses`" />
      </template>
    </PickList>
    <VBtn
      v-if="arrivals.length < maxArrivals"
      size="small"
      variant="text"
      color="primary"
      class="no-print"
      @click="addOne(usualEditing)"
    >
      Add somebody away who edits
    </VBtn>
    <p v-if="arrivals.some(({ source }) => source === 'edits')" class="soft small">
      What is edited from away is fetched over the upload and comes back over the download; every
      copy takes along what was written, and a project lies on work in progress until it is done.
    </p>
    <p class="soft small">
      The library grows by {{ quantity(growthGB, 'GB') }} a month as entered under Library; arrivals
      say when and by which way it comes, and size the write cache.
    </p>
  </section>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1fr) minmax(0, 1fr);
}
.sentence {
  font-size: 1.02rem;
  margin-bottom: 10px;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 2px 14px;
}
.fields {
  --least: 170px;
}
details {
  margin-top: 10px;
}
summary {
  cursor: pointer;
  color: rgb(var(--v-theme-primary));
  min-height: 26px;
}
details .fields {
  margin-top: 10px;
}
</style>
