<script setup lang="ts">
import { linkNames } from '~~/core/network/wiring'
import { useNetworkChain } from '~/composables/useNetworkChain'
import type { UpgradeRow } from '~~/core/network/upgrades'
import ProposalTable from '~/components/common/ProposalTable.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** What each step makes of copies and of viewers away, and where it gains nothing. */
const store = usePlanStore()
const { upgrades, sizeTB, hours } = useNetworkChain()
const { money, quantity, format } = useFormat()
const planOf = ({ changes }: UpgradeRow) =>
  store.plan && { ...store.plan, network: { ...store.plan.network, ...changes } }
const hoursText = (value: number | null) => (value === null ? 'never' : format.value.hours(value))
function outcome(row: UpgradeRow): string {
  if (!row.gains)
    return row.id === 'line'
      ? 'No gain: as many viewers away as before.'
      : `No gain: the limit is ${row.binds ? linkNames[row.binds] : 'another link'}.`
  return row.moreAway > 0
    ? `${row.moreAway} more ${row.moreAway === 1 ? 'viewer' : 'viewers'} away.`
    : row.binds
      ? `Then the limit is ${linkNames[row.binds]}.`
      : 'Then nothing is the limit.'
}
const columns = [
  { id: 'step', label: 'Step' },
  { id: 'price', label: 'Price', isNumber: true },
  { id: 'copy', label: 'A copy of everything', isNumber: true },
  { id: 'brings', label: 'What it brings' },
]
</script>

<template>
  <section class="sheet">
    <p class="sentence">
      {{ quantity(sizeTB, 'TB') }} over the home network take {{ hoursText(hours) }} today. Steps
      that gain nothing say why.
    </p>
    <ProposalTable
      label="Steps compared"
      mark="upgrade"
      :columns="columns"
      :rows="upgrades"
      :key-of="row => row.id"
      :name-of="row => row.label"
      :plan-of="planOf"
    >
      <template #step="{ row }">
        {{ row.label }}
      </template>
      <template #price="{ row }">
        {{ row.price === null ? 'by the month' : money(row.price) }}
      </template>
      <template #copy="{ row }">
        {{ hoursText(row.hours) }}
      </template>
      <template #brings="{ row }">
        <span :class="{ soft: !row.gains }">{{ outcome(row) }}</span>
      </template>
    </ProposalTable>
    <p class="soft small">
      Prices are planning values for all that a step names; they are not added to the purchase. A
      faster port of the machine has to be there too: Fit under Machine says whether it is.
    </p>
  </section>
</template>

<style scoped>
.sentence {
  font-size: 1.02rem;
  margin-bottom: 12px;
}
</style>
