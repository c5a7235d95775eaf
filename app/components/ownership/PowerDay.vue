<script setup lang="ts">
import { computed } from 'vue'
import { powerStateIds, type PowerStateId } from '~~/core/machine/machinePower'
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import { fieldElementId } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { usePictureHandle } from '~/composables/usePictureHandle'
import { usePlanStore } from '~/stores/planStore'

/**
 * Power over a day: watts over 24 hours, by state. The edges of the hours converting, of those in
 * which somebody watches and of the hours off can be dragged.
 */
const store = usePlanStore()
const { number } = useFormat()
const size = { width: 480, height: 170, left: 40, right: 12, top: 16, bottom: 30 }
const domains = computed(() => store.assessment?.domains)
const watts = (id: PowerStateId) => domains.value?.machine.watts[id].likely ?? 0
const hoursIn = (id: PowerStateId) => domains.value?.day.hours[id] ?? 0
const top = computed(() => Math.max(watts('converting'), watts('idle'), 1) * 1.15)
const x = (hour: number) => size.left + (hour / 24) * (size.width - size.left - size.right)
const y = (w: number) =>
  size.height - size.bottom - (w / top.value) * (size.height - size.top - size.bottom)
const words: Readonly<Record<PowerStateId, { readonly label: string; readonly told: string }>> = {
  converting: { label: 'converting', told: 'converting' },
  watching: { label: 'watching', told: 'watching' },
  idle: { label: 'idle', told: 'idle' },
  asleep: { label: 'drives asleep', told: 'with drives asleep' },
  off: { label: 'off', told: 'off' },
}
const fits = (text: string, room: number) => text.length * 7.5 <= room
/** The states one after the other, as long as they last. */
const blocks = computed(() =>
  powerStateIds.map((id, at) => {
    const { label, told: inWords } = words[id]
    const from = powerStateIds.slice(0, at).reduce((sum, before) => sum + hoursIn(before), 0)
    const inState = hoursIn(id)
    return { id, told: inWords, name: `${label} ${number(watts(id), 3)} W`, from, hours: inState }
  }),
)
/**
 * A name stands over its block where it has room there. The first ones, which are short, stand one
 * under the other beside the last edge before the long ones.
 */
const labels = computed(() => {
  const isShort = (id: PowerStateId) => id === 'converting' || id === 'watching'
  const edge = x(hoursIn('converting') + hoursIn('watching'))
  const isLeft = edge + 150 > size.width
  let line = 0
  return blocks.value
    .filter(block => block.hours > 0)
    .flatMap(block => {
      const { id, name, from, hours } = block
      const room = x(hours) - x(0)
      const text = `${number(watts(id), 3)} W`
      if (fits(name, room - 16))
        return [{ id, name, x: x(from) + room / 2, y: y(watts(id)) - 6, anchor: 'middle' }]
      if (isShort(id))
        return [
          {
            id,
            name,
            x: isLeft ? edge - 16 : edge + 16,
            y: y(top.value) + 16 + 18 * line++,
            anchor: isLeft ? 'end' : 'start',
          },
        ]
      return fits(text, room)
        ? [{ id, name: text, x: x(from) + room / 2, y: y(watts(id)) - 6, anchor: 'middle' }]
        : []
    })
})
const told = computed(() =>
  blocks.value
    .filter(block => block.hours > 0)
    .map(block => `${number(block.hours, 3)} h ${block.told}`)
    .join(', '),
)

const hourAt = (point: { readonly x: number }) =>
  ((point.x - size.left) / (size.width - size.left - size.right)) * 24
const common = { min: 0, step: 0.5, coarse: 3 }
const edges = [
  {
    id: 'converting',
    label: 'Hours converting a day',
    max: 24,
    at: () => hoursIn('converting'),
    ...usePictureHandle({
      ...common,
      max: 24,
      value: () => hoursIn('converting'),
      valueAt: hourAt,
      set: value => store.edit('choices.convertingHoursPerDay', value),
    }),
  },
  {
    id: 'watching',
    label: 'Hours somebody watches a day',
    max: 24,
    at: () => hoursIn('converting') + hoursIn('watching'),
    ...usePictureHandle({
      ...common,
      max: 24,
      value: () => hoursIn('converting') + hoursIn('watching'),
      valueAt: hourAt,
      set: value => store.edit('choices.watchingHoursPerDay', value),
    }),
  },
  {
    id: 'off',
    label: 'Hours off a day',
    max: 23,
    at: () => 24 - hoursIn('off'),
    ...usePictureHandle({
      ...common,
      max: 23,
      value: () => store.plan?.choices.offHoursPerDay ?? 0,
      valueAt: point => 24 - hourAt(point),
      set: value => store.edit('choices.offHoursPerDay', value),
    }),
  },
]
function follow(event: PointerEvent): void {
  for (const edge of edges) edge.follow(event)
}
function release(): void {
  for (const edge of edges) edge.release()
}
</script>

<template>
  <section :id="fieldElementId('choices.convertingHoursPerDay')" class="sheet">
    <h2>Power over a day</h2>
    <svg
      :viewBox="`0 0 ${size.width} ${size.height}`"
      role="group"
      aria-label="Watts over a day"
      @pointermove="follow"
      @pointerup="release"
    >
      <rect
        v-for="block in blocks"
        :key="block.id"
        :x="x(block.from)"
        :y="y(watts(block.id))"
        :width="x(block.hours) - x(0)"
        :height="y(0) - y(watts(block.id))"
        :class="block.id"
      />
      <line :x1="x(0)" :x2="x(24)" :y1="y(0)" :y2="y(0)" class="axis" />
      <text
        v-for="hour in [0, 6, 12, 18, 24]"
        :key="hour"
        :x="x(hour)"
        :y="size.height - 10"
        text-anchor="middle"
        class="soft"
      >
        {{ hour }} h
      </text>
      <text
        v-for="label in labels"
        :key="`${label.id} label`"
        :x="label.x"
        :y="label.y"
        :text-anchor="label.anchor"
      >
        {{ label.name }}
      </text>
      <g
        v-for="edge in edges"
        :key="edge.id"
        role="slider"
        tabindex="0"
        :aria-label="edge.label"
        aria-valuemin="0"
        :aria-valuemax="edge.max"
        :aria-valuenow="edge.id === 'off' ? 24 - edge.at() : edge.at()"
        class="edge"
        :aria-valuetext="`${number(edge.id === 'off' ? 24 - edge.at() : edge.at(), 3)} hours`"
        v-bind="edge.handle"
      >
        <rect
          :x="x(edge.at()) - 12"
          :y="size.top"
          width="24"
          :height="size.height - size.top - size.bottom"
          class="grip"
        />
        <line :x1="x(edge.at())" :x2="x(edge.at())" :y1="size.top" :y2="y(0)" />
        <path
          :d="`M${x(edge.at()) - 3} ${y(0) - 14}l-6 5 6 5zm6 0l6 5-6 5z`"
          :transform="edge.id === 'off' && edge.at() === 24 ? 'translate(-6 0)' : undefined"
        />
      </g>
    </svg>
    <p class="soft small">A day: {{ told }}.</p>
    <div class="told">
      <FigureValue id="ownership.kWhPerYear" inline />
      <FigureValue id="night.firstPressS" inline />
    </div>
    <FindingsList code="OFF_" />
  </section>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  max-width: 720px;
  touch-action: pan-y;
}
.told {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
.converting {
  fill: rgb(var(--v-theme-water-line));
  opacity: 0.65;
}
.watching {
  fill: rgb(var(--v-theme-water));
  opacity: 0.65;
}
.idle {
  fill: rgb(var(--v-theme-water));
  opacity: 0.45;
}
.asleep {
  fill: rgb(var(--v-theme-water));
  opacity: 0.25;
}
.off {
  fill: rgb(var(--v-theme-wall));
  opacity: 0.6;
}
.axis {
  stroke: rgb(var(--v-theme-wall));
}
.edge {
  cursor: ew-resize;
}
.edge line {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
}
.edge path {
  fill: rgb(var(--v-theme-primary));
}
.grip {
  fill: transparent;
}
</style>
