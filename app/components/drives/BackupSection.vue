<script setup lang="ts">
import { computed, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import {
  backupPlan,
  placeIds,
  type HoldingCopy,
  type PlaceId,
} from '~~/core/drives/backup/backupPlan'
import { keepsUp } from '~~/core/drives/backup/lineCopy'
import { backupFigures, backupSentence } from '~~/core/drives/backup/tellBackup'
import { placeLabels } from '~~/core/drives/backup/backupSettings'
import PlanField from '~/components/common/PlanField.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * Which holding lies in which copy, how old the copy may be and how long until it is back; and what
 * each copy takes.
 */
const store = usePlanStore()
const { format, quantity, money, number } = useFormat()
const bitsPerByte = 8
/** Without a known link a second machine is copied to at this rate, MB/s. */
const usualMBps = 110
/** More holdings than this are shown when asked for. */
const shownAtFirst = 6
const shownCount = ref(shownAtFirst)
const moreAtATime = 20

const plan = computed(() => {
  const linkMbps = store.assessment?.figures['network.homeLinkMbps']?.value
  return (
    store.plan &&
    backupPlan({
      plan: store.plan,
      qualities: catalogue,
      linkMBps: linkMbps ? linkMbps / bitsPerByte : usualMBps,
    })
  )
})
const figures = computed(() =>
  plan.value && store.plan ? backupFigures(plan.value, store.plan.drives, format.value) : [],
)
const byId = computed(() => new Map(figures.value.map(figure => [figure.id, figure])))
const variant = computed(
  () => store.plan && { plan: store.plan, label: 'in the backup plan', figures: figures.value },
)
const sentence = computed(() => (plan.value ? backupSentence(plan.value, format.value) : ''))
const largest = computed(() =>
  Math.max(1e-9, ...(plan.value?.holdings ?? []).map(({ sizeTB }) => sizeTB)),
)
const placeOf = (id: PlaceId) => plan.value?.places.find(place => place.id === id) ?? null

/** Irreplaceable ones first, then by size; with what each place keeps of it. */
const rows = computed(() => {
  const held = new Map<string, { row: HoldingCopy; at: number }>()
  for (const place of plan.value?.places ?? [])
    place.rows.forEach((row, at) => held.set(`${place.id} ${row.holding.index}`, { row, at }))
  return (plan.value?.holdings ?? [])
    .map(holding => ({
      holding,
      copies: placeIds.map(id => ({ id, found: held.get(`${id} ${holding.index}`) ?? null })),
    }))
    .sort(
      (a, b) =>
        Number(b.holding.irreplaceable) - Number(a.holding.irreplaceable) ||
        b.holding.sizeTB - a.holding.sizeTB,
    )
})
const shown = computed(() => rows.value.slice(0, shownCount.value))
const text = (id: string) => {
  const figure = byId.value.get(id)
  return figure?.value == null
    ? 'never'
    : figure.unit === 'h'
      ? format.value.hours(figure.value)
      : figure.unit === 'money'
        ? money(figure.value)
        : quantity(figure.value, figure.unit)
}
const totals = [
  { what: 'copyTB', label: 'Size of the copy' },
  { what: 'media', label: 'Drives for it' },
  { what: 'nights', label: 'Nights until whole' },
  { what: 'pricePerYear', label: 'Price a year' },
]
const stuck = computed(() => plan.value?.places.find(place => !keepsUp(place.line)) ?? null)
</script>

<template>
  <section class="sheet">
    <p class="sentence">
      {{ sentence }}
    </p>
    <p v-if="stuck?.line" class="problem">
      {{
        stuck.line.nights !== null
          ? `The first copy away takes ${number(stuck.line.nights)} nights over this line, so it counts as not there. Carry it over on a drive, or let more of the night and the upload be used.`
          : stuck.line.perNightGB > 0
            ? `The copy away never catches up: ${quantity(stuck.line.changedGBPerDay, 'GB')} change a day, and ${quantity(stuck.line.perNightGB, 'GB')} get through in a night. Carry it on drives, or let more of the night and the upload be used.`
            : 'Nothing can be sent away: the upload is 0 Mb/s.'
      }}
    </p>
    <div class="scroll" tabindex="0" role="region" aria-label="Holdings and their copies">
      <table class="data-table plan-of-copies">
        <thead>
          <tr>
            <th scope="col">Holding</th>
            <th v-for="id in placeIds" :key="id" scope="col">
              <span class="place">{{ placeLabels[id] }}</span>
              <PlanField :path="`drives.${id}`" hide-label />
            </th>
            <th scope="col">Copied</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ holding, copies } in shown"
            :key="String(holding.index)"
            :data-holding="holding.index"
          >
            <th scope="row">
              {{ holding.name }}
              <span class="soft small"
                >{{ quantity(holding.sizeTB, 'TB')
                }}{{ holding.irreplaceable ? ', irreplaceable' : '' }}</span
              >
              <span
                class="bar"
                :class="{ own: holding.irreplaceable }"
                :style="{ width: `${Math.max(2, Math.sqrt(holding.sizeTB / largest) * 100)}%` }"
              />
            </th>
            <td v-for="{ id, found } in copies" :key="id" class="copy" :class="{ held: found }">
              <template v-if="found">
                <WorkingLink
                  :figure="`backup.${id}.${found.at}.copyTB`"
                  :variant="variant"
                  :name="`${holding.name}, size of the copy`"
                >
                  {{ text(`backup.${id}.${found.at}.copyTB`) }}
                </WorkingLink>
                <span class="small"
                  >at most
                  <WorkingLink
                    :figure="`backup.${id}.${found.at}.ageDays`"
                    :variant="variant"
                    :name="`${holding.name}, age of the copy`"
                    >{{ text(`backup.${id}.${found.at}.ageDays`) }}</WorkingLink
                  >
                  old, back in
                  <WorkingLink
                    :figure="`backup.${id}.${found.at}.backHours`"
                    :variant="variant"
                    :name="`${holding.name}, until it is back`"
                    >{{ text(`backup.${id}.${found.at}.backHours`) }}</WorkingLink
                  ></span
                >
                <span class="soft small"
                  >first copy
                  <WorkingLink
                    :figure="`backup.${id}.${found.at}.fullHours`"
                    :variant="variant"
                    :name="`${holding.name}, first copy`"
                    >{{ text(`backup.${id}.${found.at}.fullHours`) }}</WorkingLink>, then
                  <WorkingLink
                    :figure="`backup.${id}.${found.at}.incrementHours`"
                    :variant="variant"
                    :name="`${holding.name}, each further copy`"
                    >{{ text(`backup.${id}.${found.at}.incrementHours`) }}</WorkingLink
                  ></span
                >
              </template>
              <span v-else class="soft small">no copy</span>
            </td>
            <td class="choose">
              <PlanField
                v-if="holding.index !== null"
                :path="`library.holdings.${holding.index}.copies`"
                hide-label
              />
            </td>
          </tr>
        </tbody>
        <tfoot v-if="plan?.places.length">
          <tr v-for="{ what, label } in totals" :key="what">
            <th scope="row">
              {{ label }}
            </th>
            <td v-for="id in placeIds" :key="id">
              <WorkingLink
                v-if="placeOf(id) && byId.has(`backup.${id}.${what}`)"
                :figure="`backup.${id}.${what}`"
                :variant="variant"
                :name="`${placeLabels[id]}, ${label}`"
              >
                {{ text(`backup.${id}.${what}`) }}
              </WorkingLink>
            </td>
            <td />
          </tr>
        </tfoot>
      </table>
    </div>
    <button
      v-if="rows.length > shownAtFirst"
      type="button"
      class="plain-button more no-print"
      @click="shownCount = shownCount < rows.length ? shownCount + moreAtATime : shownAtFirst"
    >
      {{
        shownCount >= rows.length
          ? 'Show fewer holdings'
          : rows.length - shownCount <= moreAtATime
            ? `Show all ${number(rows.length)} holdings`
            : `Show ${moreAtATime} more of ${number(rows.length)} holdings`
      }}
    </button>
  </section>
  <div class="places">
    <section class="sheet" :class="{ soft: !placeOf('secondBox') }">
      <h2>{{ placeLabels.secondBox }}</h2>
      <div class="fields">
        <PlanField path="drives.secondBoxEveryDays" />
        <PlanField path="drives.secondBoxKept" />
        <PlanField path="drives.secondBoxW" />
      </div>
      <p class="soft small">It fails as any machine does, and what hits the house hits both.</p>
    </section>
    <section class="sheet" :class="{ soft: !placeOf('offlineCopy') }">
      <h2>{{ placeLabels.offlineCopy }}</h2>
      <div class="fields">
        <PlanField path="drives.offlineEveryDays" />
        <PlanField path="drives.offlineKept" />
        <PlanField path="drives.offlineMediumTB" />
        <PlanField path="drives.offlineSets" />
      </div>
    </section>
    <section class="sheet" :class="{ soft: !placeOf('awayCopy') }">
      <h2>{{ placeLabels.awayCopy }}</h2>
      <div class="fields">
        <PlanField path="drives.awayBy" />
        <PlanField path="drives.awayEveryDays" />
        <PlanField path="drives.awayKept" />
        <template v-if="store.plan?.drives.awayBy === 'carried'">
          <PlanField path="drives.awayMediumTB" />
          <PlanField path="drives.awaySets" />
          <PlanField path="drives.awayMediaThere" />
        </template>
        <template v-else>
          <PlanField v-if="store.plan?.drives.awayBy === 'line'" path="drives.awayMediumTB" />
          <PlanField path="drives.awayFirstCarried" />
          <PlanField path="drives.awayUploadShare" />
          <PlanField path="drives.awayNightHours" />
          <PlanField path="network.uploadMbps" />
          <template v-if="store.plan?.drives.awayBy === 'store'">
            <PlanField path="network.downloadMbps" />
            <PlanField path="drives.storePricePerTBMonth" />
          </template>
        </template>
      </div>
    </section>
    <section class="sheet">
      <h2>For all copies</h2>
      <PlanField path="drives.copyPricePerTB" />
      <PlanField path="drives.copiesWithVersions" />
      <p class="soft small">
        The system disk needs no copy, but its settings, service definitions and keys do, away from
        the machine. Test once a year that a copy can be read back.
      </p>
    </section>
  </div>
</template>

<style scoped>
.sentence {
  font-size: 1.02rem;
  margin-bottom: 10px;
}
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding-left: 12px;
  margin-bottom: 10px;
}
.scroll {
  overflow-x: auto;
}
.plan-of-copies th {
  text-align: left;
  vertical-align: top;
}
.plan-of-copies thead th {
  min-width: 150px;
}
.place {
  display: block;
  margin-bottom: 6px;
}
tbody th {
  font-weight: 600;
  min-width: 150px;
}
tbody th span,
td > span {
  display: block;
  font-weight: 400;
}
.bar {
  height: 5px;
  border-radius: 2px;
  margin-top: 4px;
  background: rgb(var(--v-theme-water));
}
.bar.own {
  background: rgb(var(--v-theme-wall));
}
.copy {
  vertical-align: top;
  border-left: 3px solid transparent;
  padding-left: 10px;
}
.copy.held {
  border-left-color: rgb(var(--v-theme-water-line));
}
.choose {
  min-width: 150px;
}
.more {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  margin-top: 10px;
  min-height: 26px;
}
.places {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 236px), 1fr));
  gap: 16px;
}
.fields {
  --least: 150px;
  margin-top: 10px;
}
.places h2 {
  margin-bottom: 12px;
}
</style>
