<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { coverageOf } from '~~/core/drives/perilChances'
import { measureIds, perilTable, type MeasureId, type PerilId } from '~~/core/catalogue/perilTable'
import { newPart } from '~~/core/machine/partChanges'
import { bestUps } from '~~/core/machine/power/upsChoice'
import { maxParts } from '~~/core/plan/constants'
import { isUps } from '~~/core/plan/hasUps'
import { editPlan } from '~~/core/plan/editPlan'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import type { Plan } from '~~/core/plan/planSchema'
import { ratedUps } from '~~/core/machine/power/upsSize'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/**
 * Perils by measures: how likely each peril is, what it still reaches behind redundancy, and what
 * each measure holds of it. A measure
 * is switched by its heading; hover or focus to preview.
 */
const store = usePlanStore()
const { share, number } = useFormat()
const perils = computed(() => store.assessment?.domains.drives.pool?.perils ?? null)
const names: Readonly<Record<MeasureId, string>> = {
  snapshots: 'Snapshots',
  ups: 'UPS',
  secondBox: 'Second machine',
  offlineCopy: 'Offline copy',
  awayCopy: 'Copy away',
}
/**
 * by measure: the field that says whether it is there, and what it is set to when it is switched on
 */
const switches: Readonly<
  Record<
    Exclude<MeasureId, 'ups'>,
    { readonly path: string; readonly on: unknown; readonly off: unknown }
  >
> = {
  snapshots: { path: 'drives.snapshotMonths', on: 3, off: 0 },
  secondBox: { path: 'drives.secondBox', on: 'irreplaceable', off: 'nothing' },
  offlineCopy: { path: 'drives.offlineCopy', on: 'irreplaceable', off: 'nothing' },
  awayCopy: { path: 'drives.awayCopy', on: 'irreplaceable', off: 'nothing' },
}
const chanceFields: Readonly<Record<string, string>> = {
  sector: 'drives.sectorChance',
  deletion: 'drives.deletionChance',
  malware: 'drives.malwareChance',
  surge: 'drives.surgeChance',
  theft: 'drives.theftChance',
  board: 'drives.boardChance',
  several: 'drives.severalChance',
}
const isOn = (measure: MeasureId) =>
  perils.value !== null && perils.value.perils[0]!.covers[measure] !== null
const most = computed(() =>
  Math.max(1e-9, ...(perils.value?.perils ?? []).map(peril => peril.reaches)),
)
/** On a scale of roots, so that rare perils can be seen beside likely ones. */
const width = (chance: number) => `${Math.sqrt(chance / most.value) * 100}%`

/** The plan without its UPS, or with the cheapest that holds its machine as long as is asked. */
function withUpsSwitched(plan: Plan): Plan | null {
  const { hardware } = effectiveCatalogue(plan, catalogue)
  const { machine } = plan
  const others = machine.parts.filter(part => !isUps(part, hardware))
  if (isOn('ups')) return { ...plan, machine: { ...machine, parts: others } }
  const loadW = store.assessment?.domains.machine.watts.converting.likely ?? 0
  // Of machines that none carries the fit warns; a full list of parts takes no more.
  const largest = ratedUps(hardware).toSorted((a, b) => b.ratingW - a.ratingW)[0]
  const unit = bestUps(hardware, loadW, plan.costs.upsMinutes) ?? largest
  return unit && others.length < maxParts
    ? { ...plan, machine: { ...machine, parts: [...others, newPart(unit.id)] } }
    : null
}
/** The plan with a measure switched over. */
function planWith(measure: MeasureId): Plan | null {
  if (!store.plan) return null
  if (measure === 'ups') return withUpsSwitched(store.plan)
  const { path, on, off } = switches[measure]
  const result = editPlan(store.plan, path, isOn(measure) ? off : on)
  return result.ok ? result.plan : null
}
function preview(measure: MeasureId | null): void {
  store.tried = measure && planWith(measure)
}
function toggle(measure: MeasureId): void {
  store.tried = null
  const next = planWith(measure)
  if (next) store.replace(next)
}

/** The coverages are numbers to enter, not bars. */
const changes = ref(false)
const problem = ref<string | null>(null)
const coverages = computed(() => store.plan?.drives.coverages ?? [])
const entered = (peril: PerilId, measure: MeasureId) =>
  coverageOf(
    perilTable.find(({ id }) => id === peril)!,
    measure,
    coverages.value,
  )
/** Enters a share; one that is the planning value again is not kept. */
function cover(peril: PerilId, measure: MeasureId, event: Event): void {
  const input = event.target as HTMLInputElement
  const percent = input.valueAsNumber
  const others = coverages.value.filter(
    coverage => coverage.peril !== peril || coverage.measure !== measure,
  )
  const isUsual = percent / 100 === perilTable.find(({ id }) => id === peril)!.covers[measure]
  problem.value =
    Number.isFinite(percent) && percent >= 0 && percent <= 100
      ? store.edit(
          'drives.coverages',
          isUsual ? others : [...others, { peril, measure, share: percent / 100 }],
        )
      : `What ${names[measure]} holds must be from 0 to 100 %.`
  if (problem.value) input.value = String(Math.round(entered(peril, measure) * 1000) / 10)
}
onBeforeUnmount(() => preview(null))
</script>

<template>
  <section class="sheet">
    <h2>What reaches the data in a year</h2>
    <p class="soft small">
      Each row is a peril: how likely it is, and what is left of it behind every measure for
      irreplaceable data. Press a measure to switch it; hover or focus to preview. The more of a
      cell is filled, the more the measure holds.
    </p>
    <div v-if="perils" class="scroll" tabindex="0" role="region" aria-label="Perils and measures">
      <table class="data-table perils">
        <thead>
          <tr>
            <th scope="col">Peril</th>
            <th scope="col">Chance a year</th>
            <th v-for="measure in measureIds" :key="measure" scope="col" class="measure">
              <button
                type="button"
                class="plain-button switch"
                :aria-pressed="isOn(measure)"
                :data-measure="measure"
                @click="toggle(measure)"
                @mouseenter="preview(measure)"
                @mouseleave="preview(null)"
                @focus="preview(measure)"
                @blur="preview(null)"
              >
                {{ names[measure] }}<small>{{ isOn(measure) ? 'there' : 'not there' }}</small>
              </button>
            </th>
            <th scope="col">Left of it</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="peril in perils.perils" :key="peril.id" :data-peril="peril.id">
            <th scope="row">
              {{ peril.label }}
            </th>
            <td class="chance">
              <PlanField
                v-if="chanceFields[peril.id]"
                :path="chanceFields[peril.id]!"
                :placeholder="number(peril.happens * 100, 2)"
                hide-label
              /><small v-if="peril.id === 'sector'" class="soft">each drive</small>
              <span v-if="!chanceFields[peril.id]">{{ share(peril.happens) }}</span>
            </td>
            <td
              v-for="measure in measureIds"
              :key="measure"
              class="cell"
              :class="{ off: peril.covers[measure] === null }"
            >
              <input
                v-if="changes"
                class="change"
                type="number"
                min="0"
                max="100"
                step="any"
                :aria-label="`${names[measure]} against ${peril.label}, per cent`"
                :value="Math.round(entered(peril.id, measure) * 1000) / 10"
                @change="cover(peril.id, measure, $event)"
              />
              <template v-else>
                <span
                  class="hold"
                  :style="{ width: `${(peril.covers[measure] ?? 0) * 100}%` }"
                /><span class="percent">{{
                  peril.covers[measure] === null ? '–' : share(peril.covers[measure]!)
                }}</span>
              </template>
            </td>
            <td class="left">
              <span class="track"
                ><span class="reaches" :style="{ width: width(peril.reaches) }" /><span
                  class="stays"
                  :style="{ width: width(peril.irreplaceable) }"
              /></span>
              <small>{{ share(peril.irreplaceable) }}</small>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-else class="soft">Put in drives that make the chosen layout to see this.</p>
    <div v-if="perils" :id="fieldElementId('drives.coverages')" class="tools no-print">
      <VBtn
        size="small"
        variant="outlined"
        color="primary"
        :aria-pressed="changes"
        @click="changes = !changes"
      >
        {{ changes ? 'Done' : 'Change what measures hold' }}
      </VBtn>
      <VBtn
        v-if="coverages.length"
        size="small"
        variant="text"
        @click="store.edit('drives.coverages', [])"
      >
        Back to the planning values
      </VBtn>
      <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
    </div>
    <p class="soft small">
      Bars on a scale of roots: light before the measures, dark what is left. What redundancy does
      is in the first two rows already. Chances and coverages are planning values.
    </p>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
.perils {
  min-width: 860px;
}
tbody th {
  font-weight: 600;
  color: inherit;
  font-size: 0.9rem;
  border-bottom: 1px solid rgba(var(--v-theme-hairline), 0.6);
  vertical-align: middle;
}
td {
  vertical-align: middle;
}
.measure {
  text-align: center;
}
.switch {
  width: 100%;
  min-height: 40px;
  padding: 3px 6px;
  border: 1px solid rgb(var(--v-theme-ink-soft));
  border-radius: 4px;
  text-align: center;
  color: rgb(var(--v-theme-on-surface));
}
.switch small {
  display: block;
  font-weight: 400;
  color: rgb(var(--v-theme-ink-soft));
}
.switch[aria-pressed='true'] {
  border-color: rgb(var(--v-theme-primary));
  background: rgba(var(--v-theme-primary), 0.14);
}
.switch:hover {
  border-color: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-primary));
}
.chance {
  width: 116px;
}
.cell {
  position: relative;
  width: 92px;
  text-align: center;
  font-variant-numeric: tabular-nums;
}
.hold {
  position: absolute;
  left: 6px;
  top: 8px;
  bottom: 8px;
  max-width: calc(100% - 12px);
  background: rgba(var(--v-theme-water), 0.6);
  border-radius: 2px;
}
.percent {
  position: relative;
  font-size: 0.84rem;
}
.change {
  width: 74px;
  min-height: 28px;
  padding: 2px 4px;
  text-align: right;
  border: 1px solid rgb(var(--v-theme-ink-soft));
  border-radius: 4px;
  background: rgb(var(--v-theme-surface));
  color: inherit;
  font: inherit;
  font-size: 0.88rem;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 8px 0;
}
.problem {
  color: rgb(var(--v-theme-state-short));
}
.off {
  color: rgb(var(--v-theme-ink-soft));
}
.left {
  width: 170px;
}
.track {
  position: relative;
  display: block;
  height: 14px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 2px;
  overflow: hidden;
}
.reaches,
.stays {
  position: absolute;
  left: 0;
  top: 0;
  bottom: 0;
}
.reaches {
  background: rgba(var(--v-theme-state-short), 0.28);
}
.stays {
  background: rgb(var(--v-theme-state-short));
}
.left small {
  font-variant-numeric: tabular-nums;
}
</style>
