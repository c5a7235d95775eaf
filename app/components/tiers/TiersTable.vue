<script setup lang="ts">
import { computed, onBeforeUnmount } from 'vue'
import { mdiCheck } from '@mdi/js'
import { catalogue } from '~~/core/catalogue/catalogue'
import { estimateOf } from '~~/core/figure'
import { adoptWay } from '~~/core/tiers/adoptWay'
import { isAdopted, type WayComparison } from '~~/core/tiers/compareWays'
import WorkingLink from '~/components/common/WorkingLink.vue'
import StateMark from '~/components/common/StateMark.vue'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { pageLocale } from '~/services/pageLocale'
import { usePlanStore } from '~/stores/planStore'
import type { Variant } from '~/stores/workingStore'

/**
 * Six ways of building for this need, each through the very same assessment; under the pointer they
 * are tried on the headroom line.
 */
const store = usePlanStore()
const { money, quantity, range } = useFormat()
const { result } = useBackground(
  'compare',
  () => store.plan,
  (work, plan) => work.compareWays(plan, pageLocale()),
)
const ways = computed(() => result.value ?? [])
const kinds = { prebuilt: 'Prebuilt', 'self-built': 'Self-built' }

function figure(row: WayComparison, id: string) {
  return row.assessment.figures[id]!
}
function band(row: WayComparison, id: string): string {
  const estimate = estimateOf(figure(row, id))
  return estimate ? range(estimate, figure(row, id).unit) : '–'
}
function shown(row: WayComparison, id: string): string {
  const { value, unit } = figure(row, id)
  return value === null ? '–' : quantity(value, unit)
}
function fullText(row: WayComparison): string {
  const full = figure(row, 'drives.monthFull')
  return full.value === null
    ? 'not within 15 years'
    : full.value === 0
      ? 'full today'
      : `full in month ${full.value}`
}
function variant(row: WayComparison): Variant {
  return { plan: row.plan, label: `With ${row.way.label}` }
}
function tryOn(row: WayComparison | null): void {
  store.tried = row && !isAdopted(store.plan!, row.way, catalogue) ? row.plan : null
}
function adopt(row: WayComparison): void {
  store.tried = null
  // Onto the plan as it is now: the comparison may be a moment older.
  if (store.plan) store.replace(adoptWay(store.plan, row.way, catalogue))
}
onBeforeUnmount(() => tryOn(null))
</script>

<template>
  <section class="sheet">
    <div
      class="scroll"
      tabindex="0"
      role="region"
      aria-label="Builds compared"
      @pointerleave="tryOn(null)"
    >
      <table class="data-table">
        <thead>
          <tr>
            <th scope="col">Build</th>
            <th scope="col" class="number">Price now</th>
            <th scope="col" class="number">Conversions</th>
            <th scope="col">Room</th>
            <th scope="col">If a drive fails</th>
            <th scope="col" class="number">Idle</th>
            <th scope="col" class="number">Electricity a year</th>
            <th scope="col">For this need</th>
            <th scope="col">
              <span class="visually-hidden">Apply</span>
            </th>
          </tr>
        </thead>
        <tbody v-for="row in ways" :key="row.way.id">
          <tr
            :data-way="row.way.id"
            :class="{ adopted: isAdopted(store.plan!, row.way, catalogue) }"
            @pointerenter="tryOn(row)"
            @focusin="tryOn(row)"
            @focusout="tryOn(null)"
          >
            <td class="way">
              <small class="tier">{{ row.way.tier }} · {{ kinds[row.way.kind] }}</small>
              <strong>{{ row.way.label }}</strong>
              <small class="soft"
                >{{ row.way.description }}
                {{ `${row.way.drives.count}\u00A0×\u00A0${row.way.drives.sizeTB}\u00A0TB.` }}</small
              >
            </td>
            <td class="number">
              <WorkingLink
                figure="ownership.purchase"
                :variant="variant(row)"
                :name="`Price now, ${row.way.label}`"
              >
                {{ shown(row, 'ownership.purchase') }}
              </WorkingLink>
              <small v-if="!row.withinCap" class="soft"
                >over the tier's {{ money(row.way.capPrice) }}</small
              >
            </td>
            <td class="number">
              <WorkingLink
                figure="streams.possible"
                :variant="variant(row)"
                :name="`Conversions, ${row.way.label}`"
              >
                {{ band(row, 'streams.possible') }}
              </WorkingLink>
              <small class="soft"
                >{{ store.assessment?.figures['streams.asked']?.value }} needed</small
              >
            </td>
            <td>
              <WorkingLink
                figure="drives.roomTB"
                :variant="variant(row)"
                :name="`Room, ${row.way.label}`"
              >
                {{ shown(row, 'drives.roomTB') }}
              </WorkingLink>
              <small class="soft"
                ><WorkingLink
                  figure="drives.monthFull"
                  :variant="variant(row)"
                  :name="`Month full, ${row.way.label}`"
                >
                  {{ fullText(row) }}
                </WorkingLink></small
              >
            </td>
            <td class="dead">
              {{ row.failedDrive }}
            </td>
            <td class="number">
              <WorkingLink
                figure="machine.idleW"
                :variant="variant(row)"
                :name="`Idle watts, ${row.way.label}`"
              >
                {{ shown(row, 'machine.idleW') }}
              </WorkingLink>
            </td>
            <td class="number">
              <WorkingLink
                figure="ownership.electricityPerYear"
                :variant="variant(row)"
                :name="`Electricity a year, ${row.way.label}`"
              >
                {{ shown(row, 'ownership.electricityPerYear') }}
              </WorkingLink>
            </td>
            <td class="need">
              <StateMark v-if="row.meets" state="enough" />
              <template v-else>
                <p v-for="verdict in row.failing" :key="verdict.id">
                  <StateMark :state="verdict.state" small /> {{ verdict.sentence }}
                </p>
              </template>
              <small v-if="row.meets" class="soft">Meets the need: nothing falls short.</small>
            </td>
            <td>
              <span v-if="isAdopted(store.plan!, row.way, catalogue)" class="is-adopted"
                ><VIcon :icon="mdiCheck" size="18" /> In the plan</span
              >
              <VBtn
                v-else
                variant="outlined"
                color="primary"
                size="small"
                :aria-label="`Apply ${row.way.label}`"
                @click="adopt(row)"
              >
                Apply
              </VBtn>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft small">
      Household, library, internet line and choices are the same for all six; each brings its own
      machine, drives and layout. Models are invented, prices are planning values. Applying one can
      be undone.
    </p>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  position: relative;
}
.data-table {
  font-size: 0.86rem;
  min-width: 980px;
}
td small {
  display: block;
  font-size: 0.76rem;
  line-height: 1.35;
}
.way {
  min-width: 190px;
}
.way strong {
  font-size: 1rem;
}
.tier {
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
}
.dead {
  min-width: 150px;
  font-size: 0.8rem;
}
.need {
  min-width: 190px;
  font-size: 0.82rem;
}
.need p {
  margin: 0 0 4px;
}
tbody tr:hover,
tbody tr:focus-within {
  background: rgb(var(--v-theme-surface-light));
}
.adopted {
  background: rgba(var(--v-theme-primary), 0.1);
}
.is-adopted {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
  white-space: nowrap;
  font-size: 0.82rem;
}
</style>
