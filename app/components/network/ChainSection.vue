<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import { linkNames } from '~~/core/network/wiring'
import { useNetworkChain } from '~/composables/useNetworkChain'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import { networkMap, type Pipe } from './networkMapLayout'

/**
 * From the drives to every screen: each pipe as thick as it carries, filled by the worst evening;
 * the one that binds is named.
 */
const store = usePlanStore()
const { links, router, devices, copies, streams, worstDevice, hours, sizeTB, away } =
  useNetworkChain()
const { quantity, number, share, format } = useFormat()
const picked = ref<string | null>(null)
const svg = ref<SVGSVGElement | null>(null)
const map = (width: number) =>
  networkMap(links.value, {
    devices: devices.value,
    away: away.value,
    router: router.value,
    width,
    names: id => linkNames[id],
  })
const pipes = computed(() => map(900).pipes)
const pipe = computed(() => pipes.value.find(({ id }) => id === picked.value) ?? null)
const cap = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
const streamName = computed(() =>
  streams.value.now?.id === 'device' && worstDevice.value
    ? `the link of ${worstDevice.value.name}`
    : streams.value.now
      ? linkNames[streams.value.now.id]
      : '',
)
const sentence = computed(() => {
  const { now, next } = copies.value
  if (!now) return ''
  return (
    `For a copy ${linkNames[now.id]} is the limit, with ` +
    `${quantity(Math.max(0, now.capacityMbps - now.loadMbps), 'Mb/s')} left: ` +
    `${hours.value === null ? 'nothing gets through' : `${quantity(sizeTB.value, 'TB')} take ${format.value.hours(hours.value)}`}.${next ? ` Once that is faster, ${linkNames[next.id]} is next.` : ''}`
  )
})
const films = computed(() =>
  streams.value.now && streams.value.now.loadMbps > 0
    ? `For films ${streamName.value} is the fullest, at ` +
      `${share(streams.value.now.loadMbps / streams.value.now.capacityMbps)}${streams.value.now.loadMbps > streams.value.now.capacityMbps ? ': the largest titles have to be converted for it' : ''}.`
    : 'Nobody watches at home yet.',
)
const binds = (one: Pipe) =>
  one.id === copies.value.now?.id ||
  (streams.value.now?.id === 'device' &&
    worstDevice.value !== null &&
    one.id === `device-${worstDevice.value.index}`) ||
  one.id === streams.value.now?.id
const nameOf = (one: Pipe) =>
  `${cap(one.label)}: carries ${quantity(one.capacityMbps, 'Mb/s')}, ` +
  `${quantity(one.loadMbps, 'Mb/s')} on the worst evening${binds(one) ? ', the limit' : ''}`
const fill = (one: Pipe) => Math.min(1, one.loadMbps / Math.max(1e-9, one.capacityMbps))
const short: Readonly<Record<string, string>> = {
  port: 'port',
  cable: 'cable',
  switch: 'switch',
  drives: 'drives',
  controller: 'card',
  enclosure: 'USB',
  serverLink: 'link',
  processor: 'processor',
  router: 'router',
}
/** What it is with what it carries; the number alone where a short pipe has no room for more. */
function labelOf(one: Pipe): string {
  const carries = number(one.capacityMbps, 3)
  const text = short[one.id] ? `${short[one.id]} ${carries}` : carries
  return isUpright(one) || text.length * 6.5 <= one.x2 - one.x1 + 32 ? text : carries
}
const isUpright = (one: Pipe) => one.x1 === one.x2
/** A short bar across a pipe, in its middle. */
function limitBar(one: Pipe) {
  const [x, y, half] = [(one.x1 + one.x2) / 2, (one.y1 + one.y2) / 2, one.width / 2 + 6]
  return isUpright(one)
    ? { x1: x - half, x2: x + half, y1: y, y2: y }
    : { x1: x, x2: x, y1: y - half, y2: y + half }
}
/** Above or below a pipe, and beside one that stands upright. */
function labelPlace(one: Pipe) {
  const y = one.y1 + (one.y2 - one.y1) * one.labelAt
  if (isUpright(one)) return { x: one.x1 + one.width / 2 + 10, y: y + 4 }
  const below = one.width / 2 + (binds(one) ? 19 : 14)
  const above = -one.width / 2 - (binds(one) ? 10 : 5)
  return { x: one.x1 + (one.x2 - one.x1) * one.labelAt, y: y + (one.below ? below : above) }
}
const deviceIndex = computed(() =>
  picked.value?.startsWith('device-') ? Number(picked.value.slice(7)) : null,
)
function step(by: number): void {
  const at = pipes.value.findIndex(({ id }) => id === picked.value)
  picked.value = pipes.value[(at + by + pipes.value.length) % pipes.value.length]?.id ?? null
}
async function onKey(event: KeyboardEvent, one: Pipe): Promise<void> {
  const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key]
  if (by !== undefined) {
    event.preventDefault()
    const next =
      pipes.value[
        (pipes.value.findIndex(({ id }) => id === one.id) + by + pipes.value.length) %
          pipes.value.length
      ]!.id
    if (picked.value !== null) picked.value = next
    await nextTick()
    svg.value?.querySelector<SVGElement>(`[data-pipe="${next}"]`)?.focus()
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    picked.value = one.id
  }
}
const fits = (text: string, room: number) =>
  text.length * 6.5 <= room ? text : `${text.slice(0, Math.max(3, Math.floor(room / 6.5) - 1))}…`
</script>

<template>
  <div class="columns">
    <ChartFrame
      title="From the drives to every screen"
      :columns="['Link', 'Carries', 'Worst evening']"
      :rows="
        pipes.map(one => [
          cap(one.label),
          quantity(one.capacityMbps, 'Mb/s'),
          quantity(one.loadMbps, 'Mb/s'),
        ])
      "
    >
      <template #default="{ width }">
        <p class="sentence chain-sentence">{{ sentence }} {{ films }}</p>
        <svg
          ref="svg"
          :viewBox="`0 0 ${width} ${map(width).height}`"
          :height="map(width).height"
          width="100%"
          role="group"
          aria-label="Map of the network"
        >
          <g v-for="plot in map(width).plots" :key="plot.id" class="plot">
            <rect :x="plot.x" :y="plot.y" :width="plot.width" :height="plot.height" rx="6" />
            <text :x="plot.x + 8" :y="plot.y + (plot.sub ? 16 : 18)">
              {{ fits(plot.label, plot.width - 12) }}
            </text>
            <text v-if="plot.sub" :x="plot.x + 8" :y="plot.y + 31" class="soft">
              {{ fits(plot.sub, plot.width - 12) }}
            </text>
          </g>
          <g
            v-for="one in map(width).pipes"
            :key="one.id"
            class="pipe"
            :class="{
              binds: binds(one),
              picked: one.id === picked,
              over: one.loadMbps > one.capacityMbps,
            }"
            :data-pipe="one.id"
            role="button"
            :tabindex="one.id === (picked ?? pipes[0]?.id) ? 0 : -1"
            :aria-label="nameOf(one)"
            @click="picked = one.id"
            @keydown="onKey($event, one)"
          >
            <title>{{ nameOf(one) }}</title>
            <line
              :x1="one.x1"
              :y1="one.y1"
              :x2="one.x2"
              :y2="one.y2"
              class="hold"
              :stroke-width="one.width + 8"
            />
            <line
              :x1="one.x1"
              :y1="one.y1"
              :x2="one.x2"
              :y2="one.y2"
              class="wall"
              :stroke-width="one.width"
            />
            <line
              v-if="fill(one) > 0"
              :x1="one.x1"
              :y1="one.y1"
              :x2="one.x2"
              :y2="one.y2"
              class="water"
              :stroke-width="Math.max(1.5, (one.width - 2) * fill(one))"
            />
            <line
              v-if="binds(one)"
              :x1="limitBar(one).x1"
              :x2="limitBar(one).x2"
              :y1="limitBar(one).y1"
              :y2="limitBar(one).y2"
              class="limit"
            />
            <text
              :x="labelPlace(one).x"
              :y="labelPlace(one).y"
              :text-anchor="isUpright(one) ? 'start' : 'middle'"
            >
              {{ labelOf(one) }}
            </text>
          </g>
        </svg>
      </template>
      <template #below>
        <p class="soft small">
          Numbers are Mb/s. Pipes are as thick as they carry (by the logarithm), filled by what the
          worst evening puts on them; a bar marks the limit. Press a pipe to change what it is.
        </p>
      </template>
    </ChartFrame>
    <section class="sheet side">
      <VerdictSentence id="home" />
      <div class="figures">
        <FigureValue id="network.homePeakMbps" />
        <FigureValue id="network.homeLinkMbps" />
        <FigureValue id="network.bottleneck" />
        <FigureValue id="network.firstFillHours" />
      </div>
      <div class="fields">
        <PlanField path="network.serverLink" />
        <PlanField path="network.serverPortMbps" />
        <PlanField path="network.cableMbps" />
        <PlanField path="network.switchMbps" />
        <PlanField v-if="store.plan?.network.serverLink !== 'wifi'" path="network.routerMbps" />
      </div>
      <div v-if="store.plan?.network.serverLink !== 'cable'" class="fields">
        <PlanField path="network.serverLinkMbps" />
        <PlanField v-if="store.plan?.network.serverLink === 'wifi'" path="network.serverWifi" />
      </div>
      <PlanField path="network.meshWithoutWire" />
      <p class="soft small">
        A single slow link hides everything behind it: a port, cable or switch of 100 Mb/s, USB 2, a
        card in a slot with one lane, Wi-Fi at the machine. Give the machine a fixed address, and
        keep guests on a Wi-Fi apart.
      </p>
    </section>
  </div>
  <InspectorPanel
    v-if="pipe"
    :heading="cap(pipe.label)"
    :index="pipes.findIndex(({ id }) => id === picked)"
    :count="pipes.length"
    @close="picked = null"
    @step="step"
  >
    <p>{{ nameOf(pipe) }}.</p>
    <template v-if="deviceIndex !== null">
      <PlanField :path="`household.devices.${deviceIndex}.link`" />
      <PlanField :path="`household.devices.${deviceIndex}.linkMbps`" />
    </template>
    <template v-else-if="pipe.id === 'upload'">
      <PlanField path="network.uploadMbps" />
      <PlanField path="network.uploadReserveShare" />
    </template>
    <PlanField v-else-if="pipe.id === 'port'" path="network.serverPortMbps" />
    <PlanField v-else-if="pipe.id === 'cable'" path="network.cableMbps" />
    <PlanField v-else-if="pipe.id === 'switch'" path="network.switchMbps" />
    <PlanField v-else-if="pipe.id === 'router'" path="network.routerMbps" />
    <template v-else-if="pipe.id === 'processor'">
      <PlanField path="drives.encrypted" />
      <p class="soft">Parity and encryption take their time on every byte that is written.</p>
    </template>
    <template v-else-if="pipe.id === 'serverLink'">
      <PlanField path="network.serverLink" />
      <PlanField path="network.serverLinkMbps" />
      <PlanField v-if="store.plan?.network.serverLink === 'wifi'" path="network.serverWifi" />
    </template>
    <p v-else class="soft">
      {{
        pipe.id === 'drives'
          ? 'Faster drives are chosen under Drives.'
          : 'Cards and enclosures are chosen under Machine.'
      }}
    </p>
  </InspectorPanel>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.75fr) minmax(260px, 1fr);
}
.sentence {
  font-size: 1.02rem;
  margin-bottom: 8px;
}
.figures,
.fields {
  --least: 130px;
}
.plot rect {
  fill: rgb(var(--v-theme-surface-light));
  stroke: rgb(var(--v-theme-wall));
}
.pipe {
  cursor: pointer;
  outline: none;
}
.hold {
  stroke: transparent;
}
.wall {
  stroke: rgba(var(--v-theme-wall), 0.55);
}
.water {
  stroke: rgb(var(--v-theme-water));
}
.pipe.over .water {
  stroke: rgb(var(--v-theme-state-impossible));
  stroke-dasharray: 6 3;
}
.limit {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 3;
}
.pipe.picked .hold,
.pipe:focus-visible .hold {
  stroke: rgba(var(--v-theme-primary), 0.45);
}
.pipe text {
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 4px;
}
</style>
