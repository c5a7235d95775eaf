<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import { assumptions, noWay, type Flip, type FlipBar } from '~~/core/tiers/sensitivity'
import { joinClauses } from '~~/core/verdictClauses'
import ComparedChoice from '~/components/tiers/ComparedChoice.vue'
import { useCompared } from '~/composables/useCompared'
import { useFormat } from '~/composables/useFormat'
import { useSearch } from '~/composables/useSearch'
import { usePlanStore } from '~/stores/planStore'
import FlipHandle from './FlipHandle.vue'

/** Which assumption changes the answer, and at what value. */
const store = usePlanStore()
const of = useCompared()
const { compared } = of
const { money, quantity, number } = useFormat()
const { progress, running } = useSearch(
  'flips',
  () => compared.value.map(({ id, plan }) => ({ id, plan })),
  250,
)
const bars = computed(() => progress.value?.bars ?? [])
const labelOf = (id: string) =>
  id === noWay ? 'none has room enough' : (compared.value.find(one => one.id === id)?.label ?? id)
const text = (value: number, unit: string) =>
  unit === 'share'
    ? `${number(value * 100, 2)} %`
    : unit === 'money'
      ? money(value)
      : quantity(Number(value.toPrecision(3)), unit)
const after = ({ winner }: Flip) =>
  winner === noWay ? 'none of them has room enough' : `${labelOf(winner)} costs less`
const sentence = computed(() => {
  const [first] = bars.value
  if (!first)
    return running.value
      ? 'Every assumption is swung from one end to the other.'
      : 'Choose two or more to compare.'
  const flips = bars.value
    .flatMap(({ assumption, value, below, above }) =>
      [below, above].flatMap(flip =>
        flip
          ? [
              {
                assumption,
                flip,
                away:
                  Math.abs(flip.value - value) / Math.max(1e-9, assumption.high - assumption.low),
              },
            ]
          : [],
      ),
    )
    .sort((a, b) => a.away - b.away)
  const [nearest] = flips
  return nearest
    ? `${labelOf(first.winner)} costs least. Nearest to a change: ` +
        `${nearest.assumption.label.toLowerCase()}. At ` +
        `${text(nearest.flip.value, nearest.assumption.unit)} ${after(nearest.flip)}.`
    : `${labelOf(first.winner)} costs least, and none of these assumptions changes that ` +
        'within its range.'
})
/** What does not meet its need must not be taken for the winner. */
const leftOut = computed(() =>
  progress.value?.counted.length
    ? compared.value.filter(({ id }) => !progress.value!.counted.includes(id))
    : [],
)
const set = (bar: FlipBar, value: number) => {
  const assumption = assumptions.find(({ id }) => id === bar.assumption.id)
  if (assumption && store.plan)
    store.replace(
      assumption.set(
        store.plan,
        Number(value.toPrecision(6)),
        effectiveCatalogue(store.plan, catalogue),
      ),
      bar.assumption.path,
    )
}
const at = (bar: FlipBar, value: number) =>
  scaleLinear([bar.assumption.low, bar.assumption.high], [0, 100])(value)
</script>

<template>
  <section class="sheet">
    <ComparedChoice :of="of" />
    <p class="sentence" data-flip-sentence>
      {{ sentence }}
    </p>
    <p v-if="leftOut.length" data-left-out>
      {{ joinClauses(leftOut.map(({ label }) => label)) }}
      {{
        leftOut.length === 1
          ? 'does not meet its whole need, so it wins'
          : 'do not meet their whole need, so they win'
      }}
      nowhere here.
    </p>
    <div class="bars">
      <div v-for="bar in bars" :key="bar.assumption.id" class="bar" :data-flip="bar.assumption.id">
        <div class="head">
          <strong>{{ bar.assumption.label }}</strong>{{ ' ' }}
          <span class="soft">{{ text(bar.value, bar.assumption.unit) }}</span>
        </div>
        <div class="track">
          <span
            v-if="bar.below"
            class="other"
            :style="{ left: 0, width: `${at(bar, bar.below.value)}%` }"
          />
          <span
            v-if="bar.above"
            class="other"
            :style="{ left: `${at(bar, bar.above.value)}%`, right: 0 }"
          />
          <FlipHandle
            :label="bar.assumption.label"
            :value="bar.value"
            :low="bar.assumption.low"
            :high="bar.assumption.high"
            :whole="bar.assumption.unit === 'years'"
            :text="text(bar.value, bar.assumption.unit)"
            @set="value => set(bar, value)"
          />
        </div>
        <div class="ends soft">
          <span>{{
            bar.below
              ? `below ${text(bar.below.value, bar.assumption.unit)}: ${labelOf(bar.below.winner)}`
              : text(bar.assumption.low, bar.assumption.unit)
          }}</span>
          <span>{{
            bar.above
              ? `from ${text(bar.above.value, bar.assumption.unit)}: ${labelOf(bar.above.winner)}`
              : text(bar.assumption.high, bar.assumption.unit)
          }}</span>
        </div>
      </div>
    </div>
    <p class="soft small">
      In the plain part of a bar the same one stays the cheapest over the years; in the hatched part
      another does, or what is kept has outgrown its drives. Drag a mark, or use the arrow keys, to
      set the value in this plan.
    </p>
  </section>
</template>

<style scoped>
.sentence {
  font-size: 1.08rem;
  margin: 14px 0;
}
.bars {
  display: grid;
  gap: 18px;
  margin-top: 16px;
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.track {
  position: relative;
  height: 26px;
  background: rgba(var(--v-theme-water), 0.5);
  border-radius: 3px;
}
.other {
  position: absolute;
  top: 0;
  bottom: 0;
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-state-tight), 0.55) 0 6px,
    rgba(var(--v-theme-state-tight), 0.2) 6px 12px
  );
  border-radius: 3px;
}
.ends {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  font-size: 0.84rem;
}
.ends span:last-child {
  text-align: right;
}
</style>
