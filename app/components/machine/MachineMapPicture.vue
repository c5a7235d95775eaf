<script setup lang="ts">
import { catalogue } from '~~/core/catalogue/catalogue'
import { driveTraits } from '~~/core/drives/driveTraits'
import { computed, nextTick, ref } from 'vue'
import { goesInto, type PartEntry } from '~~/core/machine/assembly/places'
import { withinSentence } from '~~/core/withinSentence'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'
import { usePlanStore } from '~/stores/planStore'
import { fitText, offText, type MapMark } from './machineMap'
import { machineMap } from './machineMapLayout'

/**
 * The machine as a plan: the board in its form with socket, slots, ports and the lanes they come
 * from; beside it the case with its
 * bays. Press a place to see what sits there; a part that is dragged in lights up the places that
 * take it.
 */
const props = defineProps<{ carried: PartEntry | null }>()
const picked = defineModel<string | null>('picked', { required: true })
const emit = defineEmits<{ drop: [mark: MapMark] }>()
const store = usePlanStore()
const { assembly, lists, known, remove } = useMachineParts()
const { quantity } = useFormat()
/** NVMe drives stand in their places of the board. */
const drives = computed(() => {
  const plan = store.plan?.drives
  const labels = (isLarge: boolean) =>
    (plan?.lots ?? []).flatMap(lot => {
      const { spinning, nvme, inOwnCase } = driveTraits(lot, plan!, catalogue)
      return nvme || inOwnCase || spinning !== isLarge
        ? []
        : Array.from({ length: lot.count }, () => quantity(lot.sizeTB, 'TB'))
    })
  return { large: labels(true), small: labels(false) }
})
const map = (width: number) =>
  assembly.value ? machineMap(assembly.value, { width, drives: drives.value }) : null
const any = computed(() => map(900))
const table = computed(() =>
  (any.value?.marks ?? [])
    .filter(({ kind }) => kind !== 'rear')
    .map(mark => [
      mark.label,
      mark.holds ?? 'free',
      mark.offBy ? offText(mark) : mark.state?.narrowedBy ? `${mark.state.lanes} lanes left` : '',
    ]),
)
const svg = ref<SVGSVGElement | null>(null)

const singleOf = {
  processor: 'socket',
  cooler: 'socket',
  supply: 'supply',
  memory: 'memory',
  case: 'supply',
} as const
function lights(mark: MapMark): boolean {
  const entry = props.carried
  if (!entry) return false
  if (mark.state) return goesInto(entry, mark.state, lists.value) && mark.holds === null
  return mark.kind === (singleOf as Record<string, string>)[entry.kind]
}
function nameOf(mark: MapMark): string {
  const what = mark.kind === 'rear' ? mark.holds : (mark.holds ?? 'free')
  return (
    `${mark.label}: ` +
    `${what}${mark.offBy ? `, ${offText(mark)}` : ''}${mark.state?.narrowedBy ? `, ${mark.state.lanes} lanes left` : ''}`
  )
}
const order = computed(() =>
  (any.value?.marks ?? []).filter(({ kind }) => kind !== 'rear').map(({ id }) => id),
)
const current = computed(() =>
  picked.value && order.value.includes(picked.value) ? picked.value : (order.value[0] ?? null),
)
async function onKey(event: KeyboardEvent, mark: MapMark): Promise<void> {
  const step = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key]
  if (step !== undefined) {
    event.preventDefault()
    const next =
      order.value[(order.value.indexOf(mark.id) + step + order.value.length) % order.value.length]
    if (picked.value !== null) picked.value = next ?? null
    await nextTick()
    svg.value?.querySelector<SVGElement>(`[data-mark="${next}"]`)?.focus()
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    picked.value = mark.id
  } else if (event.key === 'Delete' || event.key === 'Backspace') {
    event.preventDefault()
    const index = partIndexOf(mark)
    if (index !== null) remove(index)
  }
}
function partIndexOf(mark: MapMark): number | null {
  if (mark.state) return mark.state.holds?.partIndex ?? null
  const kind =
    mark.kind === 'socket'
      ? 'processor'
      : mark.kind === 'memory'
        ? 'memory'
        : mark.kind === 'supply'
          ? 'supply'
          : null
  return kind === null || mark.holds === null
    ? null
    : (known.value.findLast(part => part?.kind === kind && part.part.purpose === 'fitted')?.index ??
        null)
}
const over = ref<string | null>(null)
function onDrop(mark: MapMark): void {
  over.value = null
  if (lights(mark)) emit('drop', mark)
}
const heading = computed(() => {
  const { board, housing } = assembly.value ?? {}
  if (!board) return 'The board is not known'
  if (!housing) return `${board.label}, without a case`
  const { label } = housing
  return `${board.label} in the ${label.startsWith('Case of') ? withinSentence(label) : label}`
})
</script>

<template>
  <ChartFrame :title="heading" :columns="['Place', 'Holds', 'Lanes']" :rows="table">
    <template #default="{ width }">
      <svg
        v-if="map(width)"
        ref="svg"
        :viewBox="`0 0 ${width} ${map(width)!.height}`"
        :height="map(width)!.height"
        width="100%"
        role="group"
        :aria-label="`Map of the machine: ${heading}`"
      >
        <defs>
          <pattern
            id="map-dead"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0H6M0 0V6" class="dead-line" />
          </pattern>
          <pattern
            id="map-other"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V6" class="other-line" />
          </pattern>
        </defs>
        <rect v-bind="map(width)!.housing" class="housing" rx="8" />
        <text :x="map(width)!.housing.x + 10" :y="map(width)!.housing.y + 15" class="soft">
          {{
            assembly?.housing
              ? fitText(assembly.housing.label, map(width)!.housing.width - 20)
              : 'No case'
          }}
        </text>
        <g
          v-for="beside in [map(width)!.outside].filter(found => found !== null)"
          :key="beside.label"
        >
          <rect
            :x="beside.x"
            :y="beside.y"
            :width="beside.width"
            :height="beside.height"
            class="housing"
            rx="8"
          />
          <text :x="beside.x + 10" :y="beside.y + 16" class="soft">
            {{ fitText(beside.label, beside.width - 20) }}
          </text>
        </g>
        <template v-if="map(width)!.board">
          <rect v-bind="map(width)!.board!" class="board" rx="5" />
          <text :x="map(width)!.board!.x" :y="map(width)!.board!.y - 6" class="soft">
            {{
              assembly!.board!.form === 'own'
                ? 'Board of its maker’s own form'
                : `${assembly!.board!.form} board`
            }}, {{ assembly!.board!.memory.type }}
          </text>
          <polyline
            v-for="track in map(width)!.tracks"
            :key="track.id"
            :points="track.points"
            class="track"
            :class="{ dead: track.isDead, narrowed: track.isNarrowed, used: track.isUsed }"
            :stroke-width="track.width"
          />
          <rect
            :x="map(width)!.chipset!.x"
            :y="map(width)!.chipset!.y"
            :width="map(width)!.chipset!.side"
            :height="map(width)!.chipset!.side"
            class="chipset"
            rx="3"
          />
          <text
            :x="map(width)!.chipset!.x + 20"
            :y="map(width)!.chipset!.y + map(width)!.chipset!.side + 13"
            text-anchor="middle"
            class="soft"
          >
            chipset
          </text>
        </template>
        <g
          v-for="mark in map(width)!.marks"
          :key="mark.id"
          :class="[
            'mark',
            mark.kind,
            {
              held: mark.holds !== null,
              off: mark.offBy !== null,
              picked: mark.id === picked,
              lit: lights(mark),
              over: over === mark.id,
              unlit: carried !== null && !lights(mark),
            },
          ]"
          :data-mark="mark.id"
          :tabindex="mark.kind === 'rear' ? undefined : mark.id === current ? 0 : -1"
          :role="mark.kind === 'rear' ? 'img' : 'button'"
          :aria-label="nameOf(mark)"
          @click="mark.kind !== 'rear' && (picked = mark.id)"
          @keydown="onKey($event, mark)"
          @dragover="lights(mark) && ($event.preventDefault(), (over = mark.id))"
          @dragleave="over = null"
          @drop.prevent="onDrop(mark)"
        >
          <title>{{ nameOf(mark) }}</title>
          <rect
            :x="mark.x"
            :y="mark.y"
            :width="mark.width"
            :height="mark.height"
            rx="3"
            class="body"
          />
          <rect
            v-if="mark.offBy"
            :x="mark.x"
            :y="mark.y"
            :width="mark.width"
            :height="mark.height"
            rx="3"
            class="cross"
          />
          <text
            v-if="mark.kind === 'slot' || mark.kind === 'm2'"
            :x="mark.x + 7"
            :y="mark.y + mark.height / 2 + 4"
          >
            {{ fitText(mark.holds ?? mark.label, mark.width - 12) }}
          </text>
          <text
            v-else-if="mark.kind === 'socket'"
            :x="mark.x + mark.width / 2"
            :y="mark.y + mark.height / 2 + 4"
            text-anchor="middle"
          >
            {{ fitText(mark.holds ?? mark.label, mark.width - 8) }}
          </text>
          <text
            v-else-if="mark.kind === 'data'"
            :x="mark.x + mark.width / 2"
            :y="mark.y + mark.height / 2 + 4"
            text-anchor="middle"
          >
            {{ mark.id.split('-')[1] }}
          </text>
          <text v-else-if="mark.kind === 'bay'" :x="mark.x + 8" :y="mark.y + mark.height / 2 + 4">
            {{ fitText(mark.holds ?? mark.label, mark.width - 12) }}
          </text>
          <text
            v-else-if="mark.kind === 'supply'"
            :x="mark.x + 8"
            :y="mark.y + mark.height / 2 + 4"
          >
            {{ fitText(mark.holds ?? 'No power supply', mark.width - 12) }}
          </text>
          <text
            v-else-if="mark.kind === 'rear'"
            :x="mark.x + mark.width / 2"
            :y="mark.y + mark.height / 2 + 4"
            text-anchor="middle"
          >
            {{ mark.holds }}
          </text>
        </g>
      </svg>
      <p v-else class="soft">Choose what the machine is built on, to see its board.</p>
    </template>
  </ChartFrame>
</template>

<style scoped>
.housing {
  fill: rgb(var(--v-theme-surface-light));
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 1.5;
}
.board {
  fill: rgba(var(--v-theme-wall), 0.1);
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 1.5;
}
.chipset {
  fill: rgba(var(--v-theme-wall), 0.45);
}
.track {
  fill: none;
  stroke: rgba(var(--v-theme-wall), 0.35);
  stroke-linejoin: round;
}
.track.used {
  stroke: rgb(var(--v-theme-water));
}
.track.dead {
  stroke: rgb(var(--v-theme-state-impossible));
  stroke-dasharray: 3 4;
}
.track.narrowed {
  stroke-dasharray: 9 3;
}
.dead-line {
  stroke: rgb(var(--v-theme-state-impossible));
  stroke-width: 1.1;
  fill: none;
}
.other-line {
  stroke: rgba(var(--v-theme-wall), 0.5);
  stroke-width: 1;
}
.mark {
  cursor: pointer;
  outline: none;
}
.mark .body {
  fill: rgb(var(--v-theme-surface-bright));
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-dasharray: 4 3;
}
.mark.held .body {
  fill: rgb(var(--v-theme-surface));
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 1.6;
  stroke-dasharray: none;
}
.mark.data.held .body,
.mark.memory.held .body,
.mark.bay.held .body {
  fill: rgba(var(--v-theme-water), 0.4);
}
.mark.rear {
  cursor: default;
}
.mark.off .body {
  stroke: rgb(var(--v-theme-state-impossible));
}
.mark.off .cross {
  fill: url(#map-dead);
  pointer-events: none;
  opacity: 0.75;
}
.mark.off text {
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 4px;
}
.mark.picked .body,
.mark:focus-visible .body {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2.4;
  stroke-dasharray: none;
}
.mark.lit .body {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
  fill: rgba(var(--v-theme-primary), 0.14);
}
.mark.over .body {
  fill: rgba(var(--v-theme-primary), 0.35);
}
.mark.unlit {
  opacity: 0.45;
}
</style>
