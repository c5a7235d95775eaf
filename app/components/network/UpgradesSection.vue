<script setup lang="ts">
import { onBeforeUnmount } from 'vue'
import { linkNames } from '~~/core/network/wiring'
import { useNetworkChain } from '~/composables/useNetworkChain'
import type { UpgradeRow } from '~~/core/network/upgrades'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** What each step makes of copies and of viewers away, and where it gains nothing. */
const store = usePlanStore()
const { upgrades, sizeTB, hours } = useNetworkChain()
const { money, quantity, format } = useFormat()
const planOf = ({ changes }: UpgradeRow) => store.plan && { ...store.plan, network: { ...store.plan.network, ...changes } }
const hoursText = (value: number | null) => value === null ? 'never' : format.value.hours(value)
function outcome(row: UpgradeRow): string {
  if (!row.gains) return row.id === 'line' ? 'No gain: as many viewers away as before.' : `No gain: ${row.binds ? linkNames[row.binds] : 'another link'} is the limit.`
  return row.moreAway > 0 ? `${row.moreAway} more ${row.moreAway === 1 ? 'viewer' : 'viewers'} away.` : `Then ${row.binds ? linkNames[row.binds] : 'nothing'} is the limit.`
}
function look(row: UpgradeRow | null): void {
  store.tried = row ? planOf(row) : null
}
function apply(row: UpgradeRow): void {
  const plan = planOf(row)
  look(null)
  if (plan) store.replace(plan)
}
onBeforeUnmount(() => look(null))
</script>

<template>
  <section class="sheet">
    <p class="sentence">
      {{ quantity(sizeTB, 'TB') }} over the home network take {{ hoursText(hours) }} today. Steps that gain nothing say why.
    </p>
    <div class="scroll">
      <table class="data-table">
        <thead>
          <tr>
            <th scope="col">
              Step
            </th><th
              scope="col"
              class="number"
            >
              Price
            </th><th
              scope="col"
              class="number"
            >
              A copy of everything
            </th><th scope="col">
              What it brings
            </th><th scope="col">
              <span class="visually-hidden">Apply</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in upgrades"
            :key="row.id"
            :data-upgrade="row.id"
            @pointerenter="look(row)"
            @pointerleave="look(null)"
          >
            <th scope="row">
              {{ row.label }}
            </th>
            <td class="number">
              {{ row.price === null ? 'by the month' : money(row.price) }}
            </td><td class="number">
              {{ hoursText(row.hours) }}
            </td>
            <td :class="{ soft: !row.gains }">
              {{ outcome(row) }}
            </td>
            <td class="no-print">
              <VBtn
                size="x-small"
                variant="outlined"
                color="primary"
                :aria-label="`Apply: ${row.label}`"
                @focus="look(row)"
                @blur="look(null)"
                @click="apply(row)"
              >
                Apply
              </VBtn>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft small">
      Prices are planning values for card, switch and cable together; they are not added to the purchase. A faster port of the machine has to be there too: Fit under Machine says whether it is.
    </p>
  </section>
</template>

<style scoped>
.sentence { font-size: 1.02rem; margin-bottom: 12px; }
.scroll { position: relative; overflow-x: auto; margin-bottom: 10px; }
th[scope='row'] { font-size: 0.9rem; color: inherit; font-weight: 600; }
</style>
