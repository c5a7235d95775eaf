<script setup lang="ts">
import { computed, ref } from 'vue'
import { maxTiers } from '~~/core/plan/constants'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useSearch } from '~/composables/useSearch'
import { useWays } from '~/composables/useWays'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import CheapestChange from './CheapestChange.vue'
import { clashSentence } from './clashText'
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
const clashText = computed(() => {
  if (clash.running.value) return 'Every part of the need is tried without the others.'
  return clashSentence(clash.progress.value, {
    budget: store.plan?.brief.budget ?? null,
    format: { money, number, quantity },
  })
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
