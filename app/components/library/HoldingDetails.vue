<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { holdingKind } from '~~/core/catalogue/holdingKinds'
import { qualityCosts } from '~~/core/drives/qualityCosts'
import { tebibytes } from '~~/core/units/dataSize'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useHousehold } from '~/composables/useHousehold'
import { usePoolChoices } from '~/composables/usePoolChoices'
import { usePlanStore } from '~/stores/planStore'

/**
 * The rest of a holding: how it changes, what its titles are made of, and what keeping them in
 * another quality would come to.
 */
const props = defineProps<{ index: number }>()
const store = usePlanStore()
const { money, number } = useFormat()
const { deviceItems } = useHousehold()
const holding = computed(() => store.plan?.library.holdings[props.index])
const isVideo = computed(
  () =>
    holding.value !== undefined &&
    holding.value.quality !== 'given' &&
    holdingKind(holding.value.kind).sized === 'video',
)
/** How the bitrates of its titles are known. */
const quarters = computed(() => {
  const { bitrateMbps, bitrateQuarters } = holding.value ?? {}
  if (bitrateMbps === null || bitrateMbps === undefined) return ''
  return bitrateQuarters
    ? `By quarters of its minutes: ${bitrateQuarters.map(mbps => number(mbps, 3)).join(', ')} Mb/s.`
    : 'One bitrate stands for all its titles. A scan of the files tells them by quarters.'
})
const path = (field: string) => `library.holdings.${props.index}.${field}`
const choices = usePoolChoices()
const costs = computed(() => {
  const { plan, assessment } = store
  if (!plan || !assessment || !choices.value) return []
  const { library, drives } = assessment.domains
  return qualityCosts(plan, props.index, {
    catalogue,
    choices: choices.value,
    allMayBeLost: library.allMayBeLost,
    copyMarks: library.copyMarks,
    lineKeepsUp: drives.lineKeepsUp,
  })
})
const years = computed(() => store.plan?.choices.horizonYears ?? 5)

const signed = (value: number, unit: string) =>
  `${value < 0 ? '−' : '+'}${number(Math.abs(value), 3)}\u00A0${unit}`
function drivesText(drives: number | null): string {
  if (drives === null) return 'more drives than a plan holds'
  return drives === 0
    ? 'no extra drive'
    : `${drives < 0 ? '−' : '+'}${Math.abs(drives)} ${Math.abs(drives) === 1 ? 'drive' : 'drives'}`
}
function tryOn(quality: string | null): void {
  const { plan } = store
  store.tried =
    plan && quality && holding.value && quality !== holding.value.quality
      ? {
          ...plan,
          library: {
            ...plan.library,
            holdings: plan.library.holdings.with(props.index, {
              ...holding.value,
              quality: quality as never,
              bitrateMbps: null,
            }),
          },
        }
      : null
}
function take(quality: string): void {
  store.tried = null
  if (holding.value)
    store.edit(`library.holdings.${props.index}`, { ...holding.value, quality, bitrateMbps: null })
}
</script>

<template>
  <div v-if="holding" class="details">
    <div class="fields">
      <PlanField :path="path('loss')" />
      <PlanField :path="path('mayBeLost')" />
      <PlanField v-if="holding.quality !== 'given'" :path="path('removedPerMonth')" />
      <PlanField :path="path('changePerYear')" placeholder="as the library" />
      <PlanField :path="path('growthPerYear')" />
      <PlanField
        v-if="holding.quality !== 'given'"
        :path="path('sizeGB')"
        placeholder="worked out"
      />
      <PlanField
        v-if="holding.quality !== 'given'"
        :path="path('addedGBPerMonth')"
        label="Added a month by size"
      />
      <template v-if="isVideo">
        <PlanField :path="path('container')" />
        <PlanField :path="path('sound')" />
        <PlanField :path="path('channels')" placeholder="as usual" />
        <PlanField :path="path('subtitles')" />
        <PlanField :path="path('framesPerSecond')" placeholder="as usual" />
        <p v-if="quarters" class="soft small" data-quarters>{{ quarters }}</p>
        <PlanField :path="path('interlaced')" />
        <PlanField :path="path('smallCopies')" />
        <PlanField :path="path('copies')" />
        <PlanField :path="path('pool')" />
        <PlanField v-if="deviceItems.length" :path="path('notOfferedTo')" :items="deviceItems" />
      </template>
    </div>
    <div v-if="costs.length" class="costs">
      <h3>In another quality</h3>
      <p class="soft small">
        Each row compares with the quality kept now, in drives of the plan's largest size, with
        their price and electricity over {{ counted(years, 'year') }}. Hover or focus to preview.
      </p>
      <table class="data-table" @pointerleave="tryOn(null)">
        <thead>
          <tr>
            <th scope="col">Quality</th>
            <th scope="col" class="number">In {{ counted(years, 'year') }}</th>
            <th scope="col" class="number">Money</th>
            <th scope="col">
              <span class="visually-hidden">Apply</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="cost in costs"
            :key="cost.quality"
            :class="{ now: cost.quality === holding.quality }"
            :data-quality="cost.quality"
            @pointerenter="tryOn(cost.quality)"
            @focusin="tryOn(cost.quality)"
            @focusout="tryOn(null)"
          >
            <td>{{ cost.label }}</td>
            <template v-if="cost.quality === holding.quality">
              <td class="soft" colspan="3">kept now</td>
            </template>
            <template v-else>
              <td class="number">
                {{ signed(cost.horizonTB, 'TB') }}
                <small class="soft"
                  >{{
                    signed(Math.sign(cost.horizonTB) * tebibytes(Math.abs(cost.horizonTB)), 'TiB')
                  }}, {{ drivesText(cost.drives) }}</small
                >
              </td>
              <td class="number">
                {{
                  cost.money === null
                    ? '–'
                    : cost.money === 0
                      ? '–'
                      : `${cost.money < 0 ? '−' : '+'}${money(Math.abs(cost.money))}`
                }}
              </td>
              <td>
                <button
                  type="button"
                  class="plain-button link"
                  :aria-label="`Apply ${cost.label}`"
                  @click="take(cost.quality)"
                >
                  Apply
                </button>
              </td>
            </template>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.details {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 8px;
}
.data-table {
  font-size: 0.84rem;
}
.data-table td small {
  display: block;
}
.costs {
  overflow-x: auto;
}
tbody tr:hover,
tbody tr:focus-within {
  background: rgb(var(--v-theme-surface-light));
}
.now td {
  font-weight: 600;
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  min-height: 24px;
  white-space: nowrap;
}
</style>
