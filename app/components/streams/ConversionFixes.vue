<script setup lang="ts">
import { computed } from 'vue'
import type { ConversionFix } from '~~/core/tiers/conversionFixes'
import ProposalTable from '~/components/common/ProposalTable.vue'
import StateMark from '~/components/common/StateMark.vue'
import WholeNeedLink from '~/components/common/WholeNeedLink.vue'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * What would help: devices, copies, cards, a processor; each with its effect, tried under the
 * pointer.
 */
const store = usePlanStore()
const { money, number } = useFormat()
const { result, working } = useBackground(
  'compare',
  () => store.plan,
  (work, plan) => work.conversionFixes(plan),
  400,
)
const fixes = computed(() => (result.value ?? []).slice(0, 9))
function cost({ price, extraTB }: ConversionFix): string {
  return [
    ...(price === null ? [] : [price === 0 ? 'costs nothing' : `about ${money(price)}`]),
    ...(extraTB > 0.0005 ? [`${number(extraTB, 2)} TB more space`] : []),
  ].join(', ')
}
const band = ({ possible }: ConversionFix) =>
  possible
    ? possible.low === possible.high
      ? String(possible.likely)
      : `${possible.low}–${possible.high}`
    : '–'
const columns = [
  { id: 'fix', label: 'Fix' },
  { id: 'cost', label: 'Cost' },
  { id: 'needed', label: 'Needed', isNumber: true },
  { id: 'possible', label: 'Possible', isNumber: true },
  { id: 'short', label: 'Min short', isNumber: true },
  { id: 'then', label: 'Then' },
]
</script>

<template>
  <section class="sheet" :aria-busy="working" data-fixs>
    <h2>What would help</h2>
    <p class="soft small">
      Fixes that meet the need come first, then by price. Hover or focus to preview it on the
      headroom line.
      <WholeNeedLink question="Each changes one thing, and is judged by conversions alone." />
      <span v-if="working" role="status">Calculating …</span>
    </p>
    <ProposalTable
      label="Fixes compared"
      mark="fix"
      :columns="columns"
      :rows="fixes"
      :key-of="fix => fix.id"
      :name-of="fix => fix.label"
      :plan-of="fix => fix.plan"
    >
      <template #fix="{ row }">
        {{ row.label }}
      </template>
      <template #cost="{ row }">
        <span class="soft">{{ cost(row) }}</span>
      </template>
      <template #needed="{ row }">
        {{ row.asked }}
      </template>
      <template #possible="{ row }">
        {{ band(row) }}
      </template>
      <template #short="{ row }">
        {{
          row.minutesShort
            ? row.minutesShort.likely < 0.1
              ? 'under 0.1'
              : number(row.minutesShort.likely, 2)
            : '–'
        }}
      </template>
      <template #then="{ row }">
        <StateMark :state="row.state" small />
      </template>
    </ProposalTable>
  </section>
</template>
