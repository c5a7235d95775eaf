<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from '#imports'
import { withBusyDays } from '~~/core/household/minutesShort'
import { weekdays } from '~~/core/plan/constants'
import { worseFirst } from '~~/core/rehearsal/many/eveningScore'
import { chanceInterval, ratioInterval } from '~~/core/rehearsal/many/intervals'
import { ratioSums } from '~~/core/rehearsal/many/lots'
import {
  blames,
  delayWithin,
  manySentence,
  resultOf,
  shareRange,
} from '~~/core/rehearsal/many/manyWords'
import { blameName } from '~~/core/rehearsal/picture/names'
import { setupSliceOf } from '~/composables/runBookOf'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { exactness, useMany } from '~/composables/useMany'
import { viewAddress } from '~/composables/views'
import { inBackground } from '~/services/background'
import { usePlanStore } from '~/stores/planStore'
import { useRehearsalStore } from '~/stores/rehearsalStore'
import NothingToRehearse from './NothingToRehearse.vue'

/** Thousands of evenings: how often something disturbs, whom, when, and because of what. */
const store = usePlanStore()
const rehearsal = useRehearsalStore()
const router = useRouter()
const { number, quantity, share, format } = useFormat()
const within = ref(0.01)
const { sums, asks, missing, isRunning, wasCancelled, failed, start, cancel, progress } = useMany()
const done = computed(() => progress(within.value).value)
const tally = computed(() => sums.value[0] ?? null)
/** A mark of what it was run for: a change of anything else leaves the result standing. */
const ranFor = ref('')
const { result: mark } = useBackground(
  'rehearse',
  () => rehearsal.ask,
  (work, ask) => work.rehearsalMark(ask),
  400,
)
const { result: names } = useBackground(
  'rehearse',
  () => asks.value[0] ?? null,
  (work, ask) => work.rehearsedResources(ask),
  0,
)
const isCurrent = computed(() => mark.value === null || mark.value === ranFor.value)
const isWhole = computed(() => !isRunning.value && !wasCancelled.value && !failed.value)

const guestDays = computed(() => store.plan?.household.busyDaysPerYear ?? 0)
const hasGuests = computed(
  () => guestDays.value > 0 && store.plan!.household.habits.some(({ onBusyDays }) => onBusyDays),
)
async function run(): Promise<void> {
  const { ask } = rehearsal
  if (!ask) return
  const ends = (['low', 'high'] as const).map(machine => ({
    ...ask,
    whatIf: { ...ask.whatIf, machine },
  }))
  ranFor.value = ''
  const guests = hasGuests.value ? [{ ...ask, whatIf: { ...ask.whatIf, guests: true } }] : []
  await start([ask, ...ends, ...guests], within.value)
  const own = await inBackground('rehearse', work => work.rehearsalMark(ask)).catch(() => null)
  ranFor.value = own ?? ''
  if (own === null || !isWhole.value || !tally.value || !store.plan) return
  store.replace({ ...store.plan, rehearsal: { mark: own, ...resultOf(tally.value) } }, 'rehearsal')
}
const slice = computed(() => {
  const plan = asks.value[0]?.plan
  return plan && store.assessment
    ? { ...setupSliceOf(plan, store.assessment), facts: store.assessment.domains }
    : null
})
const nameOf = (blame: string) => (slice.value ? blameName(blame, slice.value) : blame)
const sentence = computed(() =>
  tally.value ? manySentence(resultOf(tally.value), { nameOf, format: format.value }) : '',
)
const chance = computed(() =>
  tally.value ? chanceInterval(tally.value.disturbed, tally.value.evenings) : null,
)
const ends = computed(() =>
  sums.value.slice(1, 3).map(({ disturbed, evenings }) => disturbed / Math.max(1, evenings)),
)
/** Evenings with guests, and the year's evenings with its guest days weighted in. */
const guestEvenings = computed(() => {
  const own = sums.value[3]
  if (!own || !tally.value || own.evenings === 0) return null
  const busy = own.disturbed / own.evenings
  const ordinary = tally.value.disturbed / tally.value.evenings
  return { busy, year: withBusyDays(ordinary, busy, guestDays.value) }
})
const stalledAnHour = computed(() => (tally.value ? ratioInterval(ratioSums(tally.value)) : null))
const minutes = computed(() => slice.value?.facts.streams.minutes?.perMonth.likely ?? null)
const engines = computed(() => slice.value?.facts.streams.converter.engines.length ?? 0)
const seconds = (value: number | null) => (value === null ? '–' : quantity(value, 's'))
const tiles = computed(() => {
  const own = tally.value
  if (!own || own.evenings === 0) return []
  const { all } = own
  const per = (count: number) => share(count / own.evenings)
  const evening = (count: number) => number((100 * count) / own.evenings, 2)
  return [
    ['Never possible', per(own.never), 'of evenings, on however quiet a one'],
    ['Busy', per(own.busy), 'of evenings: a stall, no place, or somebody gave up'],
    [
      'Stalled',
      own.busy < 30 || !stalledAnHour.value
        ? 'too few'
        : `${quantity(stalledAnHour.value.likely, 's')} an hour`,
      own.busy < 30 || !stalledAnHour.value
        ? `${number(all.stalls)} stalls in all`
        : `${number(stalledAnHour.value.low, 2)} to ${number(stalledAnHour.value.high, 2)}`,
    ],
    [
      'A start takes',
      seconds(delayWithin(own, 0.5)),
      `95 % within ${seconds(delayWithin(own, 0.95))}`,
    ],
    [
      'Steps down',
      evening(all.steps),
      `in 100 evenings; ${quantity(Math.round(all.belowFirstS / 60), 'min')} below in all`,
    ],
    [
      'Given up',
      evening(all.gaveUp),
      `in 100 evenings; ${quantity(Math.round(all.notSeenS / 60), 'min')} unseen in all`,
    ],
  ] as const
})
const days = Object.values(weekdays)
const byDay = computed(() =>
  (tally.value?.weekdays ?? []).map(({ evenings, disturbed }, at) => ({
    name: days[at]!,
    share: disturbed / Math.max(1, evenings),
    told: `${share(disturbed / Math.max(1, evenings))}`,
  })),
)
const byViewer = computed(() => {
  const own = tally.value
  const watchers = slice.value?.facts.household.week.watchers ?? []
  if (!own) return []
  return own.viewers.flatMap((sumsOf, at) =>
    sumsOf.sessions > 0 && watchers[at]
      ? [
          {
            name: watchers[at].name,
            share: sumsOf.disturbed / own.evenings,
            told: `${share(sumsOf.disturbed / own.evenings)}`,
          },
        ]
      : [],
  )
})
const byCause = computed(() => {
  const all = tally.value ? blames(tally.value) : []
  const sum = all.reduce((total, [, times]) => total + times, 0)
  return all.slice(0, 6).map(([name, times]) => ({
    name: nameOf(name),
    share: times / sum,
    told: `${share(times / sum)} of ${number(sum)}`,
  }))
})
/** Of what was offered while anybody was on, how much was used, and how long it was full. */
const byResource = computed(() => {
  const own = tally.value
  const list = names.value ?? []
  if (!own) return []
  return own.used
    .map((used, at) => ({
      name: list[at] ?? '',
      share: own.offered[at]! > 0 ? used / own.offered[at]! : 0,
      full: own.fullS[at]! / 60 / own.evenings,
    }))
    .filter(row => row.name !== '' && row.share > 0)
    .sort((a, b) => b.share - a.share)
    .slice(0, 6)
    .map(row => ({
      ...row,
      told: `${share(row.share)} used; full ${number(row.full, 2)} min an evening`,
    }))
})
const charts = computed(() => [
  { id: 'day', title: 'By weekday', rows: byDay.value },
  { id: 'viewer', title: 'By viewer', rows: byViewer.value },
  { id: 'cause', title: 'What was to blame', rows: byCause.value },
  { id: 'resource', title: 'How full it gets', rows: byResource.value },
])
const widest = (rows: readonly { readonly share: number }[]) =>
  Math.max(1e-9, ...rows.map(row => row.share))
/** Worst, middle and best evening, to be opened as pictures. */
const evenings = computed(() => {
  const scores = [...(tally.value?.scores ?? [])].sort(worseFirst)
  if (scores.length === 0) return []
  return [
    ['Worst', scores[0]!.number],
    ['Middle', scores[Math.floor((scores.length - 1) / 2)]!.number],
    ['Best', scores.at(-1)!.number],
  ] as const
})
function open(evening: number): void {
  rehearsal.number = evening
  void router.push(viewAddress(store.id ?? '', 'rehearsal'))
}
</script>

<template>
  <div class="thousands" data-thousands>
    <NothingToRehearse v-if="missing" :missing="missing" />
    <section class="sheet">
      <h2>How often is an evening disturbed?</h2>
      <div class="controls no-print">
        <VBtn v-if="!isRunning" color="primary" variant="flat" size="small" data-run @click="run">
          {{ tally ? 'Run again' : 'Rehearse thousands of evenings' }}
        </VBtn>
        <VBtn v-else variant="outlined" size="small" data-cancel @click="cancel">Cancel</VBtn>
        <label class="inline-field">
          Exact to
          <select v-model.number="within" :disabled="isRunning" data-within>
            <option v-for="(label, value) in exactness" :key="value" :value="Number(value)">
              {{ label }}
            </option>
          </select>
        </label>
        <progress v-if="isRunning" :value="done" max="1" aria-label="Progress" />
        <span v-if="tally" class="soft small" role="status" data-count>
          {{ number(tally.evenings) }} evenings{{
            isRunning ? ' so far' : wasCancelled ? ', then cancelled' : ''
          }}
        </span>
      </div>
      <p v-if="failed" role="alert">Something went wrong in this page; run it again.</p>
      <template v-if="tally && chance">
        <p class="sentence" data-many-sentence>{{ sentence }}</p>
        <p v-if="!isRunning && !isCurrent" class="soft" role="note">
          The plan has changed since: this is what it came to before.
        </p>
        <svg
          class="gauge"
          width="100%"
          height="46"
          role="img"
          :aria-label="`Disturbed: ${shareRange(chance, format)}`"
        >
          <line x1="0" x2="100%" y1="18" y2="18" class="axis" />
          <rect
            v-if="ends.length === 2"
            :x="`${100 * Math.min(...ends)}%`"
            :width="`${100 * Math.max(0.003, Math.abs(ends[1]! - ends[0]!))}%`"
            y="10"
            height="16"
            class="band"
          />
          <rect
            :x="`${100 * chance.low}%`"
            :width="`${100 * Math.max(0.002, chance.high - chance.low)}%`"
            y="6"
            height="24"
            class="chance"
          />
          <text x="0" y="42" class="tick">none</text>
          <text x="100%" y="42" class="tick end">every evening</text>
        </svg>
        <p class="small soft">
          By chance alone {{ shareRange(chance, format) }} (dark).
          <template v-if="ends.length === 2"
            >With the machine at the low and the high end of its band
            {{ share(Math.max(...ends)) }} and {{ share(Math.min(...ends)) }} (light).</template
          >
        </p>
        <p v-if="guestEvenings" class="small" data-guests>
          With everybody who comes on guest days {{ share(guestEvenings.busy) }} of evenings are
          disturbed; over a year with {{ number(guestDays) }}
          {{ guestDays === 1 ? 'such day' : 'such days' }}
          {{ share(guestEvenings.year) }}.
        </p>
        <p v-if="minutes !== null" class="small" data-minutes-short>
          By averages the machine falls behind for
          {{ quantity(Math.round(minutes), 'min') }} a month, counting all the time in which
          something is on that it can never do. That is the bound: what is felt of the rest is what
          stalls, because buffers soften it{{
            engines > 1
              ? '. With several engines averages take them as one, so here it can be more'
              : ''
          }}.
        </p>
        <dl class="tiles">
          <div v-for="[name, value, note] in tiles" :key="name">
            <dt>{{ name }}</dt>
            <dd>
              {{ value }}
              <span class="soft small">{{ note }}</span>
            </dd>
          </div>
        </dl>
      </template>
      <p v-else class="soft">
        Evenings are drawn from the habits and played one by one, until the answer is exact enough.
      </p>
    </section>
    <div v-if="tally" class="charts">
      <section v-for="chart in charts" :key="chart.id" class="sheet" :data-by="chart.id">
        <h2>{{ chart.title }}</h2>
        <p v-if="chart.rows.length === 0" class="soft">Nothing was.</p>
        <ul>
          <li v-for="row in chart.rows" :key="row.name">
            <span>{{ row.name }}</span>
            <span class="told">{{ row.told }}</span>
            <i><b :style="{ width: `${(100 * row.share) / widest(chart.rows)}%` }" /></i>
          </li>
        </ul>
      </section>
    </div>
    <section v-if="evenings.length && !isRunning" class="sheet no-print">
      <h2>Open one</h2>
      <div class="controls">
        <VBtn
          v-for="[name, evening] in evenings"
          :key="name"
          size="small"
          variant="outlined"
          color="primary"
          :data-open="name"
          @click="open(evening)"
        >
          {{ name }}: evening {{ number(evening + 1) }}
        </VBtn>
      </div>
    </section>
  </div>
</template>

<style scoped>
.thousands {
  display: grid;
  gap: 16px;
}
.thousands > * {
  min-width: 0;
}
.controls {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: center;
  margin: 12px 0;
}
progress {
  accent-color: rgb(var(--v-theme-primary));
}
.sentence {
  font-size: 1.15rem;
  margin-bottom: 10px;
}
.axis {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 2;
}
.band {
  fill: rgb(var(--v-theme-water));
  fill-opacity: 0.45;
}
.chance {
  fill: rgb(var(--v-theme-water-line));
}
.tick {
  font-size: 11px;
  fill: rgb(var(--v-theme-ink-soft));
}
.end {
  text-anchor: end;
}
.tiles {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 14px;
  margin: 14px 0 0;
}
dt {
  font-size: 0.84rem;
  color: rgb(var(--v-theme-ink-soft));
}
dd {
  margin: 0;
  font-size: 1.3rem;
  font-weight: 600;
}
dd span {
  display: block;
  font-size: 0.84rem;
  font-weight: 400;
}
.charts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 16px;
  align-items: start;
}
ul {
  list-style: none;
  padding: 0;
  margin-top: 10px;
  display: grid;
  gap: 8px;
  font-size: 0.88rem;
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 10px;
}
li i {
  grid-column: 1 / -1;
  height: 8px;
  background: rgba(var(--v-theme-water), 0.18);
}
li b {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-water-line));
}
.told {
  color: rgb(var(--v-theme-ink-soft));
}
</style>
