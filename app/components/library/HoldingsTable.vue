<script setup lang="ts">
import { computed } from 'vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import { catalogue } from '~~/core/catalogue/catalogue'
import { holdingSizes } from '~~/core/library/forecast'
import { formatNumber } from '~~/core/units/formatNumber'
import PlanField from '~/components/common/PlanField.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { fieldElementId } from '~/composables/views'
import { useHoldings } from '~/composables/useHoldings'
import { usePlanStore } from '~/stores/planStore'

const store = usePlanStore()
const library = computed(() => store.plan?.library)
const { holdings, add, remove } = useHoldings()
const sizes = computed(() => library.value
  ? holdings.value.map((holding) => {
      const size = holdingSizes({ ...library.value!, holdings: [holding] }, catalogue.qualities)[0]
      return size ? { today: size.bitrateMbps.likely * size.todayTBPerMbps, added: size.bitrateMbps.likely * size.addedTBPerMbps } : { today: 0, added: 0 }
    })
  : [])
const most = computed(() => Math.max(0.001, ...sizes.value.map(size => size.today + 60 * size.added), (library.value?.otherTB ?? 0) + 0.06 * (library.value?.otherGrowthGBPerMonth ?? 0)))
const usual = (quality: string) => catalogue.qualities.find(candidate => candidate.id === quality)?.bitrateMbps
const width = (tb: number) => `${Math.max(tb > 0 ? 1 : 0, tb / most.value * 100)}%`
</script>

<template>
  <section
    :id="fieldElementId('library.holdings')"
    class="sheet"
  >
    <h2>What is kept</h2>
    <p class="soft small">
      The bars show today's size, and lighter what five years of additions make of it. Without a bitrate of your own the usual one of the quality is taken.
    </p>
    <div
      v-for="(holding, index) in holdings"
      :key="index"
      class="holding"
    >
      <PlanField
        :path="`library.holdings.${index}.name`"
        class="wide"
      />
      <PlanField
        :path="`library.holdings.${index}.quality`"
        class="wide"
      />
      <PlanField :path="`library.holdings.${index}.titles`" />
      <PlanField :path="`library.holdings.${index}.minutes`" />
      <PlanField :path="`library.holdings.${index}.addedPerMonth`" />
      <PlanField
        :path="`library.holdings.${index}.bitrateMbps`"
        :placeholder="`≈ ${formatNumber(usual(holding.quality)?.likely ?? 0, 3)}`"
      />
      <VBtn
        :icon="mdiClose"
        size="small"
        :aria-label="`Remove ${holding.name || 'holding'}`"
        @click="remove(index)"
      />
      <div
        class="bar"
        :title="`${formatNumber(sizes[index]?.today ?? 0, 3)} TB today, ${formatNumber((sizes[index]?.today ?? 0) + 60 * (sizes[index]?.added ?? 0), 3)} TB in five years`"
      >
        <span
          class="grown"
          :style="{ width: width((sizes[index]?.today ?? 0) + 60 * (sizes[index]?.added ?? 0)) }"
        />
        <span
          class="today"
          :style="{ width: width(sizes[index]?.today ?? 0) }"
        />
        <small><WorkingLink
          :figure="`library.holdings.${index}.contentTB`"
          :name="`Size of ${holding.name || 'this holding'}`"
        >{{ formatNumber(sizes[index]?.today ?? 0, 3) }} TB</WorkingLink><template v-if="sizes[index]?.added"> + {{ formatNumber((sizes[index]?.added ?? 0) * 1000, 3) }} GB a month</template></small>
      </div>
    </div>
    <p
      v-if="!holdings.length"
      class="soft"
    >
      Nothing yet. Add a line for each kind of title: its quality, how many there are, and how many come in a month.
    </p>
    <VBtn
      :prepend-icon="mdiPlus"
      color="primary"
      @click="add"
    >
      Add a holding
    </VBtn>
    <div class="rest">
      <PlanField path="library.otherTB" />
      <PlanField path="library.otherGrowthGBPerMonth" />
      <PlanField path="library.additionsChangePerYear" />
      <PlanField path="library.growthLowFactor" />
      <PlanField path="library.growthHighFactor" />
      <PlanField path="choices.ruleOfThumbFactor" />
    </div>
  </section>
</template>

<style scoped>
.holding { display: grid; grid-template-columns: minmax(120px, 2fr) minmax(120px, 2fr) repeat(4, minmax(88px, 1fr)) auto; gap: 6px 8px; align-items: start; padding: 10px 0 8px; border-bottom: 1px solid rgb(var(--v-theme-hairline)); }
.bar { grid-column: 1 / -1; position: relative; height: 24px; background: rgb(var(--v-theme-surface-light)); border-radius: 3px; overflow: hidden; }
.bar span { position: absolute; inset: 0 auto 0 0; }
.grown { background: rgba(var(--v-theme-water), 0.4); }
.today { background: rgb(var(--v-theme-water)); }
.bar small { position: absolute; right: 8px; top: 0; font-size: 0.78rem; line-height: 24px; }
.rest { display: grid; grid-template-columns: repeat(auto-fill, minmax(180px, 1fr)); gap: 12px 8px; margin-top: 14px; }
@media (max-width: 900px) {
  .holding { grid-template-columns: 1fr 1fr; }
  .wide { grid-column: 1 / -1; }
}
</style>
