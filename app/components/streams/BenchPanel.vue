<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { fieldElementId } from '~/composables/views'
import type { BenchState } from '~~/core/streams/bench'
import { benchApi } from '~/services/benchApi'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * Measures the machine on which Numeron runs: copies of one reference conversion, until one falls
 * behind.
 */
const store = usePlanStore()
const { number } = useFormat()
const bench = shallowRef<BenchState | null>(null)
const refused = ref<string | null>(null)
const lost = ref(false)
let stop: (() => void) | undefined
onMounted(() => {
  if (typeof EventSource === 'undefined') return
  stop = benchApi.watch(
    state => {
      bench.value = state
      lost.value = false
    },
    () => {
      lost.value = true
    },
  )
})
onBeforeUnmount(() => stop?.())

const isRunning = computed(
  () => bench.value?.state === 'preparing' || bench.value?.state === 'running',
)
const most = computed(() => Math.max(2, ...(bench.value?.rounds ?? []).map(round => round.slowest)))
const estimate = computed(() => {
  const figure = store.assessment?.figures['streams.softwareReference']
  return figure && figure.basis !== 'measured' ? figure.value : null
})
const reserve = computed(() => store.plan?.choices.systemReserveShare ?? 0)
const measured = computed(() => store.plan?.machine.measuredStreams ?? null)

async function start(): Promise<void> {
  refused.value = await benchApi.start()
}
async function cancel(): Promise<void> {
  refused.value = await benchApi.cancel()
}
function keep(): void {
  const { result, encoder } = bench.value ?? {}
  if (!result || !store.plan) return
  const day = new Date().toISOString().slice(0, 10)
  const round = (value: number) => Number(value.toPrecision(3))
  store.edit('machine', {
    ...store.plan.machine,
    measuredStreams: round(result.streams),
    measuredLow: result.whole,
    measuredBy: `${encoder}, ${day}`,
  })
}
function forget(): void {
  if (store.plan)
    store.edit('machine', {
      ...store.plan.machine,
      measuredStreams: null,
      measuredLow: null,
      measuredBy: '',
    })
}
</script>

<template>
  <section
    :id="fieldElementId('machine.measuredStreams')"
    class="sheet bench"
    tabindex="-1"
    data-bench
  >
    <h2>Measure this machine</h2>
    <p class="soft small">
      The computer on which Numeron runs converts a made-up 1080p clip in more and more copies at
      once, until one falls behind real time. This takes a minute or two and the whole processor.
      The plan does not change until you apply the result.
    </p>
    <p v-if="measured !== null" class="small">
      In the plan: <strong>{{ number(measured, 3) }} reference streams</strong>,
      {{ store.plan?.machine.measuredBy }}; it replaces the estimate from score or clock.
      <button type="button" class="plain-button link" @click="forget">
        Remove the measurement
      </button>
    </p>
    <div class="actions">
      <VBtn v-if="!isRunning" color="primary" variant="outlined" @click="start">
        {{ bench?.result ? 'Measure again' : 'Measure this machine' }}
      </VBtn>
      <VBtn v-else variant="outlined" @click="cancel"> Cancel </VBtn>
      <span v-if="isRunning" role="status">{{
        bench?.state === 'preparing' ? 'Making the clip …' : `${bench?.copies} at once …`
      }}</span>
    </div>
    <p v-if="refused || lost" class="problem" role="alert">
      {{ refused ?? 'The server does not answer; the measurement will show again when it does.' }}
    </p>
    <p
      v-if="bench?.state === 'failed' || bench?.state === 'cancelled'"
      class="problem"
      role="alert"
    >
      {{ bench.message }}
    </p>
    <p v-if="bench?.isSimulated && bench.state !== 'idle'" class="problem">
      Simulated: the encoder program is not installed where Numeron runs, so a made-up machine takes
      its place. Install Debian's package <code>ffmpeg</code> to measure the real one.
    </p>
    <table v-if="bench?.rounds.length" class="data-table">
      <thead>
        <tr>
          <th scope="col">Copies at once</th>
          <th scope="col">Slowest, times real time</th>
          <th scope="col" class="number">All together</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(round, index) in bench.rounds" :key="index">
          <td>{{ round.copies }}</td>
          <td>
            <span class="track"
              ><i
                :class="{ behind: round.slowest < 1 }"
                :style="{ width: `${(round.slowest / most) * 100}%` }" /><i
                class="real"
                :style="{ left: `${100 / most}%` }"
            /></span>
            {{ number(round.slowest, 3) }} ×{{ round.slowest < 1 ? ', falls behind' : '' }}
          </td>
          <td class="number">
            {{ number(round.total, 3) }}
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="bench?.state === 'done' && bench.result">
      <p>
        <strong>{{ number(bench.result.streams, 3) }} reference streams</strong> by
        {{ bench.encoder }}, {{ bench.result.whole }} whole ones in real time.
        <span v-if="estimate !== null" class="soft"
          >The estimate of the plan's processor is {{ number(estimate / (1 - reserve), 3) }} before
          the {{ number(reserve * 100, 2) }} % kept for the system.</span
        >
      </p>
      <VBtn color="primary" variant="flat" @click="keep"> Apply </VBtn>
    </template>
  </section>
</template>

<style scoped>
.bench {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: flex-start;
}
.actions {
  display: flex;
  gap: 12px;
  align-items: center;
}
.track {
  display: inline-block;
  position: relative;
  width: 160px;
  height: 12px;
  background: rgb(var(--v-theme-surface-light));
  margin-right: 8px;
  vertical-align: -1px;
}
.track i {
  position: absolute;
  inset: 0 auto 0 0;
  background: rgb(var(--v-theme-water));
}
.track .behind {
  background: rgb(var(--v-theme-state-short));
}
.track .real {
  width: 2px;
  background: rgb(var(--v-theme-wall));
}
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding: 4px 12px;
  margin: 0;
  font-size: 0.92rem;
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  min-height: 24px;
}
</style>
