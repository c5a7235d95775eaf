<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { withProcessor } from '~~/core/machine/partChanges'
import type { Plan } from '~~/core/plan/planSchema'
import type { ProcessorComparison } from '~~/core/tiers/compareProcessors'
import StateMark from '~/components/common/StateMark.vue'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * Every processor of the catalogue in this box, weakest first, against the ask; under the pointer
 * tried, pressed taken.
 */
const store = usePlanStore()
const { money, number } = useFormat()
const { result, working } = useBackground(
  'compare',
  () => store.plan,
  (work, plan) => work.processors(plan),
  300,
)
const all = ref(false)
const sufficient = computed(() =>
  (result.value ?? []).findIndex(row => row.state === 'enough' || row.state === 'ample'),
)
/** The catalogue's processor that is in the plan. */
const chosen = computed(() => store.assessment?.domains.machine.build.processor ?? null)
/** The neighbourhood of the smallest class that is enough, and the one in the plan. */
const rows = computed(() => {
  const list = result.value ?? []
  if (all.value || list.length <= 12) return list
  const middle = sufficient.value < 0 ? list.length - 1 : sufficient.value
  return list.filter(
    (row, at) =>
      Math.abs(at - middle) <= 4 || row.processor.id === chosen.value?.id || at % 8 === 0,
  )
})
// One scale for all that is drawn; what an engine does would dwarf the rest, so the scale bends.
const most = computed(() =>
  Math.max(4, ...rows.value.map(row => row.possible?.high ?? 0), rows.value[0]?.asked ?? 0),
)
const at = (value: number) => `${Math.sqrt(Math.min(1, value / most.value)) * 100}%`
const engineLabel = (id: string) =>
  catalogue.videoEngines.find(engine => engine.id === id)?.label ?? 'no engine'
/** A pair that score and engine rank differently: the general score does not see the engine. */
const inversion = computed(() => {
  const list = result.value ?? []
  for (const better of list) {
    const worse = list.find(
      row =>
        row.processor.score > 1.5 * better.processor.score &&
        (row.possible?.likely ?? 0) < 0.7 * (better.possible?.likely ?? 0),
    )
    if (worse) return { better, worse }
  }
  return null
})

const withThis = (plan: Plan, { processor }: ProcessorComparison): Plan => ({
  ...plan,
  machine: withProcessor(plan.machine, processor, catalogue),
})
function tryOn(row: ProcessorComparison | null): void {
  store.tried = row && store.plan ? withThis(store.plan, row) : null
}
function take(row: ProcessorComparison): void {
  tryOn(null)
  if (store.plan) store.replace(withThis(store.plan, row))
}
onBeforeUnmount(() => tryOn(null))
</script>

<template>
  <section class="sheet" :aria-busy="working" data-processors>
    <h2>The smallest processor that is enough</h2>
    <p class="soft small">
      Invented models of generic classes in this machine, with their built-in engines and your
      cards, each through the same assessment. The mark shows what is needed.
      <template v-if="chosen"> In the plan: {{ chosen.name }}. </template>
      <template v-if="inversion">
        The score leaves out the video engine: {{ inversion.better.processor.name }} ({{
          number(inversion.better.processor.score, 3)
        }}
        points) converts more than {{ inversion.worse.processor.name }} ({{
          number(inversion.worse.processor.score, 3)
        }}).
      </template>
      <span v-if="working" role="status">Calculating …</span>
    </p>
    <div class="rows" @pointerleave="tryOn(null)">
      <button
        v-for="row in rows"
        :key="row.processor.id"
        type="button"
        class="plain-button row"
        :class="{
          now: row.processor.id === chosen?.id,
          first: result && row === result[sufficient],
        }"
        :data-processor="row.processor.id"
        :title="row.processor.notes"
        :aria-label="`${row.processor.name}, ${row.processor.class}: ${row.possible ? `${row.possible.low} to ${row.possible.high}` : 'unknown'} conversions, ${row.asked} needed. Apply`"
        @pointerenter="tryOn(row)"
        @focus="tryOn(row)"
        @blur="tryOn(null)"
        @click="take(row)"
      >
        <span class="name"
          ><strong>{{ row.processor.name }}</strong
          >{{ ' ' }}
          <span class="soft">{{ row.processor.class }}, {{ row.processor.year }}</span></span
        >
        <span class="track">
          <template v-if="row.possible">
            <i class="sure" :style="{ width: at(row.possible.low) }" /><i
              class="unsure"
              :style="{
                left: at(row.possible.low),
                width: `calc(${at(row.possible.high)} - ${at(row.possible.low)})`,
              }"
            /><i class="likely" :style="{ left: at(row.possible.likely) }" />
          </template>
          <i class="asked" :style="{ left: at(row.asked) }" />
        </span>
        <span class="number">{{
          row.possible
            ? row.possible.low === row.possible.high
              ? row.possible.likely
              : `${row.possible.low}–${row.possible.high}`
            : '–'
        }}</span>
        <StateMark :state="row.state" small />
        <span class="soft facts"
          >{{ engineLabel(row.processor.engine) }} · {{ row.processor.maxW }} W ·
          {{ money(row.processor.price)
          }}<template v-if="row.minutesShort">
            ·
            {{ row.minutesShort.likely < 0.1 ? 'under 0.1' : number(row.minutesShort.likely, 2) }}
            min short</template
          ></span
        >
      </button>
    </div>
    <button
      v-if="(result?.length ?? 0) > 12"
      type="button"
      class="plain-button more small"
      @click="all = !all"
    >
      {{ all ? 'Show those close to enough' : `All ${result!.length} of the catalogue` }}
    </button>
  </section>
</template>

<style scoped>
.rows {
  display: flex;
  flex-direction: column;
  margin-top: 6px;
}
.row {
  display: grid;
  grid-template-columns: minmax(170px, 1.1fr) minmax(120px, 1.5fr) 52px 78px minmax(200px, 1.4fr);
  gap: 10px;
  align-items: center;
  padding: 5px 6px;
  border-bottom: 1px solid rgba(var(--v-theme-hairline), 0.6);
  font-size: 0.86rem;
  min-height: 34px;
}
.row:hover,
.row:focus-visible {
  background: rgb(var(--v-theme-surface-light));
}
.row:focus-visible {
  outline-offset: -2px;
}
.now {
  box-shadow: inset 3px 0 rgb(var(--v-theme-primary));
}
.first .name strong {
  text-decoration: underline solid rgb(var(--v-theme-primary)) 2px;
  text-underline-offset: 3px;
}
.track {
  position: relative;
  height: 14px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 2px;
}
.track i {
  position: absolute;
  top: 0;
  bottom: 0;
}
.sure {
  left: 0;
  background: rgb(var(--v-theme-wall));
  border-radius: 2px 0 0 2px;
}
.unsure {
  background: repeating-linear-gradient(
    45deg,
    rgb(var(--v-theme-wall)) 0 1.5px,
    transparent 1.5px 5px
  );
  border: 1px solid rgb(var(--v-theme-wall));
  border-left: 0;
}
.likely {
  width: 3px;
  margin-left: -1px;
  background: rgb(var(--v-theme-primary));
}
.track .asked {
  top: -5px;
  bottom: -5px;
  width: 2px;
  background: rgb(var(--v-theme-water-line));
}
.number {
  text-align: right;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
.facts {
  font-size: 0.8rem;
}
.more {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  min-height: 26px;
  margin-top: 6px;
}
@media (max-width: 900px) {
  .row {
    grid-template-columns: 1fr 52px 78px;
  }
  .track,
  .facts {
    grid-column: 1 / -1;
  }
}
</style>
