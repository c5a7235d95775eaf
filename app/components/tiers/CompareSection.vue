<script setup lang="ts">
import { computed } from 'vue'
import type { Figure } from '~~/core/figure'
import { headroomOrder } from '~~/core/headrooms'
import { meetsNeed, stateOfBuild, type Verdict } from '~~/core/verdict'
import StateMark from '~/components/common/StateMark.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useBackground } from '~/composables/useBackground'
import { useCompared } from '~/composables/useCompared'
import { useFormat } from '~/composables/useFormat'
import { useLacksCopy } from '~/composables/useLacksCopy'
import { viewAddress } from '~/composables/views'
import { pageLocale } from '~/services/pageLocale'
import { usePlanStore } from '~/stores/planStore'
import ComparedChoice from './ComparedChoice.vue'

/**
 * Two to five plans or ways side by side, with a verdict and its reasons; what is the same is
 * folded away.
 */
const store = usePlanStore()
const of = useCompared()
const { compared } = of
const { money, quantity } = useFormat()
const { result } = useBackground(
  'compare',
  () => (compared.value.length > 0 ? compared.value.map(({ plan }) => plan) : null),
  (work, plans) => work.assessAll(JSON.parse(JSON.stringify(plans)) as typeof plans, pageLocale()),
)
const { result: carbon } = useBackground(
  'compare',
  () => (compared.value.length > 0 ? compared.value.map(({ plan }) => plan) : null),
  (work, plans) => work.carbonOf(JSON.parse(JSON.stringify(plans)) as typeof plans),
)
const carbonCells = computed(() =>
  carbon.value?.length === compared.value.length
    ? carbon.value.map(({ byYear }) => quantity(Math.round(byYear.at(-1)!.likely), 'kg'))
    : null,
)
const columns = computed(() =>
  result.value && result.value.length === compared.value.length
    ? compared.value.map((one, at) => ({ ...one, ...result.value![at]! }))
    : [],
)
const figureIds = [
  'ownership.purchase',
  'ownership.horizonTotal',
  'ownership.costPerMonth',
  'ownership.horizonElectricity',
  'ownership.horizonReplacements',
  'ownership.horizonLicences',
  'ownership.kWhPerYear',
  'machine.idleW',
  'machine.loadW',
  'streams.possible',
  'streams.minutesShortPerMonth',
  'drives.roomTB',
  'drives.monthFull',
  'drives.lossChanceAtHorizon',
  'drives.rebuildHours',
  'machine.freeBays',
  'machine.noiseDb',
  'network.homeLinkMbps',
]
const text = (figure: Figure | undefined) =>
  figure?.value == null
    ? '–'
    : quantity(figure.unit === 'min/month' ? Math.round(figure.value) : figure.value, figure.unit)
const rows = computed(() => {
  const known = figureIds.filter(id => columns.value.some(({ figures }) => figures[id]))
  return known.map(id => ({
    id,
    label: columns.value.map(({ figures }) => figures[id]?.label).find(Boolean)!,
    cells: columns.value.map(({ figures }) => text(figures[id])),
  }))
})
const verdictRows = computed(() =>
  headroomOrder.map(id => {
    const verdicts = columns.value.map(column =>
      column.verdicts.find(verdict => verdict.id === id)!,
    )
    return {
      id,
      label: verdicts[0]?.label ?? '',
      verdicts,
      same: verdicts.every(
        ({ state, sentence }) => state === verdicts[0]!.state && sentence === verdicts[0]!.sentence,
      ),
    }
  }),
)
const differing = computed(() => rows.value.filter(({ cells }) => new Set(cells).size > 1))
const same = computed(() => rows.value.filter(({ cells }) => new Set(cells).size === 1))
const failing = (verdicts: readonly Verdict[]) =>
  verdicts.filter(
    verdict =>
      !meetsNeed(stateOfBuild(verdict)) && !(verdict.id === 'money' && verdict.state === 'unknown'),
  )
const { besides } = useLacksCopy()
const totalOf = ({ figures }: { readonly figures: Readonly<Record<string, Figure>> }) =>
  figures['ownership.horizonTotal']?.value ?? 0
const order = computed(() =>
  columns.value
    .map((column, at) => ({ ...column, at, fails: failing(column.verdicts) }))
    .sort((a, b) => a.fails.length - b.fails.length || totalOf(a) - totalOf(b)),
)
const winner = computed(() => order.value[0] ?? null)
const reasons = computed(() => {
  const [first, ...others] = order.value
  if (!first) return []
  return others.map(other => {
    if (other.fails.length > first.fails.length)
      return {
        at: other.at,
        figure: other.fails[0]!.figures[0]!,
        text: `${other.label} falls short: ${other.fails[0]!.sentence}`,
      }
    const more = totalOf(other) - totalOf(first)
    return {
      at: other.at,
      figure: 'ownership.horizonTotal',
      text:
        more < 0.5
          ? `${other.label} costs the same over the years.`
          : `${other.label} costs ${money(more)} more over the years.`,
    }
  })
})
const sentence = computed(() => {
  const [first] = order.value
  if (!first) return ''
  if (order.value.length < 2) return 'Choose a second one to compare with.'
  return first.fails.length === 0
    ? `${first.label} is the one to take: it meets the whole need, and costs ` +
        `${money(totalOf(first))} over the years.${besides.value}`
    : `None of these meets the whole need; ${first.label} comes closest.${besides.value}`
})
</script>

<template>
  <section class="sheet">
    <ComparedChoice :of="of" />
    <p class="sentence" data-verdict-sentence>
      {{ sentence || 'The ways are still being searched.' }}
    </p>
    <ul v-if="columns.length > 1">
      <li v-for="reason in reasons" :key="reason.at">
        <WorkingLink
          :figure="reason.figure"
          :variant="{ plan: columns[reason.at]!.plan, label: columns[reason.at]!.label }"
          :name="reason.text"
        >
          {{ reason.text }}
        </WorkingLink>
      </li>
    </ul>
    <div v-if="columns.length > 0" class="scroll" tabindex="0" role="region" aria-label="Compared">
      <table class="data-table">
        <thead>
          <tr>
            <th scope="col">What differs</th>
            <th
              v-for="column in columns"
              :key="column.id"
              scope="col"
              :class="{ winner: column.id === winner?.id }"
            >
              {{ column.label }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in verdictRows.filter(({ same: alike }) => !alike)"
            :key="row.id"
            :data-compare="row.id"
          >
            <th scope="row">
              {{ row.label }}
            </th>
            <td v-for="(verdict, at) in row.verdicts" :key="at">
              <StateMark :state="verdict.state" small /><small class="soft">{{
                verdict.sentence
              }}</small>
            </td>
          </tr>
          <tr v-for="row in differing" :key="row.id" :data-compare="row.id">
            <th scope="row">
              {{ row.label }}
            </th>
            <td v-for="(cell, at) in row.cells" :key="at" class="number">
              <WorkingLink
                :figure="row.id"
                :variant="{ plan: columns[at]!.plan, label: columns[at]!.label }"
                :name="`${row.label}, ${columns[at]!.label}`"
              >
                {{ cell }}
              </WorkingLink>
            </td>
          </tr>
          <tr v-if="carbonCells" data-compare="carbon">
            <th scope="row">Carbon to the horizon</th>
            <td v-for="(cell, at) in carbonCells" :key="at" class="number">
              {{ cell }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="store.id && columns.length > 1">
        <NuxtLink :to="viewAddress(store.id, 'ownership', 'flips')">
          What would flip this
        </NuxtLink>
      </p>
      <details>
        <summary>
          {{ same.length + verdictRows.filter(({ same: alike }) => alike).length }} rows are the
          same for all
        </summary>
        <table class="data-table">
          <tbody>
            <tr v-for="row in verdictRows.filter(({ same: alike }) => alike)" :key="row.id">
              <th scope="row">
                {{ row.label }}
              </th>
              <td>{{ row.verdicts[0]?.sentence }}</td>
            </tr>
            <tr v-for="row in same" :key="row.id">
              <th scope="row">
                {{ row.label }}
              </th>
              <td>{{ row.cells[0] }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </div>
  </section>
</template>

<style scoped>
.sentence {
  font-size: 1.08rem;
  margin: 14px 0 6px;
}
.scroll {
  overflow-x: auto;
  position: relative;
  margin-top: 12px;
}
.data-table {
  font-size: 0.88rem;
  min-width: 620px;
}
th[scope='row'] {
  color: inherit;
  font-size: 0.88rem;
  vertical-align: top;
}
li :deep(button) {
  display: inline;
}
td small {
  display: block;
}
.winner {
  box-shadow: inset 0 3px 0 rgb(var(--v-theme-primary));
}
ul {
  padding-left: 20px;
}
a {
  color: rgb(var(--v-theme-primary));
}
details {
  margin-top: 12px;
}
summary {
  cursor: pointer;
  color: rgb(var(--v-theme-primary));
  min-height: 24px;
}
</style>
