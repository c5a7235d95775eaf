<script setup lang="ts">
import { isInCupboard, mayVent } from '~~/core/machine/place/standsIn'
import { computed } from 'vue'
import { maxDriveC, warmDriveC } from '~~/core/machine/place/heat'
import { swapMinutes } from '~~/core/machine/place/reach'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'
import { usePlanStore } from '~/stores/planStore'

/** How loud it is where somebody sits, how warm its drives get, and how a drive is got at. */
const store = usePlanStore()
const { assembly } = useMachineParts()
const { quantity, number } = useFormat()
const names = {
  drives: 'Drives, seeking',
  fans: 'Fan',
  supply: 'Power supply',
  cooler: 'Cooler',
  enclosure: 'Enclosure',
} as const
const noise = computed(() => assembly.value?.noise ?? null)
const heat = computed(() => assembly.value?.heat ?? null)
const inCupboard = computed(() => store.plan !== null && isInCupboard(store.plan.brief))
const most = computed(() =>
  Math.max(50, ...(noise.value?.sources ?? []).map(({ db }) => db), noise.value?.sumDb ?? 0),
)
const at = (db: number) => `${Math.max(0, Math.min(100, (db / most.value) * 100))}%`
const rows = computed(() =>
  (noise.value?.sources ?? []).map(({ what, count, db }, index) => ({
    key: index,
    label: `${count > 1 ? `${count} × ` : ''}${names[what]}`,
    db,
  })),
)
const sentence = computed(() => {
  if (!noise.value || !assembly.value?.housing)
    return 'Choose the case under Map, to see how loud the machine is.'
  const { atEarDb, ceilingDb } = noise.value
  const quiet = atEarDb <= ceilingDb
  return (
    `${number(Math.round(atEarDb))} dB(A) arrive at the ear while the drives seek; ` +
    `${number(ceilingDb)} are the most for that ` +
    `room${quiet ? '' : ', so it is too loud there'}.`
  )
})
const warm = computed(() => {
  if (!heat.value || (assembly.value?.drives.count ?? 0) === 0) return ''
  const { warmestC } = heat.value
  return (
    'On the warmest day the drives reach ' +
    `${quantity(warmestC, '°C')}${warmestC > maxDriveC ? ', more than any drive is made for' : warmestC > warmDriveC ? ', where they fail more often' : ''}.`
  )
})
const lowC = 10
const highC = 70
const atC = (celsius: number) =>
  `${Math.max(0, Math.min(100, ((celsius - lowC) / (highC - lowC)) * 100))}%`
const steps = computed(() =>
  heat.value && store.plan
    ? [
        { label: 'Room, warmest', from: lowC, to: store.plan.brief.roomHighC },
        ...(heat.value.riseK > 0
          ? [
              {
                label: 'The closed cupboard',
                from: store.plan.brief.roomHighC,
                to: store.plan.brief.roomHighC + heat.value.riseK,
              },
            ]
          : []),
        {
          label: 'At the drives',
          from: store.plan.brief.roomHighC + heat.value.riseK,
          to: heat.value.warmestC,
        },
      ]
    : [],
)
const swaps = computed(() =>
  assembly.value?.housing
    ? swapMinutes(assembly.value.housing, Math.max(assembly.value.drives.spinning, 0))
    : [],
)
const proposesWarm = computed(
  () =>
    (heat.value?.warmestC ?? 0) > warmDriveC &&
    (assembly.value?.drives.count ?? 0) > 0 &&
    store.plan?.drives.above45C === false,
)
</script>

<template>
  <div class="columns">
    <div class="side">
      <ChartFrame
        title="Noise"
        :columns="['Source', 'Sound']"
        :rows="rows.map(({ label, db }) => [label, quantity(db, 'dB(A)')])"
      >
        <template #default>
          <p class="sentence">
            {{ sentence }}
          </p>
          <ul class="bars">
            <li v-for="row in rows" :key="row.key">
              <span>{{ row.label }}</span><span class="track"
                ><span class="fill" :style="{ width: at(row.db) }" /></span
              ><span class="number">{{ number(row.db, 3) }}</span>
            </li>
            <li v-if="noise?.sumDb">
              <strong>Together</strong
              ><span class="track"><span class="fill" :style="{ width: at(noise.sumDb) }" /></span
              ><strong class="number">{{ number(noise.sumDb, 3) }}</strong>
            </li>
            <li v-if="noise?.sumDb">
              <strong
                >At the ear, {{ quantity(store.plan?.brief.earDistanceM ?? 0, 'm') }} away</strong
              ><span class="track"
                ><span
                  class="fill"
                  :class="{ loud: noise.atEarDb > noise.ceilingDb }"
                  :style="{ width: at(noise.atEarDb) }"
                /><span
                  class="limit"
                  :class="{ leftward: noise.ceilingDb > most * 0.7 }"
                  :style="{ left: at(noise.ceilingDb) }"
                  ><small>{{ number(noise.ceilingDb) }} at most</small></span
                ></span
              ><strong class="number">{{ number(noise.atEarDb, 3) }}</strong>
            </li>
          </ul>
        </template>
      </ChartFrame>
      <ChartFrame
        title="Temperature of the drives on the warmest day"
        :columns="['Step', 'To']"
        :rows="steps.map(({ label, to }) => [label, quantity(to, '°C')])"
      >
        <template #default>
          <p class="sentence">
            {{ warm || 'There are no drives yet.' }}
          </p>
          <ul class="bars">
            <li v-for="step in steps" :key="step.label">
              <span>{{ step.label }}</span>
              <span class="track"
                ><span
                  class="fill"
                  :style="{
                    left: atC(step.from),
                    width: `calc(${atC(step.to)} - ${atC(step.from)})`,
                  }"
                /><span class="limit" :style="{ left: atC(warmDriveC) }"
                  ><small>{{ warmDriveC }} °C</small></span
                ></span
              >
              <span class="number">{{ quantity(step.to, '°C') }}</span>
            </li>
          </ul>
          <p v-if="proposesWarm" class="proposal no-print">
            Over {{ warmDriveC }} °C drives fail about half as often again.
            <VBtn
              size="small"
              variant="outlined"
              color="primary"
              @click="store.edit('drives.above45C', true)"
            >
              Count it in the risk
            </VBtn>
          </p>
        </template>
      </ChartFrame>
    </div>
    <section class="sheet side">
      <div class="figures">
        <FigureValue id="machine.noiseDb" />
        <FigureValue id="machine.warmestDriveC" />
        <FigureValue id="machine.processorC" />
      </div>
      <div class="fields">
        <PlanField path="brief.place" />
        <PlanField v-if="inCupboard" path="brief.opensTo" />
        <PlanField path="brief.earDistanceM" />
        <PlanField path="brief.roomLowC" />
        <PlanField path="brief.roomHighC" />
        <PlanField v-if="inCupboard" path="brief.cupboardM2" />
      </div>
      <PlanField v-if="inCupboard" path="brief.cupboardVented" />
      <PlanField v-if="mayVent(store.plan?.brief)" path="brief.ventsMayBeMade" />
      <div class="fields">
        <PlanField path="brief.shelfWidthMm" />
        <PlanField path="brief.shelfHeightMm" />
        <PlanField path="brief.shelfDepthMm" />
      </div>
      <PlanField path="brief.damp" />
      <PlanField path="brief.dusty" />
      <h2>Reach of the drives</h2>
      <p v-if="swaps.length === 0">
        {{ assembly?.housing ? 'No drives are in yet.' : 'The case is not known.' }}
      </p>
      <p v-else>
        {{
          swaps.every(minutes => minutes === swaps[0])
            ? `Each drive is swapped in about ${quantity(swaps[0]!, 'min')}`
            : `Drives are swapped in ${quantity(Math.min(...swaps), 'min')} to ${quantity(Math.max(...swaps), 'min')}`
        }}{{
          assembly?.housing?.bayLights
            ? '; a lamp shows which one failed.'
            : '; no lamp shows which one failed, so label each with serial number and bay.'
        }}
      </p>
      <p class="soft small">
        Let it breathe: not on a shelf with fabrics, not in a sealed or damp cupboard, its fan free.
        All watts warm the room. Keep small children away from the fans.
      </p>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.6fr) minmax(260px, 1fr);
}
.sentence {
  font-size: 1.02rem;
  margin-bottom: 12px;
}
.figures,
.fields {
  --least: 130px;
}
.bars {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 9px;
}
.bars li {
  display: grid;
  grid-template-columns: minmax(110px, 0.8fr) minmax(0, 2fr) 58px;
  gap: 10px;
  align-items: center;
}
.track {
  position: relative;
  height: 18px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 3px;
}
.fill {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 0;
  background: rgb(var(--v-theme-water));
  border-radius: 3px;
}
.fill.loud {
  background:
    repeating-linear-gradient(
      45deg,
      rgb(var(--v-theme-state-impossible)) 0 3px,
      transparent 3px 6px
    ),
    rgba(var(--v-theme-water), 0.5);
}
.limit {
  position: absolute;
  top: -5px;
  bottom: -5px;
  width: 4px;
  background: rgb(var(--v-theme-wall));
}
.limit small {
  position: absolute;
  left: 8px;
  top: 5px;
  white-space: nowrap;
  font-size: 12px;
  background: rgba(var(--v-theme-surface), 0.8);
}
.limit.leftward small {
  left: auto;
  right: 8px;
}
.proposal {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin-top: 12px;
}
</style>
