<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { DrillAction } from '~~/core/drives/drill/drillState'
import { serialOf } from '~~/core/drives/drill/tellDrill'
import { drivesOf } from '~~/core/drives/poolOf'
import DrillDebrief from './DrillDebrief.vue'
import { useDrill } from '~/composables/useDrill'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * A failing drive is practised on the plan's own drives: what to do, in which order, with the clock
 * and chance running along.
 */
const store = usePlanStore()
const { number, share } = useFormat()
const { pace, possible, ground, state, told, begin, act, end, leave } = useDrill()
const drives = computed(() => drivesOf({ lots: store.plan?.drives.lots ?? [] }))
const largest = computed(() => Math.max(1, ...drives.value.map(({ sizeTB }) => sizeTB)))
const members = computed(() => new Set(possible.value?.pool.arrangement.memberPlaces ?? []))
/** a drive is pulled by pressing it once this is chosen */
const pulling = ref(false)
const bays = ref<HTMLElement | null>(null)

const clock = computed(() => {
  const hours = state.value?.clockHours ?? 0
  const minutes = Math.round(hours * 60)
  return (
    `Day ${Math.floor(minutes / 1440) + 1}, ` +
    `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
  )
})
const steps: readonly {
  readonly do: Exclude<DrillAction['do'], 'pull'>
  readonly label: string
}[] = [
  { do: 'read', label: 'Read the report' },
  { do: 'copy', label: 'Copy what is irreplaceable' },
  { do: 'order', label: 'Order a new drive' },
  { do: 'insert', label: 'Put the new drive in' },
  { do: 'rebuild', label: 'Start the rebuild' },
  { do: 'scrub', label: 'Check everything (scrub)' },
  { do: 'restore', label: 'Restore from a copy' },
  { do: 'record', label: 'Label and write it down, and end' },
]
function press(place: number): void {
  if (!state.value) begin(place)
  else if (pulling.value) {
    pulling.value = false
    act({ do: 'pull', place })
  }
}
async function choosePull(): Promise<void> {
  pulling.value = !pulling.value
  if (!pulling.value) return
  await nextTick()
  bays.value?.querySelector<HTMLElement>('button')?.focus()
}
/**
 * What can be seen of a drive from outside: an empty bay, a drive that is out, a new one. A failed
 * one looks like any other.
 */
function lookOf(place: number): string {
  const at = state.value
  if (!at) return ''
  if (at.empty.includes(place)) return 'empty'
  if (at.pulledGood === place) return 'pulled'
  return at.fresh.includes(place) ? 'new' : ''
}
const nameOf = (place: number) =>
  `Bay ${place + 1}, ${number(drives.value[place]!.sizeTB, 3)} ` +
  `TB${state.value ? `, serial ending in ${serialOf(ground.value!.seed, place)}` : ''}${lookOf(place) ? `, ${lookOf(place)}` : ''}`
const shares = computed(() => {
  if (!told.value) return []
  const { playingShare, waitingShare, lostShare } = told.value.after
  return [
    { id: 'playing', label: 'plays', share: playingShare },
    { id: 'waiting', label: 'waits', share: waitingShare },
    { id: 'lost', label: 'out of reach or lost', share: lostShare },
  ].filter(part => part.share > 1e-9)
})
</script>

<template>
  <div v-if="possible" class="columns" data-drill>
    <section class="sheet">
      <header>
        <h2>{{ state ? clock : 'A drive fails: what now?' }}</h2>
        <VBtn v-if="state" size="small" variant="outlined" color="primary" @click="leave">
          New drill
        </VBtn>
      </header>
      <p v-if="!state" class="soft">
        Press the drive that fails, or let chance pick one. Then do what you would do, in your
        order: the clock runs as long as each step takes, and more can happen meanwhile. The plan
        stays as it is.
      </p>
      <p v-else class="stand" role="status">
        {{ told!.stand }}
      </p>
      <ol ref="bays" class="bays" :class="{ pulling }" aria-label="Drives in their bays">
        <li v-for="(drive, place) in drives" :key="place" :class="lookOf(place)">
          <button
            type="button"
            class="plain-button bay"
            :disabled="state ? !pulling : !members.has(place)"
            :data-bay-drive="place"
            :aria-label="state ? `${nameOf(place)}: pull it` : `${nameOf(place)}: it fails`"
            @click="press(place)"
          >
            <span class="body" :style="{ height: `${(drive.sizeTB / largest) * 100}%` }" />
          </button>
          <span class="small">bay {{ place + 1 }}</span>
          <span v-if="state" class="serial">…{{ serialOf(ground!.seed, place) }}</span>
          <span v-if="lookOf(place)" class="small look">{{ lookOf(place) }}</span>
        </li>
      </ol>
      <template v-if="!state">
        <div class="tools">
          <VBtn color="primary" @click="begin(null)"> Let chance pick </VBtn>
          <fieldset class="pace">
            <legend class="soft small">More failures and unreadable sectors</legend>
            <label><input v-model="pace" type="radio" value="true" /> as rarely as they come</label>
            <label><input v-model="pace" type="radio" value="badDay" /> on a bad day: often</label>
          </fieldset>
        </div>
      </template>
      <template v-else-if="!state.isOver">
        <div
          v-if="shares.length"
          class="bar"
          role="img"
          :aria-label="shares.map(part => `${share(part.share)} ${part.label}`).join(', ')"
        >
          <span
            v-for="part in shares"
            :key="part.id"
            :class="part.id"
            :style="{ flexGrow: part.share }"
            >{{ share(part.share) }} {{ part.label }}</span
          >
        </div>
        <p class="report">
          {{ told!.report }}
        </p>
        <div class="steps" role="group" aria-label="What you do">
          <VBtn
            v-for="step in steps.slice(0, 3)"
            :key="step.do"
            variant="outlined"
            color="primary"
            @click="act({ do: step.do })"
          >
            {{ step.label }}
          </VBtn>
          <VBtn
            v-if="state.pulledGood === null"
            :variant="pulling ? 'flat' : 'outlined'"
            color="primary"
            :aria-pressed="pulling"
            @click="choosePull"
          >
            {{ pulling ? 'Press the drive to pull' : 'Pull a drive' }}
          </VBtn>
          <VBtn v-else color="primary" @click="act({ do: 'putBack' })"> Put it back </VBtn>
          <VBtn
            v-for="step in steps.slice(3)"
            :key="step.do"
            variant="outlined"
            color="primary"
            @click="act({ do: step.do })"
          >
            {{ step.label }}
          </VBtn>
          <VBtn variant="text" @click="end"> End the drill here </VBtn>
        </div>
      </template>
      <DrillDebrief v-if="told?.debrief" :debrief="told.debrief" />
    </section>
    <section class="sheet">
      <h2>{{ told ? 'What has happened' : 'The right order' }}</h2>
      <ol v-if="told" class="log">
        <li v-for="(entry, at) in told.log" :key="at" :class="entry.event">
          <span class="soft small at">{{ number(entry.atHours, 3) }} h</span> {{ entry.text }}
        </li>
      </ol>
      <ol v-else class="order">
        <li>Read the report: it names the failed drive by its serial number.</li>
        <li>If the next failure can lose data, copy what is irreplaceable first.</li>
        <li>Order a new drive, unless one is on the shelf.</li>
        <li>Find the drive by the serial number on its label, and pull that one and no other.</li>
        <li>Put the new drive in, rebuild, and check everything with a scrub.</li>
        <li>
          Label the new drive with serial number and bay, write it down, and order the next spare.
        </li>
      </ol>
      <p class="soft small">
        A drill is no instruction for your own machine: read its manual, power it down if its bays
        are not made for pulling drives while it runs, and touch bare metal of the case first.
      </p>
    </section>
  </div>
  <section v-else class="sheet">
    <p>Put in drives that make the chosen layout under Space: the drill is played on them.</p>
  </section>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.6fr) minmax(0, 1fr);
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  min-height: 32px;
}
h2 {
  font-variant-numeric: tabular-nums;
}
.stand {
  font-size: 1.02rem;
  font-weight: 600;
  margin: 8px 0;
}
.report {
  padding: 8px 12px;
  background: rgb(var(--v-theme-surface-light));
  border-left: 4px solid rgb(var(--v-theme-wall));
  margin: 10px 0;
}
.bays {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 6px;
  margin: 10px 0;
  padding: 12px 10px;
  background: rgb(var(--v-theme-surface-light));
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
}
.bays li {
  width: 70px;
  display: flex;
  flex-direction: column;
  align-items: center;
}
.bay {
  width: 44px;
  height: 96px;
  display: flex;
  align-items: flex-end;
  border-bottom: 3px solid rgb(var(--v-theme-wall));
}
.bay:not(:disabled) {
  cursor: pointer;
}
.body {
  width: 100%;
  background: rgba(var(--v-theme-wall), 0.22);
  border: 1.5px solid rgb(var(--v-theme-wall));
  border-bottom: 0;
  border-radius: 3px 3px 0 0;
}
.bay:not(:disabled):hover .body,
.pulling .bay:not(:disabled) .body {
  border-color: rgb(var(--v-theme-primary));
  background: rgba(var(--v-theme-primary), 0.16);
}
.empty .body,
.pulled .body {
  background: transparent;
  border-style: dashed;
}
.new .body {
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-water), 0.5) 0 3px,
    transparent 3px 7px
  );
}
.serial {
  font-variant-numeric: tabular-nums;
  font-size: 0.84rem;
  font-weight: 600;
  letter-spacing: 0.04em;
}
.look {
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 24px;
  align-items: center;
}
.pace {
  border: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  font-size: 0.9rem;
}
.pace label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 26px;
  cursor: pointer;
}
.pace input {
  accent-color: rgb(var(--v-theme-primary));
}
.bar {
  display: flex;
  min-height: 26px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 3px;
  overflow: hidden;
  font-size: 0.84rem;
}
.bar span {
  flex-basis: 0;
  padding: 2px 8px;
  white-space: nowrap;
  overflow: hidden;
}
.playing {
  background: rgba(var(--v-theme-water), 0.6);
}
.waiting {
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-state-tight), 0.4) 0 3px,
    transparent 3px 8px
  );
}
.bar .lost {
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-state-short), 0.5) 0 3px,
    transparent 3px 7px
  );
}
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.log li {
  display: grid;
  grid-template-columns: 62px 1fr;
}
.log {
  margin-bottom: 12px;
  padding-left: 0;
  list-style: none;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.log .mistake,
.log .lost,
.log .sectorEnds {
  color: rgb(var(--v-theme-state-short));
  font-weight: 600;
}
.at {
  display: inline-block;
  min-width: 56px;
  font-variant-numeric: tabular-nums;
}
.order {
  margin-bottom: 12px;
  padding-left: 20px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
</style>
