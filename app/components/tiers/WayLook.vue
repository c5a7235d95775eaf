<script setup lang="ts">
import { computed } from 'vue'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import { estimateOf, type Figure } from '~~/core/figure'
import ToldFigures from '~/components/common/ToldFigures.vue'
import { pageLocale } from '~/services/pageLocale'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import type { useWays } from '~/composables/useWays'
import { makesVents, ventsText, withBuild } from '~/composables/withBuild'
import { usePlanStore } from '~/stores/planStore'

/**
 * A build looked at by itself, each figure with its working: what it gives, what binds it next,
 * what is found of it; what a bay, a port and a TB cost; of an appliance, what it costs beyond the
 * cheapest other, and what that buys.
 */
const props = defineProps<{ build: WayBuild; ways: ReturnType<typeof useWays> }>()
const store = usePlanStore()
const { best } = props.ways
const { money, quantity, range } = useFormat()
const other = computed(() =>
  props.build.way === 'appliance'
    ? (best.value.find(
        ({ way, second }) => way !== 'appliance' && way !== 'stay' && second === null,
      ) ?? null)
    : null,
)
const { result } = useBackground(
  'compare',
  () =>
    store.plan && {
      plan: withBuild(store.plan, props.build),
      other: other.value && withBuild(store.plan, other.value),
    },
  (work, asked) => work.worth(asked.plan, asked.other, pageLocale()),
)
const look = computed(() => result.value?.look ?? null)
const variant = computed(
  () =>
    store.plan && { plan: withBuild(store.plan, props.build), label: `With ${props.build.label}` },
)
/** A value with its range, where it has one. */
function write(figure: Figure): string {
  const { value, unit } = figure
  if (value === null) return '–'
  const { low, high } = estimateOf(figure)!
  return low === high
    ? quantity(value, unit)
    : `${quantity(value, unit)} (${range({ low, high }, unit)})`
}
const prices = computed(() => result.value?.prices ?? null)
const text = computed(() => {
  const premium = result.value?.premium
  if (!premium || !other.value) return ''
  const beside = `Beside ${other.value.label}`
  if (premium.now <= 0) return `${beside} it has no premium: it costs no more.`
  const hours =
    premium.hoursSaved > 0
      ? ` It spares you about ${quantity(Math.round(premium.hoursSaved), 'h')}`
      : ''
  const even =
    premium.evenPerHour === null
      ? premium.overYears <= 0
        ? ', and over the years it costs no more.'
        : '.'
      : `: worth it from ${money(premium.evenPerHour)} an hour on.`
  return (
    `${beside} its premium is ${money(premium.now)}, ${money(premium.perMonth)} for each ` +
    `month that it is to serve. That buys its maker's system with updates, lights at the ` +
    `bays, and one warranty.${hours ? `${hours}${even}` : ''}`
  )
})
</script>

<template>
  <ToldFigures
    v-if="look && build.second === null"
    :figures="look.figures"
    :variant="variant"
    :write="write"
    data-build-figures
  />
  <dl v-if="prices && build.second === null" class="prices" data-unit-prices>
    <template v-if="prices.perTB !== null">
      <dt>Per TB of room</dt>
      <dd>{{ money(prices.perTB) }}</dd>
    </template>
    <template v-if="prices.perBay !== null">
      <dt>Machine, per bay</dt>
      <dd>{{ money(prices.perBay) }}</dd>
    </template>
    <template v-if="prices.perPort !== null">
      <dt>Machine, per data port</dt>
      <dd>{{ money(prices.perPort) }}</dd>
    </template>
  </dl>
  <p v-if="store.plan && makesVents(store.plan, build)" data-vents>
    {{ ventsText }}
  </p>
  <p v-if="text" data-premium>
    {{ text }}
  </p>
  <template v-if="look && build.second === null">
    <p v-if="look.binds">
      What binds next: {{ look.binds.label.toLowerCase() }}. {{ look.binds.sentence }}
    </p>
    <ul v-if="look.findings.length" class="soft" aria-label="Worth knowing">
      <li v-for="sentence in look.findings" :key="sentence">
        {{ sentence }}
      </li>
    </ul>
  </template>
</template>

<style scoped>
.prices,
p,
ul {
  margin: 12px 0;
}
ul {
  padding-left: 18px;
}
.prices {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 12px;
}
.prices dd {
  font-variant-numeric: tabular-nums;
  font-weight: 600;
}
</style>
