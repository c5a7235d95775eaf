<script setup lang="ts">
import { agreeing, counted } from '~~/core/units/counted'
import { computed } from 'vue'
import { mdiShieldAlertOutline } from '@mdi/js'
import { catalogue } from '~~/core/catalogue/catalogue'
import { holdingKind, type HoldingKindId } from '~~/core/catalogue/holdingKinds'
import { holdingSizes, isIrreplaceable } from '~~/core/library/holdingSizes'
import { qualitiesOfKind, withKind } from '~~/core/library/qualitiesOfKind'
import type { Holding } from '~~/core/plan/library'
import { tebibytes } from '~~/core/units/dataSize'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useHoldings } from '~/composables/useHoldings'
import { fieldElementId } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import HoldingDetails from './HoldingDetails.vue'

/**
 * What is kept, by kind and quality; each with a bar of today's size and what the horizon makes of
 * its additions.
 */
const store = usePlanStore()
const { number } = useFormat()
const { holdings, add, remove } = useHoldings()

const years = computed(() => store.plan?.choices.horizonYears ?? 5)
const sizes = computed(() => {
  const all = store.plan ? holdingSizes(store.plan.library, catalogue) : []
  return holdings.value.map((_, index) =>
    all
      .filter(size => size.index === index)
      .reduce(
        (sum, { amount, todayTB, addedTB, removedTB }) => ({
          today: sum.today + amount.likely * todayTB,
          month: sum.month + amount.likely * (addedTB - removedTB),
        }),
        { today: 0, month: 0 },
      ),
  )
})
const atHorizon = (index: number) =>
  Math.max(
    0,
    (sizes.value[index]?.today ?? 0) + years.value * 12 * (sizes.value[index]?.month ?? 0),
  )
const most = computed(() =>
  Math.max(0.001, ...sizes.value.map((size, index) => Math.max(size.today, atHorizon(index)))),
)
const width = (tb: number) => `${Math.max(tb > 0 ? 0.6 : 0, (tb / most.value) * 100)}%`
function usual(quality: string): string {
  const amount =
    catalogue.qualities.find(candidate => candidate.id === quality)?.bitrateMbps ??
    catalogue.otherQualities.find(candidate => candidate.id === quality)?.amount
  return amount ? `≈ ${number(amount.likely, 3)}` : ''
}
const sized = (holding: Holding) =>
  holding.quality === 'given' ? 'given' : holdingKind(holding.kind).sized
const qualityItems = (kind: HoldingKindId) =>
  qualitiesOfKind(kind, catalogue).map(({ id, label }) => ({ value: id, title: label }))
function qualityLabel(holding: Holding): string {
  return (
    qualitiesOfKind(holding.kind, catalogue).find(({ id }) => id === holding.quality)?.label ??
    'unknown quality'
  )
}
function amount(holding: Holding): string {
  if (sized(holding) === 'given')
    return holding.addedGBPerMonth ? `+${number(holding.addedGBPerMonth)} GB a month` : ''
  const one = sized(holding) === 'each' ? 'photo' : holding.kind === 'music' ? 'album' : 'title'
  const titles = `${number(holding.titles)} ${agreeing(holding.titles, one, `${one}s`)}`
  return holding.addedPerMonth ? `${titles}, +${number(holding.addedPerMonth)} a month` : titles
}
function setKind(index: number): (kind: unknown) => string | null {
  return kind =>
    store.edit(
      `library.holdings.${index}`,
      withKind(holdings.value[index]!, kind as HoldingKindId, catalogue),
    )
}
const path = (index: number, field: string) => `library.holdings.${index}.${field}`
</script>

<template>
  <section :id="fieldElementId('library.holdings')" class="sheet" tabindex="-1">
    <h2>Holdings</h2>
    <p class="soft small">
      The bars show today's size and, lighter, the size in {{ counted(years, 'year') }}. Pick a
      holding to change it.
    </p>
    <p v-if="!holdings.length" class="soft">
      Nothing is entered yet. Add a holding for each kind of title: its quality, how many there are,
      and how many are added in a month.
    </p>
    <PickList
      :entries="holdings"
      path="library.holdings"
      add="Add a holding"
      :name="(holding, index) => holding.name || `Holding ${index + 1}`"
      @add="add"
      @remove="remove"
    >
      <template #line="{ entry: holding, index }">
        <span class="line">
          <strong>{{ holding.name || `Holding ${index + 1}` }}</strong>{{ ' ' }}
          <span class="soft"
            >{{ holdingKind(holding.kind).label }}, {{ qualityLabel(holding) }}</span
          >
          <span class="soft number">{{ amount(holding) }}</span>
        </span>
      </template>
      <template #below="{ entry: holding, index }">
        <div class="bar">
          <span class="grown" :style="{ width: width(atHorizon(index)) }" />
          <span class="today" :style="{ width: width(sizes[index]?.today ?? 0) }" />
          <small>
            <VIcon
              v-if="isIrreplaceable(holding)"
              :icon="mdiShieldAlertOutline"
              size="14"
            /><template v-if="isIrreplaceable(holding)"> irreplaceable · </template>
            <WorkingLink
              :figure="`library.holdings.${index}.contentTB`"
              :name="`Size of ${holding.name || 'this holding'}`"
              >{{ number(sizes[index]?.today ?? 0, 3) }} TB</WorkingLink
            >
            ({{ number(tebibytes(sizes[index]?.today ?? 0), 3) }} TiB)<template
              v-if="sizes[index]?.month"
              >{{ '\u00A0' }}{{ sizes[index]!.month < 0 ? '−' : '+' }}
              {{ number(Math.abs(sizes[index]!.month) * 1000, 3) }} GB a month</template
            ></small
          >
        </div>
      </template>
      <template #default="{ entry: holding, index }">
        <div class="fields">
          <PlanField :path="path(index, 'name')" class="wide" />
          <PlanField :path="path(index, 'kind')" :set="setKind(index)" />
          <PlanField :path="path(index, 'quality')" :items="qualityItems(holding.kind)" />
          <template v-if="sized(holding) === 'given'">
            <PlanField :path="path(index, 'sizeGB')" />
            <PlanField :path="path(index, 'addedGBPerMonth')" />
          </template>
          <template v-else>
            <PlanField
              :path="path(index, 'titles')"
              :label="
                sized(holding) === 'each'
                  ? 'Photos'
                  : holding.kind === 'music'
                    ? 'Albums'
                    : undefined
              "
            />
            <PlanField :path="path(index, 'addedPerMonth')" />
            <PlanField v-if="sized(holding) !== 'each'" :path="path(index, 'minutes')" />
          </template>
          <PlanField
            v-if="sized(holding) === 'video' || sized(holding) === 'sound'"
            :path="path(index, 'bitrateMbps')"
            :placeholder="usual(holding.quality)"
          />
        </div>
        <HoldingDetails :index="index" />
      </template>
    </PickList>
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
.line {
  display: grid;
  grid-template-columns: minmax(100px, 1.4fr) minmax(0, 1.6fr) minmax(0, 1.2fr);
  gap: 2px 14px;
  align-items: center;
}
.line .number {
  text-align: right;
}
.bar {
  position: relative;
  height: 22px;
  margin: 0 8px 6px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 3px;
  overflow: hidden;
}
.bar span {
  position: absolute;
  inset: 0 auto 0 0;
}
.grown {
  background: rgba(var(--v-theme-water), 0.4);
}
.today {
  background: rgb(var(--v-theme-water));
}
.bar small {
  position: absolute;
  right: 8px;
  top: 0;
  font-size: 0.78rem;
  line-height: 22px;
  white-space: nowrap;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 8px;
}
.wide {
  grid-column: span 2;
}
.rest {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 12px 8px;
  margin-top: 14px;
}
@media (max-width: 800px) {
  .line {
    grid-template-columns: 1fr;
    gap: 0;
  }
  .line .number {
    text-align: left;
  }
}
</style>
