<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Figure } from '~~/core/figure'
import type { PricedPurchase } from '~~/core/drives/growth/growthQuestion'
import { layouts } from '~~/core/drives/layouts/layouts'
import { layoutLabel } from '~~/core/drives/refusalText'
import { purchaseText } from '~~/core/drives/growth/purchaseText'
import { maxPurchases } from '~~/core/plan/constants'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanGrowth } from '~/composables/usePlanGrowth'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import StaircaseChart from './StaircaseChart.vue'

/** When the next drives have to be bought, what waiting saves, and what the layout can become. */
const store = usePlanStore()
const { format, money, quantity, number, share } = useFormat()
const state = usePlanGrowth()
const { growthEnd, growth, looking, failed, course, question, figures, sentence, apply } = state
const picked = ref<number | null>(null)
const planned = computed(() => store.plan?.drives.purchases ?? [])
const variant = computed(
  () => store.plan && { plan: store.plan, label: 'as the drives grow', figures: figures.value },
)

const rows = computed(() => {
  const found = growth.value
  return figures.value.map(figure => {
    const purchases =
      figure.id === 'growth.cheapest'
        ? found?.cheapest
        : figure.id === 'growth.now'
          ? found?.now
          : null
    return {
      figure,
      text: textOf(figure, purchases ?? null),
      purchases: purchases?.length ? purchases : null,
    }
  })
})
function textOf({ id, note = '' }: Figure, purchases: readonly PricedPurchase[] | null): string {
  const bigger = growth.value?.biggerBox
  if (id === 'growth.planned') return plannedText()
  if (id === 'growth.biggerBox' && bigger)
    return (
      `${bigger.base.label} ${bigger.month === 0 ? 'today' : `in month ${bigger.month}`}, ` +
      `${bigger.count} × ${quantity(bigger.sizeTB, 'TB')}`
    )
  return purchases
    ? purchases.map(purchase => purchaseText(purchase, format.value)).join('; ') ||
        'nothing more to buy'
    : note
}
function plannedText(): string {
  const { purchases = [], monthFull = null } = course.value ?? {}
  const bought =
    purchases.length === 0
      ? 'nothing'
      : purchases.length === 1
        ? '1 purchase'
        : `${number(purchases.length)} purchases`
  return monthFull === null
    ? `${bought}${purchases.length ? '' : ' more to buy'}`
    : `${bought}, and full ${monthFull === 0 ? 'today' : `in month ${monthFull}`}`
}
/** Planned drives that do not count, with why. */
const out = computed(
  () => store.assessment?.findings.filter(({ code }) => code === 'PLANNED_DRIVE_OUT') ?? [],
)
function add(): void {
  const offer =
    question.value?.offers.find(
      ({ sizeTB }) => sizeTB === store.plan?.drives.lots.at(-1)?.sizeTB,
    ) ?? question.value?.offers.at(-1)
  store.edit('drives.purchases', [
    ...planned.value,
    {
      month: Math.min(180, course.value?.monthFull ?? 12),
      count: 1,
      sizeTB: offer?.sizeTB ?? 8,
      how: 'added',
    },
  ])
}
function remove(index: number): void {
  store.edit(
    'drives.purchases',
    planned.value.filter((_, other) => other !== index),
  )
}

const layoutId = computed(() => store.assessment?.domains.drives.layoutId ?? '')
const growsByGroup = computed(
  () => layouts.find(({ id }) => id === layoutId.value)?.grows === 'parityGroup',
)
const changes = computed(() => {
  const own = layouts.find(layout => layout.id === layoutId.value)
  return Object.entries(own?.becomes ?? {}).map(([id, how]) => ({ label: layoutLabel(id), how }))
})
const other = computed(() => layouts.length - 1 - changes.value.length)
</script>

<template>
  <section class="sheet growing">
    <p class="sentence">
      {{ sentence }}
    </p>
    <p v-for="{ sentence: said, fixes } in out" :key="said" class="problem">
      {{ said }} {{ fixes[0]?.sentence }}
    </p>
    <div class="switch no-print" role="radiogroup" aria-label="The room must last for">
      <label><input v-model="growthEnd" type="radio" value="likely" /> Likely growth</label>
      <label><input v-model="growthEnd" type="radio" value="high" /> Fast growth</label>
    </div>
  </section>
  <div class="columns">
    <StaircaseChart v-model:picked="picked" :state="state" />
    <section class="sheet side">
      <h2>Ways to grow</h2>
      <table class="data-table" data-ways-to-grow>
        <tbody>
          <tr v-for="{ figure, text, purchases } in rows" :key="figure.id" :data-way="figure.id">
            <th scope="row">
              {{ figure.label }}
              <span class="soft small what">{{ text }}</span>
            </th>
            <td class="number">
              <WorkingLink :figure="figure.id" :variant="variant" :name="figure.label">
                {{ figure.value === null ? '–' : money(figure.value) }}
              </WorkingLink>
            </td>
            <td>
              <VBtn
                v-if="purchases"
                size="small"
                variant="outlined"
                color="primary"
                :aria-label="`Apply: ${figure.label}`"
                @click="apply(purchases)"
              >
                Apply
              </VBtn>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="looking" class="soft small" role="status">Looking for the cheapest purchases…</p>
      <p v-if="failed" role="alert">The search broke off. Change any field to start it again.</p>
      <p
        v-if="growth && growth.fallWhereStepsWin !== null && growth.cheapest?.length"
        class="soft small"
      >
        {{
          Math.abs(growth.fallWhereStepsWin) < 0.0005
            ? 'If prices rise, buying everything today costs less.'
            : growth.fallWhereStepsWin > 0
              ? `Buying in steps costs less only while prices fall by more than ${share(growth.fallWhereStepsWin)} a year.`
              : `Buying everything today costs less only if prices rise by more than ${share(-growth.fallWhereStepsWin)} a year.`
        }}
      </p>
      <p v-if="growth && growth.atLeast !== null" class="soft small">
        There are too many ways to go through all of them: no way costs less than
        {{ money(growth.atLeast) }}.
      </p>
      <div class="fields">
        <PlanField path="drives.priceFallPerYear" />
        <PlanField path="drives.replacedWorth" />
      </div>
      <PlanField v-if="growsByGroup" path="drives.expandsParity" />
    </section>
  </div>
  <div class="columns">
    <section class="sheet side">
      <h2>Planned purchases</h2>
      <PickList
        :id="fieldElementId('drives.purchases')"
        v-model:picked="picked"
        :entries="planned"
        path="drives.purchases"
        add="Plan a purchase"
        :full="planned.length >= maxPurchases"
        :name="purchase => purchaseText(purchase, format)"
        @add="add"
        @remove="remove"
      >
        <template #line="{ entry, index }">
          <span class="line">
            <strong>{{ purchaseText(entry, format) }}</strong>
            <span class="soft number">{{ money(course?.purchases[index]?.price ?? 0) }}</span>
          </span>
        </template>
        <template #default="{ index }">
          <PlanField :path="`drives.purchases.${index}.month`" />
          <PlanField :path="`drives.purchases.${index}.count`" />
          <PlanField :path="`drives.purchases.${index}.sizeTB`" />
          <PlanField :path="`drives.purchases.${index}.how`" />
        </template>
      </PickList>
      <VerdictSentence id="space" />
    </section>
    <section class="sheet side">
      <h2>What the layout can become</h2>
      <p class="soft small">
        {{ layoutLabel(layoutId) }} grows by
        {{ layouts.find(layout => layout.id === layoutId)?.growsBy ?? 'drives' }}.
      </p>
      <dl v-if="changes.length" class="changes">
        <template v-for="change in changes" :key="change.label">
          <dt>{{ change.label }}</dt>
          <dd>{{ change.how }}</dd>
        </template>
      </dl>
      <p>
        {{ changes.length ? `The other ${number(other)} layouts mean` : 'Any other layout means' }}
        emptying the pool and starting over: all data must lie elsewhere meanwhile. Way out shows
        the steps.
      </p>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.5fr) minmax(0, 1fr);
}
.growing {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: baseline;
  justify-content: space-between;
}
.sentence {
  font-size: 1.02rem;
  flex: 1 1 420px;
}
.switch {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  font-size: 0.9rem;
}
.switch label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
  cursor: pointer;
}
.switch input {
  accent-color: rgb(var(--v-theme-primary));
}
.what {
  display: block;
  font-weight: 400;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.fields {
  --least: 150px;
  margin-top: 12px;
}
.changes dt {
  font-weight: 600;
  margin-top: 6px;
}
.changes dd {
  margin: 0;
}
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding-left: 12px;
  flex-basis: 100%;
}
tr {
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
}
th,
td {
  text-align: left;
  vertical-align: top;
  border: 0;
}
</style>
