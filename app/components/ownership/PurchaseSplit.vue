<script setup lang="ts">
import { computed } from 'vue'
import FigureValue from '~/components/common/FigureValue.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** What is paid now by part, and the socket over the years, on one scale with the budget. */
const store = usePlanStore()
const { money } = useFormat()
const plan = computed(() => store.plan)
const years = computed(() => plan.value?.choices.horizonYears ?? 5)
const perYear = computed(() => store.assessment?.figures['ownership.electricityPerYear']?.value ?? 0)
const costs = computed(() => store.assessment?.domains.ownership)
const parts = computed(() => costs.value && plan.value
  ? [
      { id: 'box', label: 'Machine', price: costs.value.machineToPay },
      { id: 'drives', label: 'Drives', price: costs.value.drivesToPay },
      { id: 'extras', label: 'Extras', price: plan.value.costs.extras },
    ]
  : [])
const now = computed(() => parts.value.reduce((sum, part) => sum + part.price, 0))
const socket = computed(() => perYear.value * years.value)
const budget = computed(() => plan.value?.brief.budget ?? null)
const most = computed(() => Math.max(1, now.value, socket.value, budget.value ?? 0))
const percent = (value: number) => `${value / most.value * 100}%`
</script>

<template>
  <section class="sheet">
    <h2>Purchase and electricity</h2>
    <div class="line">
      <span class="label">To pay now</span>
      <div class="track">
        <span
          v-for="part in parts"
          :key="part.id"
          class="part"
          :class="part.id"
          :style="{ width: percent(part.price) }"
          :title="`${part.label}: ${money(part.price)}`"
        >{{ part.price / most > 0.12 ? part.label : '' }}</span>
        <span
          v-if="budget !== null"
          class="budget"
          :style="{ left: percent(budget) }"
        ><small>budget</small></span>
      </div>
      <FigureValue
        id="ownership.purchase"
        bare
        class="sum"
      />
    </div>
    <div class="line">
      <span class="label">Electricity, {{ years }} years</span>
      <div class="track">
        <span
          v-for="year in years"
          :key="year"
          class="part year"
          :style="{ width: percent(perYear) }"
          :title="`Year ${year}: ${money(perYear)}`"
        />
      </div>
      <FigureValue
        id="ownership.electricityAtHorizon"
        bare
        class="sum"
      />
    </div>
    <p class="soft small">
      Electricity at today's price, every year alike. Replacements, licences and a copy away are not in these figures.
    </p>
  </section>
</template>

<style scoped>
.line { display: grid; grid-template-columns: 120px 1fr 90px; gap: 12px; align-items: center; margin: 18px 0; }
.label { color: rgb(var(--v-theme-ink-soft)); font-size: 0.88rem; }
.sum { align-items: flex-end; }
.track { position: relative; display: flex; height: 30px; background: rgb(var(--v-theme-surface-light)); border-radius: 3px; }
.part { display: flex; align-items: center; justify-content: center; overflow: hidden; font-size: 0.78rem; border-right: 1px solid rgb(var(--v-theme-surface)); box-sizing: border-box; }
.box { background: rgb(var(--v-theme-wall)); color: rgb(var(--v-theme-surface)); }
.drives { background: rgb(var(--v-theme-water)); color: rgb(var(--v-theme-on-surface)); }
.extras { background: rgb(var(--v-theme-hairline)); }
.year { background: rgba(var(--v-theme-water-line), 0.6); }
.budget { position: absolute; top: -6px; bottom: -6px; width: 0; border-left: 2.5px dashed rgb(var(--v-theme-primary)); }
.budget small { position: absolute; top: -14px; right: 4px; color: rgb(var(--v-theme-primary)); font-weight: 600; }
@media (max-width: 600px) {
  .line { grid-template-columns: 1fr auto; row-gap: 22px; }
  .track { grid-column: 1 / -1; grid-row: 2; }
}
</style>
