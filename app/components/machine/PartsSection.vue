<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { MachinePart } from '~~/core/plan/machine'
import { maxParts } from '~~/core/plan/constants'
import { partGroups, type PartGroup, type PartLine } from '~~/core/machine/parts/partsList'
import { partsCsv } from '~~/core/machine/parts/partsCsv'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import { downloadText, planFileStem } from '~/composables/planDownload'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'
import { usePartsList } from '~/composables/usePartsList'
import { inBackground } from '~/services/background'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'
import CsvImport from './CsvImport.vue'
import OwnParts from './OwnParts.vue'

/** Everything that is bought, by group, with both sums, and what is easily forgotten. */
const store = usePlanStore()
const working = useWorkingStore()
const { put, remove, preview, withPartIn } = useMachineParts()
const { lines, totals, perUse, forgotten } = usePartsList()
const { money, number, share } = useFormat()
const picked = ref<number | null>(null)
const conditions = { new: 'new', refurbished: 'refurbished', owned: 'owned' } as const
const purposes = { fitted: '', spare: 'spare', later: 'for later' } as const
const groups = computed(() =>
  (Object.keys(partGroups) as PartGroup[])
    .map(group => ({
      group,
      label: partGroups[group],
      own: lines.value.filter(line => line.group === group),
    }))
    .filter(({ own }) => own.length > 0),
)
const sumOf = (own: readonly PartLine[]) => own.reduce((sum, { toPay }) => sum + (toPay ?? 0), 0)
const pickedLine = computed(
  () => lines.value.find(({ index }) => index !== null && index === picked.value) ?? null,
)
const order = computed(() => lines.value.flatMap(({ index }) => index ?? []))
function step(by: number): void {
  picked.value =
    order.value[
      (order.value.indexOf(picked.value ?? -1) + by + order.value.length) % order.value.length
    ] ?? null
}
watch(
  () => working.target,
  target => {
    const index = target?.startsWith('machine.parts.') ? Number(target.split('.')[2]) : NaN
    if (Number.isInteger(index)) picked.value = index
  },
  { immediate: true },
)
function removePicked(): void {
  if (picked.value === null) return
  remove(picked.value)
  picked.value = null
}
function addForgotten(ref: string, count: number): void {
  const plan = store.plan
  if (!plan) return
  const known = plan.machine.parts.findIndex(part => part.ref === ref && part.purpose === 'fitted')
  if (known >= 0)
    store.edit(
      `machine.parts.${known}.count`,
      Math.min(16, plan.machine.parts[known]!.count + count),
    )
  else store.edit('machine.parts', [...plan.machine.parts, { ref, count: Math.min(16, count) }])
}
const read = (text: string) =>
  inBackground('compare', core => core.readPartsCsv(store.plan!, text)) as Promise<{
    readonly parts: readonly MachinePart[]
    readonly problems: readonly { readonly line: number; readonly message: string }[]
    readonly moreProblems: number
  }>
const actions = [
  {
    label: 'Add to the list',
    run: (rows: readonly MachinePart[]) =>
      store.edit('machine.parts', [...(store.plan?.machine.parts ?? []), ...rows]),
  },
  {
    label: 'Replace the parts',
    run: (rows: readonly MachinePart[]) => store.edit('machine.parts', [...rows]),
  },
]
function addExtra(ref: string, count: number): void {
  preview(null)
  addForgotten(ref, count)
}
function exportList(): void {
  const plan = store.plan
  if (plan)
    downloadText(
      `${planFileStem(plan)}-parts.csv`,
      partsCsv(lines.value, {
        currency: plan.brief.currency,
        placeOf: index => plan.machine.parts[index]?.at ?? '',
      }),
      'text/csv',
    )
}
function print(): void {
  window.print()
}
</script>

<template>
  <div class="columns">
    <section :id="fieldElementId('machine.parts')" class="sheet">
      <div class="sums">
        <p>
          <span class="soft">To pay now</span><strong>{{ money(totals.toPay) }}</strong>
        </p>
        <p>
          <span class="soft">Of it without drives</span
          ><strong>{{ money(totals.toPayWithoutDrives) }}</strong>
        </p>
        <p>
          <span class="soft">As if all were bought</span
          ><strong>{{ money(totals.asIfBought) }}</strong>
        </p>
        <p v-if="totals.risk > 0">
          <span class="soft">Untested parts, on average</span
          ><strong>{{ money(totals.risk) }}</strong>
        </p>
        <p v-for="use in perUse" :key="use.label">
          <span class="soft">For each {{ use.label }}</span
          ><strong>{{ use.price === null ? '–' : money(use.price) }}</strong>
        </p>
      </div>
      <div class="table-scroll">
        <table class="data-table">
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col" class="number">Count</th>
              <th scope="col">Bought</th>
              <th scope="col" class="number">Each</th>
              <th scope="col" class="number">To pay</th>
            </tr>
          </thead>
          <tbody v-for="{ group, label, own } in groups" :key="group">
            <tr class="group">
              <th scope="rowgroup" colspan="4">
                {{ label }}
              </th>
              <td class="number">
                <strong>{{ money(sumOf(own)) }}</strong>
              </td>
            </tr>
            <tr
              v-for="(line, at) in own"
              :key="`${line.index} ${at}`"
              :class="{ picked: line.index !== null && line.index === picked }"
            >
              <td>
                <button
                  v-if="line.index !== null"
                  type="button"
                  class="plain-button name"
                  :data-line="line.index"
                  @click="picked = picked === line.index ? null : line.index"
                >
                  {{ line.label }}
                </button>
                <span v-else>{{ line.label }}</span>
                <small class="soft">
                  {{
                    [
                      purposes[line.purpose],
                      line.deadChance > 0 ? `${share(line.deadChance)} dead` : '',
                      line.note,
                    ]
                      .filter(Boolean)
                      .join(' · ')
                  }}</small
                >
              </td>
              <td class="number">
                {{ number(line.count) }}
              </td>
              <td>{{ conditions[line.condition] }}</td>
              <td class="number">
                {{
                  line.priceEach === null
                    ? 'not known'
                    : `${line.isUsual ? '≈ ' : ''}${money(line.priceEach)}`
                }}
              </td>
              <td class="number">
                {{
                  line.toPay === null
                    ? 'not known'
                    : line.condition === 'owned'
                      ? 'nothing'
                      : money(line.toPay)
                }}
              </td>
            </tr>
          </tbody>
          <tbody v-if="(store.plan?.costs.extras ?? 0) > 0">
            <tr class="group">
              <th scope="rowgroup" colspan="4">Extras, as entered under Ownership</th>
              <td class="number">
                <strong>{{ money(store.plan?.costs.extras ?? 0) }}</strong>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="totals.unpriced" class="soft">
        {{ totals.unpriced === 1 ? 'One line has' : `${totals.unpriced} lines have` }} no price and
        {{ totals.unpriced === 1 ? 'is' : 'are' }} not in the sums.
      </p>
      <div class="buttons no-print">
        <VBtn size="small" variant="outlined" color="primary" @click="exportList">
          Export (CSV)
        </VBtn>
        <VBtn size="small" @click="print"> Print </VBtn>
        <CsvImport label="Import a list (CSV)" what="line" :read="read" :actions="actions" />
      </div>
      <p class="soft small">
        ≈ is the price of the catalogue, where none is entered. Put parts in under Map; a machine
        holds at most {{ maxParts }} lines.
      </p>
    </section>
    <div class="side">
      <section class="sheet">
        <h2>{{ forgotten.length ? 'Easily forgotten' : 'Nothing is forgotten' }}</h2>
        <p v-if="forgotten.length === 0" class="soft">
          Cables, plugs, a disk for the system and a UPS are in the list, or not needed.
        </p>
        <ul class="forgotten">
          <li
            v-for="extra in forgotten"
            :key="extra.id"
            :data-forgotten="extra.id"
            @pointerenter="extra.ref && preview(withPartIn(extra.ref))"
            @pointerleave="preview(null)"
          >
            <span
              >{{ extra.count > 1 ? `${extra.count} × ` : ''
              }}{{
                extra.id === 'ups'
                  ? `UPS: ${extra.label}`
                  : extra.id === 'fan'
                    ? `Fan: ${extra.label}`
                    : extra.id === 'systemDisk'
                      ? `System disk: ${extra.label}`
                      : extra.label
              }}</span
            >
            <span class="number soft">{{
              extra.price > 0
                ? money(extra.price)
                : extra.id === 'copyDrives'
                  ? 'nothing now'
                  : 'next to nothing'
            }}</span>
            <VBtn
              v-if="extra.ref"
              size="x-small"
              variant="outlined"
              color="primary"
              class="no-print"
              :aria-label="`Add ${extra.label}`"
              @click="extra.ref && addExtra(extra.ref, extra.count)"
            >
              Add
            </VBtn>
          </li>
        </ul>
      </section>
      <OwnParts />
    </div>
  </div>
  <InspectorPanel
    v-if="pickedLine && picked !== null"
    :heading="pickedLine.label"
    :index="order.indexOf(picked)"
    :count="order.length"
    @close="picked = null"
    @step="step"
  >
    <PlanField :path="`machine.parts.${picked}.ref`" />
    <PlanField :path="`machine.parts.${picked}.count`" />
    <PlanField :path="`machine.parts.${picked}.condition`" />
    <PlanField
      :path="`machine.parts.${picked}.price`"
      :placeholder="
        pickedLine.priceEach === null ? 'not known' : `≈ ${money(pickedLine.priceEach)}`
      "
    />
    <PlanField :path="`machine.parts.${picked}.purpose`" />
    <PlanField :path="`machine.parts.${picked}.at`" />
    <PlanField :path="`machine.parts.${picked}.deadChance`" />
    <PlanField :path="`machine.parts.${picked}.note`" />
    <div class="buttons">
      <VBtn size="small" :aria-label="`Remove ${pickedLine.label}`" @click="removePicked">
        Remove
      </VBtn>
      <VBtn size="small" @click="put(pickedLine.ref)"> One more </VBtn>
    </div>
  </InspectorPanel>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.7fr) minmax(280px, 1fr);
}
.sums {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  gap: 10px;
  margin-bottom: 12px;
}
.sums p {
  display: flex;
  flex-direction: column;
}
.sums strong {
  font-size: 1.1rem;
  font-variant-numeric: tabular-nums;
}
.table-scroll {
  position: relative;
  overflow-x: auto;
}
.group th {
  padding-top: 12px;
  color: inherit;
  font-size: 0.9rem;
  font-weight: 650;
}
.name {
  min-height: 26px;
  text-decoration: underline dotted rgb(var(--v-theme-primary));
  text-underline-offset: 3px;
}
.picked {
  background: rgba(var(--v-theme-primary), 0.1);
}
.buttons {
  display: flex;
  gap: 8px 16px;
  flex-wrap: wrap;
  align-items: flex-start;
  margin-top: 10px;
}
.forgotten {
  list-style: none;
  padding: 0;
}
.forgotten li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
}
</style>
