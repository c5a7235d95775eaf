<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { cannotDo } from '~~/core/drives/cannotDo'
import { compareLayouts, type LayoutComparison } from '~~/core/drives/compareLayouts'
import { refusalText } from '~~/core/drives/refusalText'
import { editPlan } from '~~/core/plan/editPlan'
import { tebibytes } from '~~/core/units/dataSize'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { fieldElementId } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { usePoolChoices } from '~/composables/usePoolChoices'
import { usePlanStore } from '~/stores/planStore'
import type { Variant } from '~/stores/workingStore'

/** Every layout on these drives; press one to take it. */
const store = usePlanStore()
const choices = usePoolChoices()
const { number, share, hours, money, format } = useFormat()
const content = computed(() => store.assessment?.figures['library.contentAtHorizonTB']?.value ?? 0)
const rows = computed(() =>
  store.plan && choices.value
    ? compareLayouts(
        { drives: store.plan.drives, choices: choices.value },
        catalogue,
        content.value,
      )
    : [],
)
const most = computed(() => Math.max(1e-9, store.assessment?.figures['drives.rawTB']?.value ?? 0))
const chosen = computed(() => store.assessment?.domains.drives.layoutId)
const hasTwo = computed(
  () => (store.plan?.drives.lots ?? []).reduce((sum, { count }) => sum + count, 0) === 2,
)
const years = computed(() => store.plan?.choices.horizonYears ?? 5)
function variant(row: LayoutComparison): Variant | null {
  if (!store.plan || row.layout.id === chosen.value) return null
  const result = editPlan(store.plan, 'drives.layout', row.layout.id)
  return result.ok ? { plan: result.plan, label: `With ${row.layout.label}` } : null
}
/** What goes on until a failed drive is replaced. */
function meanwhile({ layout, survives }: LayoutComparison): string {
  if (survives === 0) return layout.loss === 'everything' ? 'all is lost' : 'its files are lost'
  return layout.runsOn
    ? 'everything plays on'
    : layout.parity
      ? 'its files wait for the rebuild'
      : 'switch to the copy by hand'
}
function group({ layout, inGroups }: LayoutComparison): void {
  const { plan } = store
  if (plan && inGroups)
    store.replace({
      ...plan,
      drives: { ...plan.drives, layout: layout.id, lots: [...inGroups.lots] },
    })
}
const cannot = ({ layout }: LayoutComparison) =>
  cannotDo(layout, store.plan?.drives.expandsParity ?? true).join('; ') || '–'
function choose(id: string): void {
  store.edit('drives.layout', id)
}
</script>

<template>
  <section :id="fieldElementId('drives.layout')" class="sheet">
    <h2>The same drives under every layout</h2>
    <p v-if="store.assessment?.domains.drives.isAutomatic" class="small">
      No layout is chosen yet; it follows the number of drives and how many may fail.
    </p>
    <p v-if="hasTwo" data-two-drives>
      With two drives a mirror and a nightly copy protect against different things. A mirror has no
      gap: if a drive fails, nothing is missing; but what you delete by mistake is gone from both. A
      nightly copy is up to a day behind; but until its next run you can take back from it what you
      deleted.
    </p>
    <div class="scroll" tabindex="0" role="region" aria-label="Layouts compared">
      <table class="data-table">
        <thead>
          <tr>
            <th scope="col">Layout</th>
            <th scope="col" class="number">Usable, TB</th>
            <th scope="col" class="number">Room, TB</th>
            <th scope="col" class="number">A usable TB costs</th>
            <th scope="col" class="number">Survives</th>
            <th scope="col" class="number">Rebuild</th>
            <th scope="col" class="number">Loss in {{ counted(years, 'year') }}</th>
            <th scope="col" class="number">Expected to be lost</th>
            <th scope="col">Cannot</th>
            <th scope="col">Grows by</th>
            <th scope="col">One drive readable alone</th>
            <th scope="col">Tied to</th>
            <th scope="col">While a drive is failed</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in rows"
            :key="row.layout.id"
            :class="{ chosen: row.layout.id === chosen, refused: row.refusal }"
            :data-layout="row.layout.id"
            @click="choose(row.layout.id)"
          >
            <td class="name">
              <label>
                <input
                  type="radio"
                  name="layout"
                  :checked="row.layout.id === chosen"
                  @change="choose(row.layout.id)"
                />
                <span
                  >{{ row.layout.label
                  }}<small class="soft">{{
                    row.refusal
                      ? refusalText(row.refusal, row.layout.id, format)
                      : row.layout.description
                  }}</small></span
                >
              </label>
              <p v-if="row.inGroups" class="small groups" data-by-size>
                In {{ number(row.inGroups.groups) }} groups by size:
                {{ number(row.inGroups.usableTB, 3) }} TB usable, loss
                {{ share(row.inGroups.lossChanceAtHorizon) }}.
                <VBtn
                  size="small"
                  variant="outlined"
                  color="primary"
                  :aria-label="`${row.layout.label} in groups by size`"
                  @click.stop="group(row)"
                >
                  Group them so
                </VBtn>
              </p>
            </td>
            <td class="number usable">
              <template v-if="row.usableTB !== null">
                <WorkingLink
                  figure="drives.usableTB"
                  :variant="variant(row)"
                  :name="`Usable, ${row.layout.label}`"
                >
                  {{ number(row.usableTB, 3) }}
                </WorkingLink>
                <small class="soft">{{ number(tebibytes(row.usableTB), 3) }} TiB</small>
                <span class="track"
                  ><span :style="{ width: `${(row.usableTB / most) * 100}%` }"
                /></span>
              </template>
              <template v-else> – </template>
            </td>
            <td class="number">
              <template v-if="row.roomTB === null"> – </template>
              <WorkingLink
                v-else
                figure="drives.roomTB"
                :variant="variant(row)"
                :name="`Room, ${row.layout.label}`"
              >
                {{ number(row.roomTB, 3) }}
              </WorkingLink>
            </td>
            <td class="number">
              <template v-if="row.pricePerUsableTB === null"> – </template>
              <WorkingLink
                v-else
                figure="ownership.pricePerUsableTB"
                :variant="variant(row)"
                :name="`A usable TB, ${row.layout.label}`"
              >
                {{ money(row.pricePerUsableTB) }}
              </WorkingLink>
            </td>
            <td class="number">
              {{ row.survives ?? '–' }}
            </td>
            <td class="number">
              <template v-if="row.rebuildHours === null"> – </template>
              <WorkingLink
                v-else
                figure="drives.rebuildHours"
                :variant="variant(row)"
                :name="`Rebuild, ${row.layout.label}`"
              >
                {{ hours(row.rebuildHours) }}
              </WorkingLink>
            </td>
            <td class="number">
              <template v-if="row.lossChanceAtHorizon === null"> – </template>
              <WorkingLink
                v-else
                figure="drives.lossChanceAtHorizon"
                :variant="variant(row)"
                :name="`Loss, ${row.layout.label}`"
              >
                {{ share(row.lossChanceAtHorizon) }}
              </WorkingLink>
            </td>
            <td class="number">
              {{ row.expectedLostShare === null ? '–' : share(row.expectedLostShare) }}
            </td>
            <td class="cannot">{{ cannot(row) }}</td>
            <td class="words">{{ row.layout.growsBy }}</td>
            <td>{{ row.layout.readableAlone }}</td>
            <td class="words">{{ row.layout.tiedTo }}</td>
            <td class="words">{{ meanwhile(row) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft small">
      What a usable terabyte costs counts every drive as if it were bought, with the bay and the
      port that it takes. Loss counts failing drives only, at the likely failure rate: the chance
      that anything is lost, and beside it the share of all that is kept that is expected to be
      lost. Of separate disks any may fail, but only its own files are lost. Changing the layout
      later mostly means emptying the pool.
    </p>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  position: relative;
}
tr {
  cursor: pointer;
}
tbody tr:hover {
  background: rgb(var(--v-theme-surface-light));
}
.chosen {
  background: rgba(var(--v-theme-primary), 0.12);
}
.refused td {
  color: rgb(var(--v-theme-ink-soft));
}
.name {
  min-width: 260px;
}
label {
  display: flex;
  gap: 8px;
  cursor: pointer;
}
label input {
  accent-color: rgb(var(--v-theme-primary));
  margin-top: 3px;
}
td small {
  display: block;
  font-size: 0.76rem;
}
label small {
  display: block;
  font-size: 0.78rem;
}
.usable {
  min-width: 84px;
}
.cannot,
.words {
  min-width: 190px;
}
@media (max-width: 599px) {
  .name {
    min-width: 190px;
  }
}
.groups {
  margin: 4px 0 0 24px;
}
.track {
  display: block;
  height: 5px;
  background: rgb(var(--v-theme-surface-light));
  margin-top: 3px;
}
.track span {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-water-line));
}
</style>
