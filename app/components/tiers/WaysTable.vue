<script setup lang="ts">
import { computed } from 'vue'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import type { WayRow } from '~~/core/tiers/search/wayRows'
import StateMark from '~/components/common/StateMark.vue'
import { useFormat } from '~/composables/useFormat'
import type { useWays } from '~/composables/useWays'
import { lacksText } from './lacksText'
import WaySum from './WaySum.vue'
import { keyOf } from './waysLayout'

/**
 * Every way of building in a row: its best build, the best within each tier, and what fails with
 * its reason.
 */
const props = defineProps<{
  ways: ReturnType<typeof useWays>
  span: string
  picked: string | null
}>()
const emit = defineEmits<{ open: [WayBuild] }>()
const { rows, tiers, look, apply } = props.ways
const { money, quantity, number, share } = useFormat()
const columns = computed(() => [
  'Price now',
  `Over ${props.span}`,
  'Conversions',
  'Room',
  'Chance of loss',
  'Idle',
  ...tiers.value.map(({ name, cap }) => `${name}, ${money(cap)}`),
])
const shown = computed(() => rows.value.map(row => ({ row, build: row.best ?? row.closest })))
const canApply = ({ best, way }: WayRow) => best !== null && way !== 'stay' && best.second === null
</script>

<template>
  <section class="sheet">
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
            <th scope="col">Way</th>
            <th scope="col">Best build</th>
            <th v-for="label in columns" :key="label" scope="col" class="number">
              {{ label }}
            </th>
            <th scope="col">For this need</th>
            <th scope="col">
              <span class="visually-hidden">Apply</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ row, build } in shown"
            :key="row.way"
            :data-way-row="row.way"
            :class="{ picked: build && keyOf(build) === picked }"
            @pointerenter="look(build)"
          >
            <th scope="row">
              {{ wayNames[row.way] }}
            </th>
            <template v-if="build">
              <td>
                <button type="button" class="plain-button link" @click="emit('open', build)">
                  {{ build.label }}
                </button>
                <small class="soft">{{ build.drives }}</small>
              </td>
              <td class="number">
                <WaySum :build="build" of="toPay" />
              </td>
              <td class="number">
                <WaySum :build="build" of="horizonCost" />
              </td>
              <td class="number">
                {{ number(build.possible) }}
              </td>
              <td class="number">
                {{ quantity(build.roomTB, 'TB') }}
              </td>
              <td class="number">
                {{ share(build.lossChanceAtHorizon) }}
              </td>
              <td class="number">
                {{ quantity(build.idleW, 'W') }}
              </td>
              <td v-for="{ tier, build: within } in row.tiers" :key="tier.name" class="number">
                <button
                  v-if="within"
                  type="button"
                  class="plain-button link"
                  :aria-label="`${tier.name}: ${within.label}, ${money(within.toPay)}`"
                  @pointerenter="look(within)"
                  @click="emit('open', within)"
                >
                  {{ money(within.toPay) }}</button><span v-else class="soft">none</span>
              </td>
              <td class="need">
                <StateMark v-if="row.best" state="enough" small /><template v-else>
                  <StateMark state="short" small /> <small>{{ lacksText(build.lacks) }}</small>
                </template>
              </td>
              <td class="no-print">
                <VBtn
                  v-if="canApply(row)"
                  size="x-small"
                  variant="outlined"
                  color="primary"
                  :aria-label="`Apply ${row.best!.label}`"
                  @focus="look(row.best)"
                  @blur="look(null)"
                  @click="apply(row.best!)"
                >
                  Apply
                </VBtn>
              </td>
            </template>
            <td v-else :colspan="columns.length + 3" class="soft">
              Nothing of this kind can be put together here.
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft small">
      Each row is the end of an exact search over boards, processors, memory, cards, cases,
      supplies, controllers, drives of one model and layouts; what you own costs nothing. Prices are
      planning values, models are invented. A tier shows the best build that costs no more than its
      limit now. A computer on which somebody also works or plays gets a row of its own once its
      hours are entered under Machine, At hand.
    </p>
  </section>
</template>

<style scoped>
.scroll {
  overflow: auto;
  position: relative;
  max-height: 400px;
}
@media print {
  .scroll {
    max-height: none;
  }
}
.data-table {
  min-width: 1000px;
  font-size: 0.86rem;
}
th[scope='row'] {
  font-size: 0.9rem;
  color: inherit;
  min-width: 130px;
  vertical-align: top;
}
td small {
  display: block;
}
.link {
  text-decoration: underline;
  color: rgb(var(--v-theme-primary));
  min-height: 24px;
  text-align: left;
}
.need {
  min-width: 120px;
}
th[scope='row'] + td {
  min-width: 150px;
}
.picked,
tbody tr:hover {
  background: rgba(var(--v-theme-primary), 0.1);
}
</style>
