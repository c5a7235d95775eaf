<script setup lang="ts">
import { computed } from 'vue'
import { newPart, withoutKind } from '~~/core/machine/partChanges'
import { upsRows } from '~~/core/machine/power/upsChoice'
import { ratedUps, routerW, upsNeed, type RatedUps } from '~~/core/machine/power/upsSize'
import type { Plan } from '~~/core/plan/planSchema'
import FigureValue from '~/components/common/FigureValue.vue'
import PlanField from '~/components/common/PlanField.vue'
import ProposalTable from '~/components/common/ProposalTable.vue'
import { useFormat } from '~/composables/useFormat'
import { useHoursByHabits } from '~/composables/useHoursByHabits'
import { useMachineParts } from '~/composables/useMachineParts'
import { usePlanStore } from '~/stores/planStore'
import PowerDay from './PowerDay.vue'

/** What it draws, what that costs by tariff, and what holds it when the power fails. */
const store = usePlanStore()
const { lists } = useMachineParts()
const { money, quantity, number } = useFormat()
const loadW = computed(() => store.assessment?.domains.machine.watts.converting.likely ?? 0)
const isOff = computed(() => (store.plan?.choices.offHoursPerDay ?? 0) > 0)
const need = computed(() => upsNeed(loadW.value))
const rows = computed(() =>
  upsRows(ratedUps(lists.value.hardware), loadW.value, store.plan?.costs.upsMinutes ?? 10),
)
const byHabits = useHoursByHabits()
const inPlan = computed(() => new Set(store.plan?.machine.parts.map(({ ref }) => ref)))
const best = computed(
  () => rows.value.find(({ strongEnough, longEnough }) => strongEnough && longEnough) ?? null,
)
const columns = [
  { id: 'unit', label: 'UPS' },
  { id: 'rating', label: 'Rating', isNumber: true },
  { id: 'holds', label: 'Holds', isNumber: true },
  { id: 'price', label: 'Price', isNumber: true },
]
function planWith({ unit }: { readonly unit: RatedUps }): Plan | null {
  const { plan } = store
  if (!plan) return null
  const others = withoutKind(plan.machine, 'ups', lists.value)
  return {
    ...plan,
    machine: { ...plan.machine, parts: [...others, newPart(unit.id)] },
  }
}
</script>

<template>
  <div class="columns">
    <div>
      <PowerDay />
      <section class="sheet ups">
        <h2>A UPS for it</h2>
        <p class="sentence">
          {{
            best
              ? `${best.unit.label} holds machine and router for ${quantity(Math.floor(best.minutes), 'min')}, at ${money(best.unit.price)}.`
              : 'No UPS of the catalogue holds it that long.'
          }}
          It needs {{ quantity(need.ratingW, 'W') }} and {{ number(need.ratingVA, 3) }} VA:
          {{ quantity(loadW, 'W') }} while converting, and {{ quantity(routerW, 'W') }} for the
          router.
        </p>
        <ProposalTable
          label="UPS units compared"
          mark="ups"
          :columns="columns"
          :rows="rows"
          :key-of="row => row.unit.id"
          :name-of="row => row.unit.label"
          :plan-of="planWith"
          :is-in="row => inPlan.has(row.unit.id)"
          :is-out="row => !row.strongEnough || !row.longEnough"
        >
          <template #unit="{ row }">
            {{ row.unit.label }}
            <small class="soft"
              >{{ row.unit.battery === 'lead' ? 'lead' : 'lithium'
              }}{{ !row.strongEnough ? ', too weak' : !row.longEnough ? ', too short' : '' }}</small
            >
          </template>
          <template #rating="{ row }">
            {{ number(row.unit.ratingVA) }} VA, {{ quantity(row.unit.ratingW, 'W') }}
          </template>
          <template #holds="{ row }">
            {{ quantity(Number(row.minutes.toFixed(row.minutes < 10 ? 1 : 0)), 'min') }}
          </template>
          <template #price="{ row }">
            {{ money(row.unit.price) }}
          </template>
        </ProposalTable>
        <p class="soft small">
          Minutes are for an aged battery, behind the losses of the inverter. Test it once a year by
          pulling its plug, with everything saved. A lead battery lasts about four years.
        </p>
      </section>
    </div>
    <section class="sheet side">
      <div class="figures">
        <FigureValue id="machine.idleW" />
        <FigureValue id="machine.watchingW" />
        <FigureValue id="machine.loadW" />
        <FigureValue id="ownership.kWhPerYear" />
        <FigureValue id="ownership.electricityPerYear" />
        <FigureValue id="ownership.horizonElectricity" />
      </div>
      <div class="fields">
        <PlanField path="costs.pricePerKWh" />
        <PlanField path="costs.electricityRisePerYear" />
        <PlanField path="costs.nightPricePerKWh" placeholder="one rate" />
        <PlanField path="costs.nightShare" />
        <PlanField path="costs.solarShare" />
        <PlanField path="costs.solarPricePerKWh" />
        <PlanField path="choices.convertingHoursPerDay" :placeholder="byHabits.converting" />
        <PlanField path="choices.watchingHoursPerDay" :placeholder="byHabits.watching" />
        <PlanField path="choices.asleepHoursPerDay" />
        <PlanField path="choices.offHoursPerDay" />
        <PlanField v-if="isOff" path="choices.offFrom" />
        <PlanField path="costs.upsMinutes" />
      </div>
      <template v-if="isOff">
        <PlanField path="choices.wakesOnCall" />
        <FigureValue id="night.cutHours" inline />
      </template>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.7fr) minmax(260px, 1fr);
}
.ups {
  margin-top: 16px;
}
.sentence {
  font-size: 1.02rem;
  margin: 6px 0 10px;
}
.figures,
.fields {
  --least: 130px;
  margin-bottom: 12px;
}
</style>
