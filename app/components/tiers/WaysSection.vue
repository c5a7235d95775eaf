<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ways as wayNames } from '~~/core/tiers/search/frames'
import type { WayBuild, WayRow } from '~~/core/tiers/search/wayRows'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import StateMark from '~/components/common/StateMark.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useFormat } from '~/composables/useFormat'
import { useWays } from '~/composables/useWays'
import { withBuild } from '~/composables/withBuild'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import { lacksText } from './lacksText'
import SearchState from './SearchState.vue'
import WaysField from './WaysField.vue'
import { fieldBuilds, keyOf } from './waysLayout'

/** Which one to buy: the best build of every way for this need and this money. */
const store = usePlanStore()
const router = useRouter()
const ways = useWays()
const { rows, best, tiers, objective, costOf, look, apply, fork } = ways
const { money, quantity, number, share } = useFormat()
const picked = ref<string | null>(null)
const builds = computed(() => fieldBuilds(rows.value))
const shown = computed(() => builds.value.find(({ build }) => keyOf(build) === picked.value) ?? null)
const budget = computed(() => store.plan?.brief.budget ?? null)
const horizon = computed(() => store.plan?.choices.horizonYears ?? 5)
const affordable = computed(() => best.value.filter(build => budget.value === null || build.toPay <= budget.value))
const span = computed(() => `${horizon.value} year${horizon.value === 1 ? '' : 's'}`)
const answer = computed(() => {
  if (store.assessment?.domains.library.empty) return 'Nothing is kept yet, so whatever is built would do: enter who watches and what is kept, and the ways below follow.'
  const [first, second] = affordable.value
  if (!first) {
    const cheapest = [...best.value].sort((a, b) => a.toPay - b.toPay)[0]
    if (ways.running.value || rows.value.length === 0) return 'The search goes on; the first build that meets the need will stand here.'
    return cheapest ? `Nothing within ${money(budget.value!)} meets the need. The least that does is ${cheapest.label} (${wayNames[cheapest.way].toLowerCase()}) at ${money(cheapest.toPay)}.` : 'Nothing in the catalogue meets this need. Search says which parts of it clash.'
  }
  // Before its end, or cancelled, a search knows only the best so far: that is no answer to buy by.
  if (ways.running.value || ways.cancelled.value) return `Best so far: ${first.label} (${wayNames[first.way].toLowerCase()}) with ${first.drives}, ${money(costOf(first))}. ${ways.running.value ? 'The search goes on' : 'The search was cancelled'}, so something cheaper may be left.`
  const now = objective.value === 'now' ? `it costs least now, ${money(first.toPay)}` : `it costs least over ${span.value}, ${money(first.horizonCost)} with ${money(first.toPay)} to pay now`
  const rest = second ? ` Next comes ${second.label} (${wayNames[second.way].toLowerCase()}), ${money(costOf(second) - costOf(first))} dearer.` : ''
  return `${first.way === 'stay' ? 'Keep what you have' : `Buy ${first.label} (${wayNames[first.way].toLowerCase()}) with ${first.drives}`}, because it meets the whole need and ${now}.${rest}`
})
const variant = (build: WayBuild) => ({ plan: withBuild(store.plan!, build), label: `With ${build.label}` })
const rowBuild = (row: WayRow) => row.best ?? row.closest
function open(build: WayBuild): void {
  picked.value = keyOf(build)
}
async function keep(build: WayBuild): Promise<void> {
  const id = await fork(build).catch(() => null)
  if (id) await router.push(viewAddress(id, 'brief'))
}
function step(by: number): void {
  const at = builds.value.findIndex(({ build }) => keyOf(build) === picked.value)
  const next = builds.value[(at + by + builds.value.length) % builds.value.length]
  if (next) open(next.build)
}
onBeforeUnmount(() => look(null))
</script>

<template>
  <section class="sheet">
    <p
      class="answer"
      data-answer
    >
      {{ answer }}
    </p>
    <div class="controls no-print">
      <VBtnToggle
        v-model="objective"
        mandatory
        density="compact"
        color="primary"
        variant="outlined"
        aria-label="What is made cheapest"
      >
        <VBtn
          value="horizon"
          size="small"
        >
          Cheapest over {{ span }}
        </VBtn>
        <VBtn
          value="now"
          size="small"
        >
          Cheapest now
        </VBtn>
      </VBtnToggle>
      <VBtn
        v-if="affordable[0] && affordable[0].way !== 'stay' && affordable[0].second === null"
        color="primary"
        variant="flat"
        size="small"
        data-apply-best
        @pointerenter="look(affordable[0]!)"
        @pointerleave="look(null)"
        @click="apply(affordable[0]!)"
      >
        Apply {{ affordable[0].label }}
      </VBtn>
    </div>
    <SearchState :ways="ways" />
  </section>
  <WaysField
    :rows="rows"
    :tiers="tiers"
    :picked="picked"
    class="field"
    @look="look"
    @pick="mark => open(mark.build)"
  />
  <section class="sheet table-sheet">
    <h2>Every way, one row each</h2>
    <div
      class="scroll"
      tabindex="0"
      role="region"
      aria-label="Ways of building"
      @pointerleave="look(null)"
    >
      <table class="data-table">
        <thead>
          <tr>
            <th scope="col">
              Way
            </th><th scope="col">
              Best build
            </th><th
              scope="col"
              class="number"
            >
              Price now
            </th><th
              scope="col"
              class="number"
            >
              Over {{ span }}
            </th><th
              scope="col"
              class="number"
            >
              Conversions
            </th><th
              scope="col"
              class="number"
            >
              Room
            </th><th
              scope="col"
              class="number"
            >
              Chance of loss
            </th><th
              scope="col"
              class="number"
            >
              Idle
            </th>
            <th
              v-for="tier in tiers"
              :key="tier.name"
              scope="col"
              class="number"
            >
              {{ tier.name }}, {{ money(tier.cap) }}
            </th>
            <th scope="col">
              For this need
            </th><th scope="col">
              <span class="visually-hidden">Apply</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in rows"
            :key="row.way"
            :data-way-row="row.way"
            :class="{ picked: rowBuild(row) && keyOf(rowBuild(row)!) === picked }"
            @pointerenter="look(rowBuild(row))"
          >
            <th scope="row">
              {{ wayNames[row.way] }}
            </th>
            <template v-if="rowBuild(row)">
              <td>
                <button
                  type="button"
                  class="plain-button link"
                  @click="open(rowBuild(row)!)"
                >
                  {{ rowBuild(row)!.label }}
                </button> <small class="soft">{{ rowBuild(row)!.drives }}</small>
              </td>
              <td class="number">
                <WorkingLink
                  v-if="rowBuild(row)!.second === null"
                  figure="ownership.purchase"
                  :variant="variant(rowBuild(row)!)"
                  :name="`Price now, ${rowBuild(row)!.label}`"
                >
                  {{ money(rowBuild(row)!.toPay) }}
                </WorkingLink><template v-else>
                  {{ money(rowBuild(row)!.toPay) }}
                </template>
              </td>
              <td class="number">
                <WorkingLink
                  v-if="rowBuild(row)!.second === null"
                  figure="years.total"
                  :variant="variant(rowBuild(row)!)"
                  :name="`Over the years, ${rowBuild(row)!.label}`"
                >
                  {{ money(rowBuild(row)!.horizonCost) }}
                </WorkingLink><template v-else>
                  {{ money(rowBuild(row)!.horizonCost) }}
                </template>
              </td>
              <td class="number">
                {{ number(rowBuild(row)!.possible) }}
              </td><td class="number">
                {{ quantity(rowBuild(row)!.roomTB, 'TB') }}
              </td><td class="number">
                {{ share(rowBuild(row)!.lossChanceAtHorizon) }}
              </td><td class="number">
                {{ quantity(rowBuild(row)!.idleW, 'W') }}
              </td>
              <td
                v-for="{ tier, build } in row.tiers"
                :key="tier.name"
                class="number"
              >
                <button
                  v-if="build"
                  type="button"
                  class="plain-button link"
                  :aria-label="`${tier.name}: ${build.label}, ${money(build.toPay)}`"
                  @pointerenter="look(build)"
                  @click="open(build)"
                >
                  {{ money(build.toPay) }}
                </button><span
                  v-else
                  class="soft"
                >none</span>
              </td>
              <td class="need">
                <StateMark
                  v-if="row.best"
                  state="enough"
                  small
                /><template v-else>
                  <StateMark
                    state="short"
                    small
                  /> <small>{{ lacksText(rowBuild(row)!.lacks) }}</small>
                </template>
              </td>
              <td class="no-print">
                <VBtn
                  v-if="row.best && row.way !== 'stay' && row.best.second === null"
                  size="x-small"
                  variant="outlined"
                  color="primary"
                  :aria-label="`Apply ${row.best.label}`"
                  @focus="look(row.best)"
                  @blur="look(null)"
                  @click="apply(row.best)"
                >
                  Apply
                </VBtn>
              </td>
            </template>
            <td
              v-else
              :colspan="9 + tiers.length"
              class="soft"
            >
              No build of this kind can meet the need, even with one part of it given up.
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft small">
      Each row is the end of an exact search over boards, processors, memory, cards, cases, supplies, controllers, drives of one model and layouts; what you own costs nothing. Prices are planning values, models are invented. A tier shows the best build that costs no more than its limit now.
    </p>
  </section>
  <InspectorPanel
    v-if="shown"
    :heading="shown.build.label || wayNames[shown.build.way]"
    :index="builds.findIndex(({ build }) => keyOf(build) === picked)"
    :count="builds.length"
    @close="picked = null"
    @step="step"
  >
    <p>
      <strong>{{ wayNames[shown.build.way] }}</strong>, {{ shown.build.drives }}. {{ shown.meets ? 'It meets the whole need.' : lacksText(shown.build.lacks) }}
    </p>
    <dl class="facts">
      <dt>To pay now</dt><dd>{{ money(shown.build.toPay) }}</dd>
      <dt>Over {{ span }}</dt><dd>{{ money(shown.build.horizonCost) }}</dd>
      <dt>Conversions</dt><dd>{{ number(shown.build.possible) }}</dd>
      <dt>Room</dt><dd>{{ quantity(shown.build.roomTB, 'TB') }}</dd>
      <dt>Idle</dt><dd>{{ quantity(shown.build.idleW, 'W') }}</dd>
      <dt>Free bays</dt><dd>{{ number(shown.build.freeBays) }}</dd>
    </dl>
    <p
      v-if="shown.build.second"
      class="soft"
    >
      One machine stores, the other converts; work is kept apart, and both take power. Apply one of them, and enter the other as a second machine.
    </p>
    <div class="acts">
      <VBtn
        v-if="shown.build.way !== 'stay' && shown.build.second === null"
        color="primary"
        variant="flat"
        size="small"
        @click="apply(shown.build)"
      >
        Apply
      </VBtn>
      <VBtn
        v-if="shown.build.way !== 'stay'"
        variant="outlined"
        size="small"
        @click="keep(shown.build)"
      >
        Keep as a new plan
      </VBtn>
    </div>
    <PlanField path="brief.budget" />
    <PlanField path="choices.horizonYears" />
  </InspectorPanel>
</template>

<style scoped>
.answer { font-size: 1.12rem; margin-bottom: 12px; max-width: 78ch; }
.controls { display: flex; flex-wrap: wrap; gap: 12px; margin-bottom: 12px; align-items: center; }
.field, .table-sheet { margin-top: 16px; }
.scroll { overflow: auto; position: relative; max-height: 400px; }
@media print { .scroll { max-height: none; } }
.data-table { min-width: 1000px; font-size: 0.86rem; }
th[scope='row'] { font-size: 0.9rem; color: inherit; min-width: 130px; vertical-align: top; }
td small { display: block; }
.link { text-decoration: underline; color: rgb(var(--v-theme-primary)); min-height: 24px; text-align: left; }
.need { min-width: 120px; }
.picked, tbody tr:hover { background: rgba(var(--v-theme-primary), 0.1); }
.facts { display: grid; grid-template-columns: 1fr auto; gap: 4px 12px; margin: 12px 0; }
.facts dd { font-variant-numeric: tabular-nums; font-weight: 600; }
.acts { display: flex; gap: 8px; flex-wrap: wrap; margin: 12px 0; }
</style>
