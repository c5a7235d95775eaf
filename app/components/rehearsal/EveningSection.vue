<script setup lang="ts">
import {
  mdiChevronLeft,
  mdiChevronRight,
  mdiPause,
  mdiPlay,
  mdiSkipNext,
  mdiSkipPrevious,
} from '@mdi/js'
import { computed, ref, shallowRef, watch } from 'vue'
import type { EveningEvent } from '~~/core/rehearsal/evening/eveningRun'
import { eveningSentence } from '~~/core/rehearsal/picture/eveningSentence'
import { weekdays } from '~~/core/plan/constants'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { speeds, usePlayer } from '~/composables/usePlayer'
import { inBackground } from '~/services/background'
import { useRehearsalStore } from '~/stores/rehearsalStore'
import EveningStage from './EveningStage.vue'
import MomentPanel from './MomentPanel.vue'
import NothingToRehearse from './NothingToRehearse.vue'
import { bufferAt, clockText, pointAt } from './stageLayout'

/** One evening that plays: who watches, what is ready to play, what runs out. */
const rehearsal = useRehearsalStore()
const { number, quantity, share, format } = useFormat()
const asked = computed(() =>
  rehearsal.ask ? { ask: rehearsal.ask, number: rehearsal.number } : null,
)
const { result, working } = useBackground(
  'rehearse',
  () => asked.value,
  (work, { ask, number: evening }) => work.rehearsedEvening(ask, evening),
  120,
)
const picture = computed(() => result.value?.picture ?? null)
const halfHour = 1800
const whole = computed(() =>
  picture.value && picture.value.sessions.length > 0
    ? {
        from: Math.floor(picture.value.from / halfHour) * halfHour,
        to: Math.ceil(picture.value.to / halfHour) * halfHour,
      }
    : { from: 18 * 3600, to: 24 * 3600 },
)
const told = new Set<EveningEvent['kind']>(['begins', 'refused', 'stall', 'step', 'gaveUp', 'ends'])
const span = computed(() => ({
  ...whole.value,
  moments: [
    ...new Set(
      (picture.value?.events ?? []).filter(({ kind }) => told.has(kind)).map(({ at }) => at),
    ),
  ],
}))
const { now, isPlaying, speed, scrub, step, toggle, pause } = usePlayer(() => span.value)
const picked = shallowRef<EveningEvent | null>(null)
watch(picture, () => (picked.value = null))

/** How much of the evening is shown, seconds; 0 is all of it. */
const zooms = { 0: 'Whole evening', 7200: '2 hours', 1200: '20 minutes', 240: '4 minutes' } as const
const zoom = ref(0)
const shown = computed(() => {
  const { from, to } = whole.value
  if (zoom.value === 0 || zoom.value >= to - from) return { from, to }
  const start = Math.max(from, Math.min(to - zoom.value, now.value - zoom.value * 0.6))
  return { from: start, to: start + zoom.value }
})
function pick(event: EveningEvent): void {
  pause()
  picked.value = event
  scrub(event.at)
  if (event.kind !== 'refused' && (zoom.value === 0 || zoom.value > 1200)) zoom.value = 1200
}
function turn(by: number): void {
  rehearsal.number = Math.max(0, rehearsal.number + by)
}
const searching = ref(false)
const noneFound = ref(false)
async function nextDisturbed(): Promise<void> {
  const { ask } = rehearsal
  if (!ask) return
  searching.value = true
  noneFound.value = false
  const found = await inBackground('rehearse', work =>
    work.nextDisturbed(ask, rehearsal.number),
  ).catch(() => null)
  searching.value = false
  if (found === null) noneFound.value = true
  else rehearsal.number = found
}
const days = Object.values(weekdays)
const heading = computed(
  () => `Evening ${number(rehearsal.number + 1)}, ${days[rehearsal.number % 7]!}`,
)
const sentence = computed(() => (picture.value ? eveningSentence(picture.value, format.value) : ''))
const rest = computed(() => {
  const others = (picture.value?.resources ?? []).filter(({ most }) => most <= 0.5)
  if (others.length === 0) return ''
  const most = Math.max(...others.map(resource => resource.most))
  const names = others.map(({ name }) => name).join(', ')
  return `Never more than ${share(most)}: ${names}.`
})
/** Who is on at the moment that is shown. */
const on = computed(() =>
  (picture.value?.sessions ?? []).flatMap(session => {
    const point = pointAt(session, now.value)
    if (!point) return []
    const waits = point.phase === 0 || point.phase >= 3
    return [
      {
        name: picture.value!.lanes[session.lane]!,
        title: session.title,
        how: { asItIs: 'as it is', engine: 'by the engine', software: 'in software' }[session.how],
        text: waits
          ? `waits, ${quantity(Math.round(bufferAt(point, now.value)), 's')} ready`
          : `${point.lines > 0 ? `${point.lines}p, ` : ''}${quantity(point.mbps, 'Mb/s')}, ` +
            `${quantity(Math.round(bufferAt(point, now.value)), 's')} ready`,
      },
    ]
  }),
)
const kinds: Partial<Record<EveningEvent['kind'], string>> = {
  begins: 'begins',
  refused: 'is refused',
  stall: 'stalls',
  step: 'steps down',
  gaveUp: 'gives up',
  ends: 'ends',
}
const rows = computed(() =>
  (picture.value?.events ?? [])
    .filter(({ kind }) => kinds[kind])
    .map(({ at, kind, session }) => {
      const own = picture.value!.sessions[session]!
      return [
        clockText(at, true),
        picture.value!.lanes[own.lane]!,
        kinds[kind]!,
        `${own.title} on ${own.device}${kind === 'refused' ? `: ${own.refusal}` : ''}`,
      ]
    }),
)
</script>

<template>
  <div class="evening" data-evening :aria-busy="working">
    <NothingToRehearse v-if="result?.missing" :missing="result.missing" />
    <ChartFrame
      v-else-if="picture"
      :title="heading"
      :columns="['Time', 'Viewer', 'What', 'Title']"
      :rows="rows"
    >
      <template #default="{ width }">
        <p class="sentence" data-evening-sentence>{{ sentence }}</p>
        <div class="controls no-print">
          <div class="group" role="group" aria-label="Which evening">
            <VBtn
              :icon="mdiChevronLeft"
              size="small"
              variant="outlined"
              aria-label="Evening before"
              :disabled="rehearsal.number === 0"
              @click="turn(-1)"
            />
            <VBtn
              :icon="mdiChevronRight"
              size="small"
              variant="outlined"
              aria-label="Evening after"
              data-next-evening
              @click="turn(1)"
            />
            <VBtn
              size="small"
              variant="outlined"
              color="primary"
              :loading="searching"
              data-next-disturbed
              @click="nextDisturbed"
            >
              Next disturbed one
            </VBtn>
          </div>
          <div class="group" role="group" aria-label="Play">
            <VBtn
              :icon="mdiSkipPrevious"
              size="small"
              variant="text"
              aria-label="Event before (comma)"
              @click="step(-1)"
            />
            <VBtn
              :prepend-icon="isPlaying ? mdiPause : mdiPlay"
              size="small"
              variant="flat"
              color="primary"
              data-play
              @click="toggle"
            >
              {{ isPlaying ? 'Pause' : 'Play' }}
            </VBtn>
            <VBtn
              :icon="mdiSkipNext"
              size="small"
              variant="text"
              aria-label="Event after (full stop)"
              data-step
              @click="step(1)"
            />
            <strong class="clock" data-clock>{{ clockText(now, true) }}</strong>
          </div>
          <label class="inline-field">
            Speed
            <select v-model.number="speed">
              <option v-for="value in speeds" :key="value" :value="value">{{ value }}×</option>
            </select>
          </label>
          <label class="inline-field">
            Shown
            <select v-model.number="zoom" data-zoom>
              <option v-for="(label, value) in zooms" :key="value" :value="Number(value)">
                {{ label }}
              </option>
            </select>
          </label>
          <label class="inline-field">
            Seed
            <input v-model="rehearsal.seed" maxlength="40" size="8" data-seed />
          </label>
        </div>
        <EveningStage
          :picture="picture"
          :width="width"
          :now="now"
          :from="shown.from"
          :to="shown.to"
          :picked="picked"
          @scrub="scrub"
          @pick="pick"
        />
        <label class="scrub no-print">
          <span class="visually-hidden">Moment of the evening</span>
          <input
            type="range"
            :min="whole.from"
            :max="whole.to"
            step="1"
            :value="now"
            :aria-valuetext="clockText(now, true)"
            data-scrub
            @input="scrub(Number(($event.target as HTMLInputElement).value))"
          />
        </label>
      </template>
      <template #below>
        <ul v-if="on.length" class="on" aria-label="On now" data-on>
          <li v-for="(one, at) in on" :key="at">
            <strong>{{ one.name }}</strong> {{ one.title }}, {{ one.how }}: {{ one.text }}
          </li>
        </ul>
        <p class="soft small">
          {{ rest }} A ribbon is as thick as the picture is good, its water is what is ready to
          play; hatched is waiting. Press a mark. P plays, comma and full stop step.
        </p>
        <p v-if="noneFound" role="status" class="small">
          None of the next 5,040 evenings is disturbed.
        </p>
      </template>
    </ChartFrame>
    <MomentPanel
      v-if="picture && picked"
      :key="`${picture.number} ${picked.at} ${picked.kind}`"
      :picture="picture"
      :event="picked"
      @close="picked = null"
    />
  </div>
</template>

<style scoped>
.evening {
  display: grid;
  gap: 16px;
}
.evening > * {
  min-width: 0;
}
.sentence {
  font-size: 1.02rem;
  margin-bottom: 10px;
}
.controls {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  margin-bottom: 8px;
}
.group {
  display: flex;
  gap: 6px;
  align-items: center;
}
.group .v-btn--icon {
  width: 34px;
  height: 34px;
}
.clock {
  min-width: 74px;
  margin-left: 6px;
}
.scrub input {
  width: 100%;
  accent-color: rgb(var(--v-theme-primary));
}
.on {
  list-style: none;
  padding: 0;
  margin: 4px 0 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  font-size: 0.88rem;
}
</style>
