<script setup lang="ts">
import { computed, ref } from 'vue'
import { nextStep, signalSentence, verdictWords } from '~~/core/logbook/health/healthWords'
import type { DriveReport } from '~~/core/logbook/driveValues'
import type { RegisteredDrive } from '~~/core/logbook/register'
import { dayOfText } from '~~/core/units/calendarDay'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { viewAddress } from '~/composables/views'
import { useLogStore } from '~/stores/logStore'
import { usePlanStore } from '~/stores/planStore'
import SmallLine from './SmallLine.vue'

/** Which drive goes next: each in its bay, with what its own reports say of it. */
const log = useLogStore()
const store = usePlanStore()
const { format, number, quantity } = useFormat()

const drives = computed(() =>
  [...log.drives].sort((a, b) => (a.bay ?? 999) - (b.bay ?? 999) || (a.serial < b.serial ? -1 : 1)),
)
const planned = computed(() =>
  (store.plan?.drives.lots ?? []).flatMap(({ count, sizeTB }) => Array<number>(count).fill(sizeTB)),
)
/** Bays of the plan that no drive of the register stands in. */
const open = computed(() => {
  const taken = new Set(drives.value.map(({ bay }) => bay))
  return planned.value.flatMap((sizeTB, at) => (taken.has(at + 1) ? [] : [{ bay: at + 1, sizeTB }]))
})
const selected = ref<string | null>(null)
const drive = computed(() => drives.value.find(({ serial }) => serial === selected.value) ?? null)
const index = computed(() => drives.value.findIndex(({ serial }) => serial === selected.value))
function step(by: -1 | 1): void {
  const { length } = drives.value
  selected.value = drives.value[(index.value + by + length) % length]?.serial ?? null
}
const goesNext = computed(() => drives.value.find(({ goes }) => goes === 1) ?? null)
const reported = computed(() => drives.value.filter(({ health }) => health !== null))
const nameOf = ({ model, serial, bay }: RegisteredDrive) =>
  `${model || 'Drive'} (${serial || 'no serial'})${bay === null ? '' : ` in bay ${bay}`}`
const sentence = computed(() => {
  if (!log.isLoaded) return log.loading ? 'Reading the log …' : ''
  if (reported.value.length === 0)
    return 'No drive has a report yet. Import what smartctl -j -x says of each, once a month.'
  const next = goesNext.value
  if (!next)
    return (
      `${reported.value.length === 1 ? 'The drive that has reports shows' : `All ${reported.value.length} drives that have reports show`} ` +
      'nothing against them. Half of all drives that fail show nothing before.'
    )
  return (
    `${nameOf(next)} goes next: ${verdictWords[next.health!.verdict].toLowerCase()}. ` +
    signalSentence(next.health!.reasons[0]!, format.value)
  )
})
const largest = computed(() =>
  Math.max(1, ...planned.value, ...drives.value.map(({ sizeTB }) => sizeTB ?? 0)),
)
const heightOf = (sizeTB: number | null) => 30 + 70 * ((sizeTB ?? 0) / largest.value)

type Counted =
  'reallocated' | 'pending' | 'uncorrectable' | 'crc' | 'wearPercent' | 'temperatureC' | 'hours'
const counters: readonly (readonly [Counted, string])[] = [
  ['reallocated', 'Moved sectors'],
  ['pending', 'Waiting sectors'],
  ['uncorrectable', 'Not correctable'],
  ['crc', 'Errors on the way'],
  ['wearPercent', 'Written, %'],
  ['temperatureC', 'Temperature, °C'],
  ['hours', 'Hours'],
]
const pointsOf = (reports: readonly DriveReport[], key: Counted) =>
  reports.flatMap(report => {
    const value = report[key]
    return value === null ? [] : [{ time: dayOfText(report.day) ?? 0, value }]
  })
/** The counter of a drive that says most of it: one that is above nothing, else its warmth. */
const tellingOf = ({ reports }: RegisteredDrive): Counted => {
  const newest = reports.at(-1)
  return (
    (['reallocated', 'pending', 'uncorrectable', 'wearPercent'] as const).find(
      key => (newest?.[key] ?? 0) > 0,
    ) ?? 'temperatureC'
  )
}
const counterName = (key: Counted) => counters.find(([id]) => id === key)?.[1] ?? key
const shapes = {
  keep: 'M2 8l4 4l8-8',
  watch: 'M8 2l6 6l-6 6l-6-6z',
  replace: 'M3 3l10 10M13 3L3 13',
}

const hasCopy = computed(() => store.assessment?.domains.drives.pool?.hasOneCopyOnly === false)
const hasWarranty = ({ entry }: RegisteredDrive) =>
  (entry?.warrantyUntil ?? '') >= new Date().toISOString().slice(0, 10)

/** Puts a drive that only reports know into the register: into a bay of the plan, or none. */
function register(of: RegisteredDrive, bay: number | null): void {
  const { plan } = store
  if (!plan) return
  const entry = {
    serial: of.serial.slice(-40),
    lot: of.model.slice(0, 60),
    bay,
    bought: '',
    lastReturn: '',
    warrantyUntil: '',
    health: 'notKnown' as const,
    healthDay: '',
  }
  const others = plan.drives.register.filter(known => bay === null || known.bay !== bay)
  store.replace({ ...plan, drives: { ...plan.drives, register: [...others, entry] } })
  log.takeIntoPlan()
}
const taken = computed(() => new Map(drives.value.map(({ bay, serial }) => [bay, serial])))
const bays = computed(() => planned.value.map((_, at) => at + 1))
const chosenBay = ref<number | null>(null)
</script>

<template>
  <div class="register" data-register>
    <p class="lead">{{ sentence }}</p>
    <section class="sheet">
      <h2>Drives by bay</h2>
      <p v-if="drives.length === 0 && open.length === 0" class="soft">
        The plan has no drives, and no report names one.
      </p>
      <div class="bays">
        <button
          v-for="own in drives"
          :key="own.serial || String(own.bay)"
          type="button"
          class="plain-button bay"
          :class="[own.health?.verdict ?? 'unknown', { selected: own.serial === selected }]"
          :aria-label="`${nameOf(own)}: ${own.health ? verdictWords[own.health.verdict] : 'no report yet'}`"
          :data-drive="own.serial"
          @click="selected = own.serial"
        >
          <span class="place">{{ own.bay === null ? 'no bay' : `Bay ${own.bay}` }}</span>
          <span class="body" :style="{ height: `${heightOf(own.sizeTB)}px` }">
            <span>{{
              own.sizeTB === null ? '' : quantity(Number(own.sizeTB.toPrecision(2)), 'TB')
            }}</span>
          </span>
          <span class="verdict">
            <svg v-if="own.health" viewBox="0 0 16 16" aria-hidden="true">
              <path :d="shapes[own.health.verdict]" />
            </svg>
            {{ own.health ? verdictWords[own.health.verdict] : 'no report' }}
          </span>
          <template v-if="own.reports.length > 0">
            <SmallLine
              :points="pointsOf(own.reports, tellingOf(own))"
              :label="`${counterName(tellingOf(own))} over time`"
            />
            <small class="soft">{{ counterName(tellingOf(own)) }}</small>
          </template>
          <small v-if="own.goes" class="goes">{{
            own.goes === 1 ? 'goes next' : `goes as number ${own.goes}`
          }}</small>
        </button>
        <div v-for="free in open" :key="`open ${free.bay}`" class="bay open">
          <span class="place">Bay {{ free.bay }}</span>
          <span class="body" :style="{ height: `${heightOf(free.sizeTB)}px` }">
            <span>{{ quantity(free.sizeTB, 'TB') }}</span>
          </span>
          <small class="soft">not in the register</small>
        </div>
      </div>
    </section>
    <div class="columns">
      <section v-if="reported.length > 0" class="sheet">
        <h2>Order of replacement</h2>
        <table class="data-table">
          <thead>
            <tr>
              <th scope="col">Drive</th>
              <th scope="col">Verdict</th>
              <th scope="col" class="number">Hours</th>
              <th scope="col" class="number">°C</th>
              <th scope="col">Warranty</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="own in [...reported].sort((a, b) => (a.goes ?? 999) - (b.goes ?? 999))"
              :key="own.serial"
            >
              <td>
                <button type="button" class="plain-button link" @click="selected = own.serial">
                  {{ nameOf(own) }}
                </button>
              </td>
              <td>{{ verdictWords[own.health!.verdict] }}</td>
              <td class="number">
                {{ own.health!.newest.hours === null ? '–' : number(own.health!.newest.hours, 6) }}
              </td>
              <td class="number">
                {{
                  own.health!.newest.temperatureC === null
                    ? '–'
                    : number(own.health!.newest.temperatureC)
                }}
              </td>
              <td>{{ own.entry?.warrantyUntil || 'not known' }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section class="sheet">
        <h2>What it means for the plan</h2>
        <PlanField path="drives.verdictsRaiseRisk" />
        <p class="soft small">
          By a published study of over 100,000 drives, the first moved, waiting or unreadable sector
          made a failure within 60 days 14 to 39 times as likely; and more than half of the drives
          that failed had shown none. Limits are planning values.
        </p>
      </section>
    </div>
    <InspectorPanel
      v-if="drive"
      :heading="nameOf(drive)"
      :index="index"
      :count="drives.length"
      takes-focus
      @close="selected = null"
      @step="step"
    >
      <template v-if="drive.health">
        <p>
          <strong>{{ verdictWords[drive.health.verdict] }}.</strong>
          {{ nextStep(drive.health, { hasWarranty: hasWarranty(drive), hasCopy }) }}
        </p>
        <ul class="reasons">
          <li v-for="reason in drive.health.reasons" :key="reason.id">
            {{ signalSentence(reason, format) }}
            <small class="soft">
              {{
                reason.level === 'told'
                  ? 'only told'
                  : reason.level === 'lead'
                    ? 'the way to it'
                    : verdictWords[reason.level]
              }}, {{ reason.basis === 'published' ? 'published signal' : 'planned limit' }}
            </small>
          </li>
        </ul>
        <p v-if="drive.simulated" class="soft small">It is a drive of the practice machine.</p>
        <table class="data-table">
          <tbody>
            <tr v-for="[key, words] in counters" :key="key">
              <template v-if="pointsOf(drive.reports, key).length > 0">
                <td>{{ words }}</td>
                <td>
                  <SmallLine
                    :points="pointsOf(drive.reports, key)"
                    :label="`${words} over time`"
                    :from-zero="key !== 'hours' && key !== 'temperatureC'"
                  />
                </td>
                <td class="number">{{ number(pointsOf(drive.reports, key).at(-1)!.value, 6) }}</td>
              </template>
            </tr>
          </tbody>
        </table>
        <p class="soft small">
          {{ drive.reports.length === 1 ? '1 report' : `${drive.reports.length} reports` }}, the
          newest of {{ drive.health.newest.day
          }}{{
            drive.health.before
              ? `; growth is counted since ${drive.health.before.day}`
              : '; growth is not known from one report'
          }}.
        </p>
        <NuxtLink
          v-if="drive.bay !== null"
          :to="{
            path: viewAddress(store.id ?? '', 'drives', 'drill'),
            query: { drive: drive.bay },
          }"
          class="drill"
          data-open-drill
        >
          Rehearse its failure
        </NuxtLink>
      </template>
      <p v-else class="soft">
        There is no report of it yet. Import what <code>smartctl -j -x</code> says of it, under
        Entries.
      </p>
      <template v-if="drive.index !== null">
        <PlanField :path="`drives.register.${drive.index}.bay`" />
        <PlanField :path="`drives.register.${drive.index}.warrantyUntil`" />
        <PlanField :path="`drives.register.${drive.index}.bought`" />
      </template>
      <div v-else class="join">
        <p>It is not in the register. Which bay is it in?</p>
        <label class="inline-field">
          Bay
          <select v-model="chosenBay" data-bay>
            <option :value="null">not in a bay</option>
            <option v-for="bay in bays" :key="bay" :value="bay">
              {{ bay }}{{ taken.get(bay) ? `, in place of ${taken.get(bay)}` : '' }}
            </option>
          </select>
        </label>
        <VBtn
          size="small"
          color="primary"
          variant="flat"
          data-join-register
          @click="register(drive, chosenBay)"
        >
          Add to the register
        </VBtn>
      </div>
    </InspectorPanel>
  </div>
</template>

<style scoped>
.register {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.lead {
  margin-top: -6px;
}
.bays {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: flex-end;
  margin-top: 10px;
}
.bay {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 4px;
  width: 96px;
  padding: 6px 4px;
  border-radius: 6px;
  border: 2px solid transparent;
}
.bay:not(.open):hover {
  background: rgb(var(--v-theme-surface-light));
}
.bay.selected {
  border-color: rgb(var(--v-theme-primary));
}
.place {
  font-size: 0.82rem;
  color: rgb(var(--v-theme-ink-soft));
}
.body {
  display: flex;
  align-items: flex-end;
  justify-content: center;
  width: 66px;
  padding-bottom: 4px;
  border: 1.5px solid rgb(var(--v-theme-wall));
  border-radius: 3px;
  background: rgba(var(--v-theme-water), 0.35);
  font-variant-numeric: tabular-nums;
  font-size: 0.84rem;
}
.bay.open .body {
  border-style: dashed;
  background: none;
}
.bay.watch .body {
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-state-tight), 0.35) 0 2px,
    transparent 2px 7px
  );
}
.bay.replace .body {
  border-color: rgb(var(--v-theme-state-impossible));
  background:
    repeating-linear-gradient(
      45deg,
      rgba(var(--v-theme-state-impossible), 0.4) 0 1.5px,
      transparent 1.5px 7px
    ),
    repeating-linear-gradient(
      -45deg,
      rgba(var(--v-theme-state-impossible), 0.4) 0 1.5px,
      transparent 1.5px 7px
    );
}
.verdict {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  font-weight: 650;
  font-size: 0.88rem;
}
.verdict svg {
  width: 13px;
  height: 13px;
  fill: none;
  stroke: currentColor;
  stroke-width: 2.4;
}
.keep .verdict {
  color: rgb(var(--v-theme-state-enough));
}
.watch .verdict {
  color: rgb(var(--v-theme-state-tight));
}
.replace .verdict {
  color: rgb(var(--v-theme-state-impossible));
}
.bay small {
  text-align: center;
}
.register .sheet p.small {
  margin-top: 10px;
}
.goes {
  font-weight: 650;
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
}
.reasons {
  padding-left: 18px;
  margin: 0;
}
.reasons small {
  display: block;
}
.drill {
  color: rgb(var(--v-theme-primary));
}
.join {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
</style>
