<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed, onBeforeUnmount, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { compareLayouts } from '~~/core/drives/compareLayouts'
import { layouts } from '~~/core/drives/layouts/layouts'
import { needByLayout } from '~~/core/drives/needByLayout'
import { editPlan } from '~~/core/plan/editPlan'
import type { Plan } from '~~/core/plan/planSchema'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { ticksOf } from '~/components/charts/chartBox'
import ChartScales from '~/components/charts/ChartScales.vue'
import { useFormat } from '~/composables/useFormat'
import { usePoolChoices } from '~/composables/usePoolChoices'
import { usePlanStore } from '~/stores/planStore'
import { layoutsPicture, narrowWidth, shortName, type LayoutPoint } from './layoutsPicture'

/**
 * Every layout by its chance of loss: with the drives there are by their room, for the same need by
 * the price of its drives. Hover or focus to preview, press to apply.
 */
const store = usePlanStore()
const choices = usePoolChoices()
const { number, money, share, quantity } = useFormat()
const height = 380
const by = ref<'drives' | 'need'>('drives')
const content = computed(() => store.assessment?.figures['library.contentAtHorizonTB']?.value ?? 0)
const years = computed(() => store.plan?.choices.horizonYears ?? 5)
const chosen = computed(() => store.assessment?.domains.drives.layoutId)
const bays = computed(() => store.assessment?.domains.machine.build.bays ?? 0)

interface Row extends LayoutPoint {
  readonly plan: () => Plan | null
  readonly text: string
}
function planWith(path: string, value: unknown, from: Plan | null = store.plan): Plan | null {
  const result = from && editPlan(from, path, value)
  return result && result.ok ? result.plan : null
}
/** Where a loss takes a part, how much of it all is expected to go. */
function labelOf(label: string, chance: number, expected: number | null): string {
  const part = expected !== null && chance >= 0.01 && expected < 0.9 * chance
  return part ? `${label}, ${share(expected)} of it all` : label
}
const ofDrives = computed((): Row[] =>
  store.plan && choices.value
    ? compareLayouts(
        { drives: store.plan.drives, choices: choices.value },
        catalogue,
        content.value,
      ).flatMap(({ layout, roomTB, lossChanceAtHorizon, expectedLostShare }) =>
        roomTB === null || lossChanceAtHorizon === null
          ? []
          : [
              {
                id: layout.id,
                label: labelOf(layout.label, lossChanceAtHorizon, expectedLostShare),
                x: roomTB,
                loss: lossChanceAtHorizon,
                text: `room ${quantity(roomTB, 'TB')}, expected to lose ${share(expectedLostShare ?? 0)} of it all`,
                plan: () => planWith('drives.layout', layout.id),
              },
            ],
      )
    : [],
)
const ofNeed = computed((): Row[] =>
  store.plan && choices.value
    ? needByLayout({
        drives: store.plan.drives,
        choices: choices.value,
        catalogue,
        contentTB: content.value,
        maxDrives: bays.value,
      }).flatMap(({ layout, drives }) =>
        drives === null
          ? []
          : [
              {
                id: layout.id,
                label: layout.label,
                x: drives.price,
                loss: drives.lossChanceAtHorizon,
                text: `${drives.count} × ${quantity(drives.sizeTB, 'TB')}, ${money(drives.price)}`,
                plan: () =>
                  planWith(
                    'drives.lots',
                    [{ count: drives.count, sizeTB: drives.sizeTB }],
                    planWith('drives.layout', layout.id),
                  ),
              },
            ],
      )
    : [],
)
const rows = computed(() => (by.value === 'drives' ? ofDrives.value : ofNeed.value))
const table = computed(() => rows.value.map(row => [row.label, row.text, share(row.loss)]))
const picture = (width: number) =>
  layoutsPicture(
    width < narrowWidth
      ? rows.value.map(row => ({ ...row, label: shortName(row.label) }))
      : rows.value,
    { width, height, atLeast: by.value === 'drives' ? content.value : 0 },
  )
const rowOf = (id: string) => rows.value.find(row => row.id === id)
const axisTitle = computed(() =>
  by.value === 'drives'
    ? 'Room with these drives, TB'
    : `New drives for the library in ${counted(years.value, 'year')}, price`,
)
/** A chance on the axis; very rare ones as a power of ten. */
const powers: Readonly<Record<number, string>> = { 6: '⁶', 7: '⁷', 8: '⁸', 9: '⁹' }
function lossText(chance: number): string {
  const power = powers[Math.round(-Math.log10(chance))]
  return chance === 1 ? 'certain' : power ? `1 in 10${power}` : `1 in ${number(1 / chance, 2)}`
}
const left = computed(() => layouts.length - rows.value.length)

function preview(id: string | null): void {
  store.tried =
    id === null || (id === chosen.value && by.value === 'drives')
      ? null
      : (rowOf(id)?.plan() ?? null)
}
function apply(id: string): void {
  const plan = rowOf(id)?.plan()
  store.tried = null
  if (plan) store.replace(plan)
}
onBeforeUnmount(() => preview(null))
</script>

<template>
  <ChartFrame
    :title="`Loss in ${counted(years, 'year')}, by layout`"
    :columns="[
      'Layout',
      by === 'drives' ? 'Room' : 'Drives and price',
      `Loss in ${counted(years, 'year')}`,
    ]"
    :rows="table"
  >
    <template #default="{ width }">
      <div
        class="switch no-print"
        role="radiogroup"
        aria-label="What the layouts are compared with"
      >
        <label><input v-model="by" type="radio" value="drives" /> The drives there are</label>
        <label
          ><input v-model="by" type="radio" value="need" /> The same need, with new drives</label
        >
      </div>
      <svg
        v-for="(drawn, at) in rows.length ? [picture(width)] : []"
        :key="at"
        :width="width"
        :height="height"
        :viewBox="`0 0 ${width} ${height}`"
        role="group"
        :aria-label="`Layouts by chance of loss and ${by === 'drives' ? 'room' : 'price'}`"
      >
        <ChartScales
          :box="{ left: 76, right: width - 16, top: 10, bottom: height - 40 }"
          :up="ticksOf(drawn.lossTicks, drawn.y, lossText)"
          :across="
            ticksOf(drawn.xTicks, drawn.x, tick =>
              by === 'drives' ? number(tick, 3) : money(tick),
            )
          "
          :name="axisTitle"
        />
        <g v-if="by === 'drives'">
          <line
            :x1="drawn.x(content)"
            :x2="drawn.x(content)"
            y1="10"
            :y2="height - 40"
            class="needed"
          />
          <text :x="drawn.x(content) - 5" y="22" text-anchor="end" class="needed-label">
            library in {{ counted(years, 'year') }}
          </text>
        </g>
        <g
          v-for="point in drawn.points"
          :key="point.id"
          class="point"
          :class="{ chosen: point.id === chosen }"
          role="button"
          tabindex="0"
          :data-point="point.id"
          :aria-label="`${rowOf(point.id)!.label}: ${rowOf(point.id)!.text}, loss ${share(point.loss)}${point.id === chosen ? ', chosen' : ''}. Apply`"
          @mouseenter="preview(point.id)"
          @mouseleave="preview(null)"
          @focus="preview(point.id)"
          @blur="preview(null)"
          @click="apply(point.id)"
          @keydown.enter="apply(point.id)"
          @keydown.space.prevent="apply(point.id)"
        >
          <line
            v-if="Math.abs(point.labelY - point.py) > 6"
            :x1="point.px"
            :y1="point.py"
            :x2="point.px + (point.labelLeft ? -10 : 10)"
            :y2="point.labelY"
            class="lead"
          />
          <circle :cx="point.px" :cy="point.py" :r="point.id === chosen ? 7 : 5" />
          <text
            :x="point.px + (point.labelLeft ? -12 : 12)"
            :y="point.labelY + 4"
            :text-anchor="point.labelLeft ? 'end' : 'start'"
          >
            {{ point.label }}
          </text>
        </g>
      </svg>
      <p v-if="!rows.length" class="soft">
        {{
          by === 'drives'
            ? 'These drives make no layout yet. Put in drives under Space.'
            : 'No drives of common sizes that fit into the bays have room for this library.'
        }}
      </p>
      <p class="soft small">
        Safer is higher. Hover or focus to preview on the headroom line, press to apply.
        <template v-if="left > 0">
          {{ left === 1 ? '1 layout is' : `${left} layouts are` }} not drawn:
          {{
            by === 'drives'
              ? 'these drives do not make them; the table says why.'
              : `no drives in ${counted(bays, 'bay')} are enough.`
          }}
        </template>
        {{
          by === 'need' ? 'The cheapest new drives of one size that is sold, at usual prices.' : ''
        }}
        Where a loss takes a part only, the share of all that is kept that is expected to go stands
        beside the name.
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
.switch {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin: 6px 0;
  font-size: 0.9rem;
}
.switch label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
  cursor: pointer;
}
.switch input {
  accent-color: rgb(var(--v-theme-primary));
}
.needed {
  stroke: rgb(var(--v-theme-water-line));
  stroke-width: 2;
  stroke-dasharray: 5 4;
}
svg text.needed-label {
  fill: rgb(var(--v-theme-water-line));
  font-weight: 600;
}
.point {
  cursor: pointer;
}
.point circle {
  fill: rgb(var(--v-theme-wall));
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 1.5;
}
.point.chosen circle {
  fill: rgb(var(--v-theme-primary));
}
.point.chosen text {
  font-weight: 700;
}
.point:hover circle,
.point:focus-visible circle {
  fill: rgb(var(--v-theme-primary));
}
.point:hover text {
  fill: rgb(var(--v-theme-primary));
}
svg text {
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 3px;
  stroke-linejoin: round;
}
.lead {
  pointer-events: none;
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-width: 1;
}
</style>
