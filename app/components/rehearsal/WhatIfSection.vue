<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, defineAsyncComponent, onMounted, ref, shallowRef, watch } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import type { Plan } from '~~/core/plan/planSchema'
import { isDisturbed, type EveningScore } from '~~/core/rehearsal/many/eveningScore'
import { chanceInterval, pairedInterval, pairedRatio } from '~~/core/rehearsal/many/intervals'
import { pairOf } from '~~/core/rehearsal/many/lots'
import { oneIn } from '~~/core/rehearsal/many/manyWords'
import {
  noChange,
  withMoreViewers,
  withWhatIf,
  type PlanWhatIf,
} from '~~/core/rehearsal/whatIf/planEdits'
import { asUsual, type WhatIf } from '~~/core/rehearsal/whatIf/whatIf'
import { sameValue } from '~~/core/sameValue'
import { useFormat } from '~/composables/useFormat'
import { useMany } from '~/composables/useMany'
import { useProposal } from '~/composables/useProposal'
import { startMany } from '~/services/manyEvenings'
import type { RehearsalAsk } from '~/services/rehearsalWork'
import { usePlanStore } from '~/stores/planStore'
import { useRehearsalStore } from '~/stores/rehearsalStore'
import NothingToRehearse from './NothingToRehearse.vue'

/** The same evenings under other conditions, combined as wished. */
const BuildPick = defineAsyncComponent(() => import('./BuildPick.vue'))
const store = usePlanStore()
const rehearsal = useRehearsalStore()
const { look } = useProposal()
const { number, share, format } = useFormat()
const within = 0.01
const { sums, missing, isRunning, start, cancel, progress } = useMany()
const done = progress(within)
const whatIf = shallowRef<WhatIf>(asUsual)
const change = shallowRef<PlanWhatIf>(noChange)
const showBuilds = ref(false)
/** builds in the place of the plan's machine: of what is compared with, and of what is compared */
const from = shallowRef<Plan | null>(null)
const build = shallowRef<Plan | null>(null)
const classes = computed(() =>
  store.plan ? effectiveCatalogue(store.plan, catalogue).deviceClasses : [],
)
/** The plan as the what-if has it; the very plan where nothing of it is changed. */
const changed = computed(() => {
  const base = build.value ?? store.plan
  return base && withWhatIf(base, change.value, classes.value)
})
const isUsual = computed(
  () =>
    sameValue(whatIf.value, asUsual) &&
    sameValue(change.value, noChange) &&
    build.value === null &&
    from.value === null,
)
function run(): void {
  const { plan } = store
  if (!plan || !changed.value) return
  const base: RehearsalAsk = { plan: from.value ?? plan, seed: rehearsal.seed, whatIf: asUsual }
  const asks = isUsual.value
    ? [base]
    : [base, { plan: changed.value, seed: rehearsal.seed, whatIf: whatIf.value }]
  void start(asks, within)
}
const soon = useDebounceFn(run, 250)
onMounted(run)
watch([whatIf, change, build, from, () => store.plan], () => {
  look(sameValue(change.value, noChange) && build.value === null ? null : changed.value)
  void soon()
})
watch(
  () => store.plan,
  () => {
    build.value = null
    from.value = null
  },
)
function setIf(more: Partial<WhatIf>): void {
  whatIf.value = { ...whatIf.value, ...more }
}
function setChange(more: Partial<PlanWhatIf>): void {
  change.value = { ...change.value, ...more }
}
function reset(): void {
  whatIf.value = asUsual
  change.value = noChange
  build.value = null
  from.value = null
  showBuilds.value = false
}
const switches = computed(() => [
  {
    group: 'People',
    chips: [chip('guests', 'Guests are there', whatIf.value.guests, on => setIf({ guests: on }))],
  },
  {
    group: 'Machine',
    chips: [
      chip('hang', 'It hangs for ten minutes', whatIf.value.hang, on => setIf({ hang: on })),
      chip('fallback', 'Its engine fails', change.value.allFallBack, on =>
        setChange({ allFallBack: on }),
      ),
      chip('low', 'It is at the low end of its band', whatIf.value.machine === 'low', on =>
        setIf({ machine: on ? 'low' : 'likely' }),
      ),
      chip('high', 'It is at the high end', whatIf.value.machine === 'high', on =>
        setIf({ machine: on ? 'high' : 'likely' }),
      ),
    ],
  },
  {
    group: 'Drives',
    chips: [
      chip('rebuild', 'One is being rebuilt', whatIf.value.rebuilding, on =>
        setIf({ rebuilding: on }),
      ),
      chip('scrub', 'A scrub runs', whatIf.value.busyDrives === 'scrub', on =>
        setIf({ busyDrives: on ? 'scrub' : 'none' }),
      ),
      chip('copy', 'A copy runs in the house', whatIf.value.busyDrives === 'copy', on =>
        setIf({ busyDrives: on ? 'copy' : 'none' }),
      ),
    ],
  },
  {
    group: 'Lines',
    chips: [
      chip('upload', 'An upload runs', whatIf.value.uploading, on => setIf({ uploading: on })),
      chip('half', 'The line is at half', change.value.lineAtHalf, on =>
        setChange({ lineAtHalf: on }),
      ),
      chip('wifi', 'The machine is on Wi-Fi', change.value.machineOnWifi, on =>
        setChange({ machineOnWifi: on }),
      ),
    ],
  },
])
function chip(id: string, label: string, isOn: boolean, set: (on: boolean) => void) {
  return { id, label, isOn, set }
}
const counters = [
  { key: 'moreHome', label: 'more at home' },
  { key: 'moreAway', label: 'more away' },
] as const
/** At most so many viewers are added to what a plan holds. */
const mostViewers = 40
const room = computed(() => mostViewers - (store.plan?.household.viewers.length ?? 0))
const pair = computed(() => {
  const [one, other] = sums.value
  return one && other && one.evenings > 0 && other.evenings > 0 ? pairOf(one, other) : null
})
const difference = computed(() => pair.value && pairedInterval(pair.value))
const stalled = computed(() => pair.value && pairedRatio(pair.value.sums))
const signed = (value: number) => `${value >= 0 ? '+' : '−'}${share(Math.abs(value))}`
const asWhat = computed(() => (from.value ? 'with that build' : 'as planned'))
const sentence = computed(() => {
  const [one, other] = bars.value
  if (!one || one.evenings === 0) return ''
  const usual = oneIn(one.chance.likely, format.value)
  const start = usual.replace(/^./, letter => letter.toUpperCase())
  if (!other || !difference.value) return `${start} is disturbed ${asWhat.value}.`
  const then = oneIn(other.chance.likely, format.value)
  const { low, high } = difference.value
  const told = low > 0 || high < 0 ? '' : ', which cannot be told from chance'
  return `${start} is disturbed ${asWhat.value}; under these conditions ${then}${told}.`
})
/** Over the evenings that both have, so that their difference is that of what is shown. */
const bars = computed(() =>
  sums.value.map(({ scores }, at) => {
    const own = pair.value ? scores.slice(0, pair.value.n) : scores
    const shareOf = (is: (score: EveningScore) => boolean) =>
      own.filter(is).length / Math.max(1, own.length)
    const hours = own.reduce((sum, score) => sum + score.hours, 0)
    const stalledS = own.reduce((sum, score) => sum + score.stalledS, 0)
    return {
      name: at === 0 ? (from.value ? 'With that build' : 'As planned') : 'So',
      chance: chanceInterval(own.filter(isDisturbed).length, own.length),
      never: shareOf(({ isNever }) => isNever),
      busy: shareOf(({ isBusy }) => isBusy),
      evenings: own.length,
      stalledS: hours > 0 ? stalledS / hours : 0,
    }
  }),
)
const widest = computed(() => Math.max(0.02, ...bars.value.map(({ chance }) => chance.high)))

/** How many more viewers until one evening in ten is disturbed. */
const tenth = 0.1
const more = ref<Record<'home' | 'away', string>>({ home: '', away: '' })
const counting = ref(false)
async function count(): Promise<void> {
  const { plan } = store
  if (!plan) return
  counting.value = true
  more.value = { home: '', away: '' }
  for (const side of ['home', 'away'] as const) {
    let added = 0
    for (; added <= Math.min(12, room.value); added++) {
      const next = withMoreViewers(plan, { isAway: side === 'away', count: added }, classes.value)
      let disturbed = 0
      const running = startMany({
        asks: [{ plan: next, seed: rehearsal.seed, whatIf: whatIf.value }],
        within: 0.02,
        report: ([own]) => (disturbed = own ? own.disturbed / own.evenings : 0),
      })
      await running.done
      if (!counting.value) return
      if (disturbed >= tenth) break
    }
    const most = Math.min(12, room.value)
    more.value[side] =
      added === 0
        ? 'none: it is so already'
        : added > most
          ? `more than ${number(most)}`
          : number(added)
  }
  counting.value = false
}
</script>

<template>
  <div class="what-if" data-what-if>
    <NothingToRehearse v-if="missing" :missing="missing" />
    <section class="sheet no-print">
      <header>
        <h2>The same evenings, if …</h2>
        <VBtn v-if="!isUsual" size="small" variant="text" data-reset @click="reset">
          As planned again
        </VBtn>
      </header>
      <div v-for="{ group, chips } in switches" :key="group" class="row">
        <span class="soft small name">{{ group }}</span>
        <VBtn
          v-for="one in chips"
          :key="one.id"
          size="small"
          color="primary"
          :variant="one.isOn ? 'flat' : 'outlined'"
          :aria-pressed="one.isOn"
          :data-if="one.id"
          @click="one.set(!one.isOn)"
        >
          {{ one.label }}
        </VBtn>
        <template v-if="group === 'People'">
          <span v-for="counter in counters" :key="counter.key" class="counter">
            <VBtn
              size="small"
              variant="outlined"
              :disabled="change[counter.key] === 0"
              :aria-label="`One viewer less: ${counter.label}`"
              @click="setChange({ [counter.key]: change[counter.key] - 1 })"
              >−</VBtn
            >
            <strong>{{ change[counter.key] }}</strong> {{ counter.label }}
            <VBtn
              size="small"
              variant="outlined"
              :disabled="change.moreHome + change.moreAway >= room"
              :data-more="counter.key"
              :aria-label="`One viewer more: ${counter.label}`"
              @click="setChange({ [counter.key]: change[counter.key] + 1 })"
              >+</VBtn
            >
          </span>
        </template>
        <label v-if="group === 'Lines'" class="inline-field">
          On Wi-Fi
          <select
            :value="change.deviceOnWifi"
            data-device
            @change="setChange({ deviceOnWifi: ($event.target as HTMLSelectElement).value })"
          >
            <option value="">no other device</option>
            <option
              v-for="device in store.plan?.household.devices ?? []"
              :key="device.id"
              :value="device.id"
            >
              {{ device.name || device.id }}
            </option>
          </select>
        </label>
        <template v-if="group === 'Machine'">
          <VBtn
            v-if="!showBuilds"
            size="small"
            variant="text"
            color="primary"
            data-show-builds
            @click="showBuilds = true"
          >
            Another build …
          </VBtn>
          <template v-else>
            <BuildPick label="Compare" @pick="plan => (from = plan)" />
            <BuildPick label="with" @pick="plan => (build = plan)" />
          </template>
        </template>
      </div>
    </section>
    <section class="sheet" :aria-busy="isRunning">
      <header>
        <h2>Disturbed evenings</h2>
        <span class="state">
          <progress v-if="isRunning" :value="done" max="1" aria-label="Progress" />
          <VBtn v-if="isRunning" size="small" variant="text" @click="cancel">Cancel</VBtn>
        </span>
      </header>
      <p class="sentence" data-what-if-sentence>{{ sentence }}</p>
      <div class="bars">
        <div v-for="bar in bars" :key="bar.name" class="bar" :data-bar="bar.name">
          <strong>{{ bar.name }}</strong>
          <svg
            width="100%"
            height="26"
            role="img"
            :aria-label="`${bar.name}: ${share(bar.chance.likely)}`"
          >
            <rect
              x="0"
              y="3"
              height="20"
              :width="`${(100 * bar.chance.likely) / widest}%`"
              class="likely"
            />
            <line
              :x1="`${(100 * bar.chance.low) / widest}%`"
              :x2="`${(100 * bar.chance.high) / widest}%`"
              y1="13"
              y2="13"
              class="reach"
            />
          </svg>
          <span
            >{{ share(bar.chance.likely) }}
            <span class="soft small"
              >{{ share(bar.chance.low) }} to {{ share(bar.chance.high) }} by chance alone; never
              possible {{ share(bar.never) }}, busy {{ share(bar.busy) }}; stalled
              {{ number(bar.stalledS, 2) }} s an hour, of {{ number(bar.evenings) }} evenings</span
            ></span
          >
        </div>
      </div>
      <p v-if="difference" data-difference>
        <strong>Difference: {{ signed(difference.likely) }}</strong>
        <span class="soft">
          ({{ signed(difference.low) }} to {{ signed(difference.high) }} by chance, on the same
          evenings).
          <template v-if="stalled"
            >Stalled seconds an hour: {{ number(stalled.likely, 2) }} ({{
              number(stalled.low, 2)
            }}
            to {{ number(stalled.high, 2) }}).</template
          >
        </span>
      </p>
    </section>
    <section class="sheet no-print">
      <h2>How many more until 1 evening in 10 is disturbed?</h2>
      <p class="soft small">
        Each with a usual evening on what is used most there, under the conditions above.
      </p>
      <div class="row">
        <VBtn
          size="small"
          variant="outlined"
          color="primary"
          :loading="counting"
          data-count-viewers
          @click="count"
        >
          Count them
        </VBtn>
        <span v-if="more.home" data-more-home>At home: {{ more.home }}.</span>
        <span v-if="more.away" data-more-away>Away: {{ more.away }}.</span>
      </div>
    </section>
  </div>
</template>

<style scoped>
.what-if {
  display: grid;
  gap: 16px;
}
.what-if > * {
  min-width: 0;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  min-height: 32px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
  margin-top: 10px;
}
.name {
  min-width: 64px;
}
.counter,
.state {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 0.88rem;
}
.counter .v-btn {
  min-width: 32px;
  padding: 0;
}
progress {
  accent-color: rgb(var(--v-theme-primary));
}
.sentence {
  font-size: 1.1rem;
  margin: 6px 0 12px;
}
.bars {
  display: grid;
  gap: 14px;
  margin-bottom: 12px;
}
.likely {
  fill: rgb(var(--v-theme-water));
}
.reach {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 2;
}
</style>
