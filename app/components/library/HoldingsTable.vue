<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { mdiChevronDown, mdiChevronUp, mdiShieldAlertOutline } from '@mdi/js'
import { catalogue } from '~~/core/catalogue/catalogue'
import { holdingKind, type HoldingKindId } from '~~/core/catalogue/holdingKinds'
import { holdingSizes, isIrreplaceable } from '~~/core/library/holdingSizes'
import { qualitiesOfKind, withKind } from '~~/core/library/qualitiesOfKind'
import type { Holding } from '~~/core/plan/library'
import { tebibytes } from '~~/core/units/dataSize'
import ListEditor from '~/components/common/ListEditor.vue'
import PlanField from '~/components/common/PlanField.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useHoldings } from '~/composables/useHoldings'
import { fieldElementId } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'
import HoldingDetails from './HoldingDetails.vue'

/** What is kept, by kind and quality; each with a bar of today's size and what the horizon makes of its additions. */
const store = usePlanStore()
const { number } = useFormat()
const working = useWorkingStore()
const { holdings, add, remove } = useHoldings()
const open = ref<number | null>(null)
// A reader who follows a figure to one of these fields finds it unfolded.
watch(() => working.target, (path) => {
  const [, index, field = ''] = /^library\.holdings\.(\d+)\.(\w+)/.exec(path ?? '') ?? []
  if (index !== undefined && !['name', 'kind', 'quality', 'titles', 'minutes', 'addedPerMonth', 'bitrateMbps'].includes(field)) open.value = Number(index)
}, { immediate: true })

const years = computed(() => store.plan?.choices.horizonYears ?? 5)
const sizes = computed(() => {
  const all = store.plan ? holdingSizes(store.plan.library, catalogue) : []
  return holdings.value.map((_, index) => all.filter(size => size.index === index).reduce((sum, { amount, todayTB, addedTB, removedTB }) => ({
    today: sum.today + amount.likely * todayTB, month: sum.month + amount.likely * (addedTB - removedTB),
  }), { today: 0, month: 0 }))
})
const atHorizon = (index: number) => Math.max(0, (sizes.value[index]?.today ?? 0) + years.value * 12 * (sizes.value[index]?.month ?? 0))
const most = computed(() => Math.max(0.001, ...sizes.value.map((size, index) => Math.max(size.today, atHorizon(index)))))
const width = (tb: number) => `${Math.max(tb > 0 ? 0.6 : 0, tb / most.value * 100)}%`
function usual(quality: string): string {
  const amount = catalogue.qualities.find(candidate => candidate.id === quality)?.bitrateMbps ?? catalogue.otherQualities.find(candidate => candidate.id === quality)?.amount
  return amount ? `≈ ${number(amount.likely, 3)}` : ''
}
const sized = (holding: Holding) => holding.quality === 'given' ? 'given' : holdingKind(holding.kind).sized
const qualityItems = (kind: HoldingKindId) => qualitiesOfKind(kind, catalogue).map(({ id, label }) => ({ value: id, title: label }))
function setKind(index: number): (kind: unknown) => string | null {
  return kind => store.edit(`library.holdings.${index}`, withKind(holdings.value[index]!, kind as HoldingKindId, catalogue))
}
const path = (index: number, field: string) => `library.holdings.${index}.${field}`
</script>

<template>
  <section
    :id="fieldElementId('library.holdings')"
    class="sheet"
    tabindex="-1"
  >
    <h2>What is kept</h2>
    <p class="soft small">
      The bars show today's size, and lighter what {{ years }} years of additions make of it. Without a bitrate of your own the usual one of the quality is taken.
    </p>
    <p
      v-if="!holdings.length"
      class="soft"
    >
      Nothing yet. Add a row for each kind of title: its quality, how many there are, and how many come in a month.
    </p>
    <ListEditor
      class="holdings"
      :entries="holdings"
      add="Add a holding"
      :name="holding => holding.name || 'holding'"
      columns="minmax(110px, 1.6fr) minmax(96px, 1fr) minmax(130px, 1.6fr) repeat(4, minmax(76px, 0.8fr))"
      @add="add"
      @remove="remove"
    >
      <template #default="{ entry: holding, index }">
        <PlanField
          :path="path(index, 'name')"
          class="name"
        />
        <PlanField
          :path="path(index, 'kind')"
          :set="setKind(index)"
        />
        <PlanField
          :path="path(index, 'quality')"
          :items="qualityItems(holding.kind)"
          class="quality"
        />
        <template v-if="sized(holding) === 'given'">
          <PlanField :path="path(index, 'sizeGB')" />
          <PlanField
            :path="path(index, 'addedGBPerMonth')"
            label="A month"
          />
          <span class="gap" />
        </template>
        <template v-else>
          <PlanField
            :path="path(index, 'titles')"
            :label="sized(holding) === 'each' ? 'Pictures' : holding.kind === 'music' ? 'Albums' : undefined"
          />
          <PlanField
            :path="path(index, 'addedPerMonth')"
            label="A month"
          />
          <PlanField
            v-if="sized(holding) !== 'each'"
            :path="path(index, 'minutes')"
          />
          <span
            v-else
            class="gap"
          />
        </template>
        <PlanField
          v-if="sized(holding) === 'video' || sized(holding) === 'sound'"
          :path="path(index, 'bitrateMbps')"
          :placeholder="usual(holding.quality)"
        />
        <span
          v-else
          class="gap"
        />
      </template>
      <template #buttons="{ entry: holding, index }">
        <VBtn
          :icon="open === index ? mdiChevronUp : mdiChevronDown"
          size="small"
          :aria-expanded="open === index"
          :aria-label="`More of ${holding.name || 'holding'}`"
          @click="open = open === index ? null : index"
        />
      </template>
      <template #below="{ entry: holding, index }">
        <div class="bar">
          <span
            class="grown"
            :style="{ width: width(atHorizon(index)) }"
          />
          <span
            class="today"
            :style="{ width: width(sizes[index]?.today ?? 0) }"
          />
          <small>
            <VIcon
              v-if="isIrreplaceable(holding)"
              :icon="mdiShieldAlertOutline"
              size="14"
            /><template v-if="isIrreplaceable(holding)"> irreplaceable · </template>
            <WorkingLink
              :figure="`library.holdings.${index}.contentTB`"
              :name="`Size of ${holding.name || 'this holding'}`"
            >{{ number(sizes[index]?.today ?? 0, 3) }} TB</WorkingLink>
            ({{ number(tebibytes(sizes[index]?.today ?? 0), 3) }} TiB)<template v-if="sizes[index]?.month">{{ '\u00A0' }}{{ sizes[index]!.month < 0 ? '−' : '+' }} {{ number(Math.abs(sizes[index]!.month) * 1000, 3) }} GB a month</template></small>
        </div>
        <HoldingDetails
          v-if="open === index"
          :index="index"
        />
      </template>
    </ListEditor>
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
.holdings :deep(.list-row) { padding: 12px 0 8px; margin-bottom: 0; border-bottom: 1px solid rgb(var(--v-theme-hairline)); }
.holdings :deep(.add) { margin-top: 12px; }
.bar { grid-column: 1 / -1; position: relative; height: 24px; background: rgb(var(--v-theme-surface-light)); border-radius: 3px; overflow: hidden; }
.bar span { position: absolute; inset: 0 auto 0 0; }
.grown { background: rgba(var(--v-theme-water), 0.4); }
.today { background: rgb(var(--v-theme-water)); }
.bar small { position: absolute; right: 8px; top: 0; font-size: 0.78rem; line-height: 24px; white-space: nowrap; }
.rest { display: grid; grid-template-columns: repeat(auto-fill, minmax(180px, 1fr)); gap: 12px 8px; margin-top: 14px; }
@media (max-width: 900px) {
  .name, .quality { grid-column: 1 / -1; }
  .gap { display: none; }
}
</style>
