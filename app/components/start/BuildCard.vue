<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { computed } from 'vue'
import type { VerdictState } from '~~/core/verdict'
import StateMark from '~/components/common/StateMark.vue'
import { useFormat } from '~/composables/useFormat'

/**
 * One way to meet the need, as a small picture: the machine with its bays, and what it comes to
 * beside what is needed.
 */
const props = defineProps<{
  heading: string
  name: string
  detail: string
  bays: number
  drives: number
  lots: readonly { readonly count: number; readonly sizeTB: number; readonly isOwned: boolean }[]
  toPay: number
  overYears: number
  years: number
  idleW: number
  conversions: { readonly needed: number; readonly possible: number }
  room: { readonly needed: number; readonly possible: number }
  state: VerdictState
  lacks: string
}>()
const { money, number } = useFormat()
const bayCount = computed(() => Math.max(props.bays, props.drives, 1))
const tower = { width: 108, height: 76 }
const bayWidth = computed(() => Math.min(16, (tower.width - 12) / bayCount.value))
const share = (of: { readonly needed: number; readonly possible: number }) =>
  Math.min(1, of.needed / Math.max(of.needed, of.possible, 1e-9))
const reach = (of: { readonly needed: number; readonly possible: number }) =>
  Math.min(1, of.possible / Math.max(of.needed, of.possible, 1e-9))
const ownedDrives = computed(() =>
  props.lots.reduce((sum, { count, isOwned }) => (isOwned ? sum + count : sum), 0),
)
const drivesText = computed(() =>
  props.lots.length > 2
    ? counted(props.drives, 'drive')
    : props.lots
        .map(({ count, sizeTB }) => `${count} × ${number(sizeTB, 3)}`)
        .join(' + ')
        .concat(props.lots.length ? ' TB' : 'no drives'),
)
const ownedText = computed(() =>
  ownedDrives.value === 0
    ? ''
    : ownedDrives.value === props.drives
      ? 'Your own drives.'
      : `${ownedDrives.value} of the drives ${ownedDrives.value === 1 ? 'is' : 'are'} yours.`,
)
const rows = computed(() => [
  {
    label: 'Conversions',
    of: props.conversions,
    text:
      `${counted(props.conversions.possible, 'conversion')}, ` +
      `${number(props.conversions.needed)} needed`,
  },
  {
    label: 'Room',
    of: props.room,
    text: `${number(props.room.possible, 3)} TB, ${number(props.room.needed, 3)} needed`,
  },
])
</script>

<template>
  <article class="build-card">
    <header>
      <svg
        :viewBox="`0 0 ${tower.width} ${tower.height}`"
        :width="tower.width"
        :height="tower.height"
        aria-hidden="true"
      >
        <rect x="1" y="1" :width="tower.width - 2" :height="tower.height - 2" rx="5" class="case" />
        <g v-for="bay in bayCount" :key="bay">
          <rect
            :x="6 + (bay - 1) * bayWidth"
            y="10"
            :width="bayWidth - 3"
            :height="tower.height - 26"
            rx="1.5"
            :class="bay <= ownedDrives ? 'drive owned' : bay <= drives ? 'drive' : 'bay'"
          />
        </g>
        <text :x="tower.width / 2" :y="tower.height - 5" text-anchor="middle">
          {{ drivesText }}
        </text>
      </svg>
      <div class="title">
        <p class="top">
          <span class="heading">{{ heading }}</span>
          <StateMark :state="state" />
        </p>
        <h3>{{ name }}</h3>
        <p class="soft small">
          {{ [detail, ownedText].filter(Boolean).join('. ') }}
        </p>
        <p v-if="lacks" class="small verdict">{{ lacks }}</p>
        <div class="pay">
          <p class="price">
            {{ money(toPay) }}
            <span class="soft small"
              >now, {{ money(overYears) }} over {{ counted(years, 'year') }}</span
            >
          </p>
          <slot />
        </div>
      </div>
    </header>
    <dl>
      <div v-for="row in rows" :key="row.label">
        <dt class="soft">
          {{ row.label }}
        </dt>
        <dd>
          <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
            <rect width="100" height="8" class="track" />
            <rect :width="100 * reach(row.of)" height="8" class="reach" />
            <rect :x="Math.max(0, 100 * share(row.of) - 2)" width="2" height="8" class="need" />
          </svg>
          {{ row.text }}
        </dd>
      </div>
      <div>
        <dt class="soft">Idle</dt>
        <dd>{{ number(idleW, 2) }} W idle</dd>
      </div>
    </dl>
  </article>
</template>

<style scoped>
.build-card {
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
  background: rgb(var(--v-theme-surface));
  padding: 8px 12px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
header {
  display: flex;
  gap: 12px;
}
header svg {
  flex: none;
}
.case {
  fill: rgb(var(--v-theme-surface-light));
  stroke: rgb(var(--v-theme-wall));
}
.drive {
  fill: rgb(var(--v-theme-water));
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 0.8;
}
.owned {
  fill: rgb(var(--v-theme-surface));
}
.bay {
  fill: none;
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-dasharray: 2 2;
}
header text {
  font-size: 10.5px;
}
.heading {
  font-size: 0.8rem;
  font-weight: 600;
  color: rgb(var(--v-theme-primary));
}
.price span {
  white-space: nowrap;
}
.price {
  font-size: 1.25rem;
  font-weight: 650;
  font-variant-numeric: tabular-nums;
}
dl {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 3px 16px;
  font-size: 0.84rem;
}
dl div {
  flex: 1;
}
dl dt {
  position: absolute;
  clip-path: inset(50%);
  width: 1px;
  height: 1px;
  overflow: hidden;
}
dd {
  margin: 0;
  font-variant-numeric: tabular-nums;
}
dd svg {
  display: block;
  width: 100%;
  height: 6px;
}
.track {
  fill: rgb(var(--v-theme-surface-light));
}
.reach {
  fill: rgb(var(--v-theme-water));
}
.need {
  fill: rgb(var(--v-theme-on-surface));
}
.title {
  flex: 1;
  min-width: 0;
}
.title p {
  line-height: 1.3;
}
.top,
.pay {
  display: flex;
  gap: 8px;
  justify-content: space-between;
  align-items: baseline;
}
.pay {
  align-items: center;
  flex-wrap: wrap;
}
</style>
