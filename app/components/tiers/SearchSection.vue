<script setup lang="ts">
import { headrooms } from '~~/core/headrooms'
import { computed, ref } from 'vue'
import type { Limit } from '~~/core/tiers/search/clash'
import { maxTiers } from '~~/core/plan/constants'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useSearch } from '~/composables/useSearch'
import { useWays } from '~/composables/useWays'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import CheapestChange from './CheapestChange.vue'
import SearchState from './SearchState.vue'
import { waysText } from './waysText'

/**
 * How the answer was found: its proof, the cheapest change to what is there, and, where nothing
 * meets the need, what clashes.
 */
const store = usePlanStore()
const ways = useWays()
const { best, tiers, costOf } = ways
const { money, number, quantity } = useFormat()
const newLayout = ref(false)
const clash = useSearch('clash', () => null)
const picked = ref<number | null>(null)
const nameOf = (limit: Limit) => headrooms[limit === 'budget' ? 'money' : limit].need
const list = (limits: readonly Limit[]) =>
  limits.length === 1
    ? nameOf(limits[0]!)
    : `${limits.slice(0, -1).map(nameOf).join(', ')} and ${nameOf(limits.at(-1)!)}`
const cap = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
const clashText = computed(() => {
  const now = clash.progress.value
  if (clash.running.value) return 'Every part of the need is tried without the others.'
  if (!now)
    return store.plan?.brief.budget == null
      ? 'Nothing clashes: a build meets the whole need.'
      : 'Nothing clashes: a build meets the whole need within the budget.'
  const first =
    now.limits.length === 1
      ? `${cap(list(now.limits))} alone cannot be met by anything in the catalogue.`
      : `${cap(list(now.limits))} cannot be had together.`
  if (!now.relaxed) return `${first} Giving up one of them is not enough.`
  const { limit, build } = now.relaxed
  return (
    `${first} The cheapest way out is to move ${nameOf(limit)}: ` +
    `${limit === 'budget' ? `from ${money(store.plan!.brief.budget!)} to ${money(build.toPay)}` : `then ${build.label} with ${build.drives} does, at ` + `${money(build.toPay)}${limit === 'streams' ? `, with ${number(build.possible)} conversions` : limit === 'space' ? `, with ${quantity(build.roomTB, 'TB')} of room` : ''}`}.`
  )
})
</script>

<template>
  <section class="sheet">
    <h2>The cheapest build, with its proof</h2>
    <p class="sentence">
      {{ best.length > 0 && (ways.running.value || ways.cancelled.value) ? 'Best so far: ' : ''
      }}{{ waysText(best, costOf, money) }}
    </p>
    <SearchState :ways="ways" />
    <p class="soft small">
      Branch and bound: choices are made one after the other, and a branch is cut off as soon as
      nothing in it can cost less than the best so far. When all branches are looked into or cut
      off, the best is proved. Equal costs are decided by idle watts, then by names. New drives are
      of one model and size; two sizes bought together are not searched.
    </p>
  </section>
  <div class="columns">
    <section class="sheet">
      <h2>The cheapest change to what you have</h2>
      <CheapestChange :new-layout="newLayout" />
      <VSwitch
        v-model="newLayout"
        label="Another layout is allowed"
        hint="Changing the layout mostly means copying everything off the drives and back."
        persistent-hint
        density="compact"
        color="primary"
      />
    </section>
    <section class="sheet">
      <h2>What clashes</h2>
      <p class="sentence" data-clash>
        {{ clashText }}
      </p>
      <PlanField path="brief.budget" />
    </section>
  </div>
  <section class="sheet tiers">
    <h2>Tiers</h2>
    <p class="soft">
      {{
        store.plan?.costs.tiers.length
          ? 'Builds are sorted by these budgets.'
          : `Builds are sorted by these budgets unless you enter your own: ${tiers.map(tier => `${tier.name} ${money(tier.cap)}`).join(', ')}.`
      }}
    </p>
    <PickList
      :id="fieldElementId('costs.tiers')"
      v-model:picked="picked"
      :entries="store.plan?.costs.tiers ?? []"
      path="costs.tiers"
      add="Add a tier"
      :full="(store.plan?.costs.tiers.length ?? 0) >= maxTiers"
      :name="(tier, index) => tier.name || `Tier ${index + 1}`"
      @add="
        store.edit('costs.tiers', [
          ...(store.plan?.costs.tiers ?? []),
          { name: `Tier ${(store.plan?.costs.tiers.length ?? 0) + 1}`, cap: 1000 },
        ])
      "
      @remove="
        index =>
          store.edit(
            'costs.tiers',
            store.plan!.costs.tiers.filter((_, other) => other !== index),
          )
      "
    >
      <template #line="{ entry }">
        <span
          ><strong>{{ entry.name }}</strong
          >{{ ' ' }} <span class="soft">at most {{ money(entry.cap) }}</span></span
        >
      </template>
      <template #default="{ index }">
        <PlanField :path="`costs.tiers.${index}.name`" />
        <PlanField :path="`costs.tiers.${index}.cap`" />
      </template>
    </PickList>
    <PlanField path="costs.linkBetween" class="link" />
  </section>
</template>

<style scoped>
.sentence {
  font-size: 1.04rem;
  margin: 8px 0;
}
.columns,
.tiers {
  margin-top: 16px;
}
.link {
  margin-top: 14px;
  max-width: 320px;
}
.sentence + .v-input,
.sentence + div {
  margin-top: 12px;
}
</style>
