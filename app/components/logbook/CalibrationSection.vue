<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { basisWords } from '~~/core/logbook/basisWords'
import { calibrationRows, type CalibrationRow } from '~~/core/logbook/calibrationRows'
import {
  heldWords,
  howToMeasure,
  ratioText,
  readingText,
  rowSentence,
} from '~~/core/logbook/calibrationWords'
import type { Trial } from '~~/core/plan/trials'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { todayText } from '~/composables/today'
import { useFormat } from '~/composables/useFormat'
import { useProposal } from '~/composables/useProposal'
import { viewAddress } from '~/composables/views'
import { useLogStore } from '~/stores/logStore'
import { usePlanStore } from '~/stores/planStore'
import { calibrationLayout } from './calibrationLayout'

/** What measuring changed: the plan's range of each figure, the measurements, the new range. */
const log = useLogStore()
const store = usePlanStore()
const { format, number, quantity } = useFormat()
const { look } = useProposal()

const rows = computed(() =>
  store.plan && store.assessment
    ? calibrationRows(store.plan, store.assessment.domains, catalogue)
    : [],
)
const measured = computed(() => rows.value.filter(({ trials }) => trials.length > 0))
const estimated = computed(() => rows.value.filter(({ trials }) => trials.length === 0))
/** Measured rows stand first. */
const shown = computed(() => [...measured.value, ...estimated.value])
const selected = ref<{ readonly row: string; readonly trial: string | null } | null>(null)
const row = computed(() => shown.value.find(({ id }) => id === selected.value?.row) ?? null)
const held = computed(
  () => row.value?.trials.find(({ trial }) => trial.id === selected.value?.trial) ?? null,
)
const index = computed(() => shown.value.findIndex(({ id }) => id === selected.value?.row))
function step(by: -1 | 1): void {
  const { length } = shown.value
  const next = shown.value[(index.value + by + length) % length]
  if (next) selected.value = { row: next.id, trial: null }
}
const sentence = computed(() => basisWords(rows.value, format.value))

const picture = ref<HTMLElement | null>(null)
const { width: found } = useElementSize(picture, { width: 900, height: 0 })
const width = computed(() => Math.max(300, Math.round(found.value) || 900))
const isNarrow = computed(() => width.value < 560)
const rowHeight = computed(() => (isNarrow.value ? 56 : 30))
const left = computed(() => (isNarrow.value ? 6 : 250))
const layout = computed(() =>
  calibrationLayout(shown.value, {
    left: left.value + 12,
    right: width.value - (isNarrow.value ? 8 : 130),
  }),
)
const height = computed(() => shown.value.length * rowHeight.value + 30)
const middle = (at: number) => at * rowHeight.value + (isNarrow.value ? 36 : rowHeight.value / 2)
const valueText = ({ planned, correction, unit }: CalibrationRow) => {
  const estimate = correction?.corrected ?? planned
  if (!estimate) return 'not known'
  return unit === '×' ? `× ${number(estimate.likely, 3)}` : quantity(estimate.likely, unit)
}

function say(standing: Trial['standing']): void {
  const { plan } = store
  const id = selected.value?.trial
  if (!plan || !id) return
  const trials = plan.calibration.trials.map(trial =>
    trial.id === id ? { ...trial, standing } : trial,
  )
  store.replace({ ...plan, calibration: { ...plan.calibration, trials } })
}
const without = computed(() => {
  const { plan } = store
  const own = row.value
  if (!plan || !own) return null
  return {
    ...plan,
    calibration: {
      ...plan.calibration,
      trials: plan.calibration.trials.filter(
        ({ figure, of }) => figure !== own.figure || of !== own.of,
      ),
    },
  }
})
/** Measurements of the figure count from today on. */
function reset(): void {
  const { plan } = store
  const own = row.value
  if (!plan || !own) return
  const others = plan.calibration.countsFrom.filter(
    ({ figure, of }) => figure !== own.figure || of !== own.of,
  )
  const day = plan.calibration.trials
    .filter(({ figure, of }) => figure === own.figure && of === own.of)
    .reduce((latest, trial) => (trial.day > latest ? trial.day : latest), '')
  store.replace({
    ...plan,
    calibration: {
      ...plan.calibration,
      countsFrom: [
        ...others,
        { figure: own.figure, of: own.of, day: dayAfter(day || todayText()) },
      ],
    },
  })
}
function dayAfter(day: string): string {
  const next = new Date(`${day}T12:00:00Z`)
  next.setUTCDate(next.getUTCDate() + 1)
  return next.toISOString().slice(0, 10)
}
const isReset = computed(() =>
  store.plan?.calibration.countsFrom.some(
    ({ figure, of }) => figure === row.value?.figure && of === row.value.of,
  ),
)
function takeBackReset(): void {
  const { plan } = store
  const own = row.value
  if (!plan || !own) return
  const countsFrom = plan.calibration.countsFrom.filter(
    ({ figure, of }) => figure !== own.figure || of !== own.of,
  )
  store.replace({ ...plan, calibration: { ...plan.calibration, countsFrom } })
}
const told = (of: CalibrationRow) => `${of.label}: ${rowSentence(of, format.value)}`
const hasSimulated = computed(() => log.measuring.some(({ origin }) => origin.how === 'simulated'))
</script>

<template>
  <div class="calibration" data-calibration>
    <p class="lead">{{ sentence }}</p>
    <section class="sheet">
      <header class="head">
        <h2>Measured against planned</h2>
        <p class="soft small legend">
          <span class="key hatch" /> the plan's range <span class="key wall" /> what is believed now
          <span class="key point" /> a measurement <span class="key point hollow" /> held apart
        </p>
      </header>
      <div ref="picture">
        <svg
          :viewBox="`0 0 ${width} ${height}`"
          :width="width"
          :height="height"
          role="group"
          aria-label="Figures as ratios to the plan: Enter opens one."
        >
          <defs>
            <pattern
              id="calibration-hatch"
              width="6"
              height="6"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <line x1="0" y1="0" x2="0" y2="6" class="hatching" />
            </pattern>
          </defs>
          <g v-for="tick in layout.ticks" :key="tick.label" class="tick">
            <line :x1="tick.at" :x2="tick.at" y1="0" :y2="height - 24" />
            <text :x="tick.at" :y="height - 8" text-anchor="middle">{{ tick.label }}</text>
          </g>
          <g
            v-for="(own, at) in layout.rows"
            :key="own.row.id"
            class="row"
            :class="{ selected: own.row.id === selected?.row, bare: own.marks.length === 0 }"
            tabindex="0"
            role="button"
            :aria-label="told(own.row)"
            :data-row="own.row.id"
            @click="selected = { row: own.row.id, trial: null }"
            @keydown.enter="selected = { row: own.row.id, trial: null }"
          >
            <rect x="0" :y="at * rowHeight" :width="width" :height="rowHeight" class="ground" />
            <text :x="2" :y="isNarrow ? at * rowHeight + 18 : middle(at) + 4" class="name">
              {{ own.row.label }}
            </text>
            <text
              :x="width - 4"
              :y="isNarrow ? at * rowHeight + 18 : middle(at) + 4"
              text-anchor="end"
              class="value"
            >
              {{ valueText(own.row) }}
            </text>
            <rect
              v-if="own.planned"
              :x="own.planned.from"
              :width="Math.max(2, own.planned.to - own.planned.from)"
              :y="middle(at) - 9"
              height="18"
              class="planned"
            />
            <template v-if="own.corrected">
              <rect
                :x="own.corrected.from"
                :width="Math.max(2, own.corrected.to - own.corrected.from)"
                :y="middle(at) - 4"
                height="8"
                class="corrected"
              />
              <rect
                :x="own.corrected.at - 1"
                width="2"
                :y="middle(at) - 9"
                height="18"
                class="at"
              />
            </template>
            <g
              v-for="mark in own.marks"
              :key="mark.id"
              class="mark"
              :class="[mark.state, { selected: mark.id === selected?.trial }]"
              :data-mark="mark.id"
              @click.stop="selected = { row: own.row.id, trial: mark.id }"
            >
              <line
                v-if="mark.kind === 'interval'"
                :x1="mark.x"
                :x2="mark.to"
                :y1="middle(at)"
                :y2="middle(at)"
                class="interval"
              />
              <path
                v-else-if="mark.kind !== 'point'"
                :d="
                  mark.kind === 'atLeast'
                    ? `M${mark.x} ${middle(at)}h14m-5-4l5 4l-5 4`
                    : `M${mark.x} ${middle(at)}h-14m5-4l-5 4l5 4`
                "
                class="arrow"
              />
              <circle
                :cx="mark.kind === 'interval' ? (mark.x + mark.to) / 2 : mark.x"
                :cy="middle(at)"
                r="4.5"
              />
            </g>
          </g>
        </svg>
      </div>
    </section>
    <section class="sheet after">
      <p class="soft small">
        A measurement counts for the machine, the drives or the line that it was made on.
        <template v-if="measured.length === 0">
          Measure power at the wall for ten minutes, or how many conversions keep up, and write it
          down under Entries: every figure that follows from it moves.
        </template>
      </p>
      <PlanField
        v-if="hasSimulated"
        path="calibration.countsSimulated"
        @click="log.takeIntoPlan()"
      />
    </section>
    <InspectorPanel
      v-if="row"
      :heading="row.label"
      :index="index"
      :count="shown.length"
      takes-focus
      @close="selected = null"
      @step="step"
    >
      <p>{{ rowSentence(row, format) }}</p>
      <table class="data-table">
        <thead>
          <tr>
            <th scope="col" />
            <th scope="col" class="number">low</th>
            <th scope="col" class="number">likely</th>
            <th scope="col" class="number">high</th>
          </tr>
        </thead>
        <tbody>
          <tr v-if="row.planned">
            <td>By the plan</td>
            <td class="number">{{ number(row.planned.low, 3) }}</td>
            <td class="number">{{ number(row.planned.likely, 3) }}</td>
            <td class="number">{{ number(row.planned.high, 3) }}</td>
          </tr>
          <tr v-if="row.correction">
            <td>Now</td>
            <td class="number">{{ number(row.correction.corrected.low, 3) }}</td>
            <td class="number">{{ number(row.correction.corrected.likely, 3) }}</td>
            <td class="number">{{ number(row.correction.corrected.high, 3) }}</td>
          </tr>
        </tbody>
      </table>
      <ul v-if="row.trials.length > 0" class="trials">
        <li v-for="own in row.trials" :key="own.trial.id">
          <button
            type="button"
            class="plain-button"
            :aria-pressed="own.trial.id === selected?.trial"
            @click="selected = { row: row.id, trial: own.trial.id }"
          >
            <strong>{{ readingText(own.trial, row.unit, format) }}</strong>
            <small class="soft">
              {{ own.trial.day }} · {{ ratioText(own, format) }} · {{ heldWords[own.state]
              }}{{ own.weight === null ? '' : `, weight ${number(own.weight, 2)}` }}
            </small>
          </button>
        </li>
      </ul>
      <template v-if="held">
        <p class="soft small">
          It lies {{ number(Math.abs(held.deviations), 2) }} standard deviations from
          {{ held.state === 'before' ? 'what stands' : 'the plan' }}. The reading itself is good to
          {{ number(100 * held.spread, 2) }} %; in one of twenty something else runs.
        </p>
        <div class="acts" role="group" aria-label="What it is">
          <VBtn
            v-for="[standing, words] in [
              ['counts', 'Let it count'],
              ['soItIs', 'So it is'],
              ['fault', 'A fault'],
              ['mistake', 'A mistake'],
            ] as const"
            :key="standing"
            size="small"
            :variant="held.trial.standing === standing ? 'flat' : 'outlined'"
            :color="held.trial.standing === standing ? 'primary' : undefined"
            :data-say="standing"
            @click="say(standing)"
          >
            {{ words }}
          </VBtn>
        </div>
      </template>
      <div class="acts">
        <VBtn
          v-if="row.correction"
          size="small"
          variant="text"
          @mouseenter="look(without)"
          @mouseleave="look(null)"
          @focus="look(without)"
          @blur="look(null)"
        >
          Hover or focus to preview the plan's own
        </VBtn>
        <VBtn v-if="row.trials.length > 0" size="small" variant="text" @click="reset">
          Begin anew
        </VBtn>
        <VBtn v-if="isReset" size="small" variant="text" @click="takeBackReset">
          Count the earlier ones again
        </VBtn>
      </div>
      <p class="small">
        {{ howToMeasure[row.figure].how }}
        <NuxtLink
          class="write"
          :to="{
            path: viewAddress(store.id ?? '', 'logbook'),
            query: { kind: howToMeasure[row.figure].kind },
          }"
          >Write it down</NuxtLink
        >
      </p>
      <p v-if="row.moves.length > 0" class="small">
        It moves:
        <template v-for="(id, at) in row.moves" :key="id">
          <template v-if="store.assessment?.figures[id]">
            {{ at > 0 ? ', ' : ''
            }}<WorkingLink :figure="id" :name="store.assessment.figures[id]!.label">{{
              store.assessment.figures[id]!.label
            }}</WorkingLink>
          </template>
        </template>
      </p>
    </InspectorPanel>
  </div>
</template>

<style scoped>
.calibration {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.lead {
  margin-top: -6px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 16px;
  align-items: baseline;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
}
.key {
  display: inline-block;
  width: 18px;
  height: 10px;
  margin-left: 8px;
}
.key.hatch {
  background: repeating-linear-gradient(
    45deg,
    rgb(var(--v-theme-state-tight)) 0 1.5px,
    transparent 1.5px 5px
  );
  border: 1px solid rgba(var(--v-theme-state-tight), 0.6);
}
.key.wall {
  background: rgb(var(--v-theme-wall));
  height: 8px;
}
.key.point {
  width: 10px;
  height: 10px;
  border-radius: 50%;
  background: rgb(var(--v-theme-water-line));
  border: 1.5px solid rgb(var(--v-theme-water-line));
}
.key.hollow {
  background: none;
}
svg {
  display: block;
}
text {
  font-size: 13px;
  fill: rgb(var(--v-theme-on-surface));
}
.tick text {
  font-size: 12px;
  fill: rgb(var(--v-theme-ink-soft));
}
.tick line {
  stroke: rgb(var(--v-theme-hairline));
}
.value {
  font-variant-numeric: tabular-nums;
}
.row {
  cursor: pointer;
}
.row:focus {
  outline: none;
}
.ground {
  fill: transparent;
}
.row:hover .ground,
.row.selected .ground {
  fill: rgb(var(--v-theme-surface-light));
}
.row:focus-visible .ground {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2px;
}
.bare .name,
.bare .value {
  fill: rgb(var(--v-theme-ink-soft));
}
.hatching {
  stroke: rgb(var(--v-theme-state-tight));
  stroke-width: 1.6;
}
.planned {
  fill: url(#calibration-hatch);
  stroke: rgba(var(--v-theme-state-tight), 0.6);
}
.corrected,
.at {
  fill: rgb(var(--v-theme-wall));
}
.mark circle {
  fill: rgb(var(--v-theme-water-line));
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 1.5px;
}
.interval,
.arrow {
  fill: none;
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 2.5px;
}
.mark.apart circle,
.mark.fault circle,
.mark.mistake circle,
.mark.before circle {
  fill: rgb(var(--v-theme-surface));
}
.mark.doesNotFit circle {
  fill-opacity: 0.35;
}
.mark.selected circle {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 3px;
}
.trials {
  list-style: none;
  padding: 0;
  margin: 0;
}
.trials button {
  display: block;
  width: 100%;
  padding: 6px 4px;
  border-bottom: 1px solid rgba(var(--v-theme-hairline), 0.6);
}
.trials button[aria-pressed='true'] {
  background: rgb(var(--v-theme-surface-light));
}
.trials small {
  display: block;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.write {
  color: rgb(var(--v-theme-primary));
}
.after {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
</style>
