<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from '#imports'
import { drivesOf } from '~~/core/drives/poolOf'
import DrillBays from './DrillBays.vue'
import DrillDebrief from './DrillDebrief.vue'
import DrillLog from './DrillLog.vue'
import DrillSteps from './DrillSteps.vue'
import { useDrill } from '~/composables/useDrill'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * A failing drive is practised on the plan's own drives: what to do, in which order, with the clock
 * and chance running along.
 */
const store = usePlanStore()
const { share } = useFormat()
const { pace, possible, ground, state, told, begin, act, end, leave } = useDrill()
const drives = computed(() => drivesOf({ lots: store.plan?.drives.lots ?? [] }))
const members = computed(() => new Set(possible.value?.pool.arrangement.memberPlaces ?? []))
/** a drive is pulled by pressing it once this is chosen */
const pulling = ref(false)

const clock = computed(() => {
  const hours = state.value?.clockHours ?? 0
  const minutes = Math.round(hours * 60)
  return (
    `Day ${Math.floor(minutes / 1440) + 1}, ` +
    `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
  )
})
function press(place: number): void {
  if (!state.value) begin(place)
  else if (pulling.value) {
    pulling.value = false
    act({ do: 'pull', place })
  }
}
/** The register sends whoever wants to rehearse the loss of one drive: ?drive=3 names its bay. */
const route = useRoute()
watch(
  possible,
  found => {
    const bay = Number(route.query.drive)
    if (found && !state.value && Number.isInteger(bay) && members.value.has(bay - 1)) begin(bay - 1)
  },
  { immediate: true },
)
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
      <DrillBays
        :drives="drives"
        :members="members"
        :state="state"
        :seed="ground?.seed ?? 0"
        :pulling="pulling"
        @press="press"
      />
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
        <DrillSteps
          :has-pulled-good="state.pulledGood !== null"
          :pulling="pulling"
          @act="act"
          @pull="pulling = !pulling"
          @end="end"
        />
      </template>
      <DrillDebrief v-if="told?.debrief" :debrief="told.debrief" />
    </section>
    <DrillLog :told="told" />
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
</style>
