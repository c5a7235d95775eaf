<script setup lang="ts">
import { computed, onMounted } from 'vue'
import type { Verdict } from '~~/core/verdict'
import { viewAddress } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { planEditor } from '~/services/planEditor'
import { usePlanStore } from '~/stores/planStore'
import StateMark from './StateMark.vue'
import TideGauge from './TideGauge.vue'

const store = usePlanStore()
const { range, quantity } = useFormat()

const cells = computed(() => {
  const own = store.assessment?.verdicts ?? []
  const tried = store.triedAssessment?.verdicts
  return own.map(verdict => ({
    own: verdict,
    shown: tried?.find(candidate => candidate.id === verdict.id) ?? verdict,
    isTried: Boolean(tried),
  }))
})

function short(value: Verdict['asked'], unit: string): string {
  return value ? (unit === 'money' ? quantity(value.likely, unit) : range(value, unit)) : '–'
}
const differs = (own: Verdict, shown: Verdict) =>
  short(own.asked, own.unit) !== short(shown.asked, shown.unit) ||
  short(own.possible, own.unit) !== short(shown.possible, shown.unit)
const units: Readonly<Record<string, string>> = { TB: 'TB', 'Mb/s': 'Mb/s' }
// The verdicts first, then what editing needs.
onMounted(() => planEditor.loadInTime())
</script>

<template>
  <nav class="headroom-line" aria-label="Headroom" :aria-busy="store.assessing">
    <NuxtLink
      v-for="{ own, shown, isTried } in cells"
      :key="own.id"
      :to="viewAddress(store.id ?? '', own.domain)"
      class="cell"
      :data-verdict="own.id"
      :data-state="shown.state"
      :title="shown.sentence"
    >
      <TideGauge
        :asked="shown.asked"
        :possible="shown.possible"
        :ghost-asked="isTried ? own.asked : null"
        :ghost-possible="isTried ? own.possible : null"
      />
      <span class="words">
        <span class="label">{{ own.label }}</span>
        <StateMark :state="shown.state" small />
        <span v-if="shown.limit" class="numbers">
          <span class="asked">{{ shown.limit }}</span>
        </span>
        <span v-else class="numbers">
          <span class="asked">{{ short(shown.asked, shown.unit) }}</span>
          of
          <span class="possible"
            >{{ short(shown.possible, shown.unit)
            }}{{ units[shown.unit] ? `\u00A0${units[shown.unit]}` : '' }}</span
          >
        </span>
        <span v-if="isTried && differs(own, shown)" class="before"
          >was {{ short(own.asked, own.unit) }} of {{ short(own.possible, own.unit) }}</span
        >
      </span>
    </NuxtLink>
  </nav>
</template>

<style scoped>
.headroom-line {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  background: rgb(var(--v-theme-surface));
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
}
.cell {
  display: flex;
  gap: 10px;
  align-items: flex-end;
  padding: 10px 12px 8px;
  color: inherit;
  text-decoration: none;
  border-right: 1px solid rgb(var(--v-theme-hairline));
  min-width: 0;
}
.cell:last-child {
  border-right: 0;
}
.cell:hover {
  background: rgb(var(--v-theme-surface-light));
}
.cell:focus-visible {
  outline-offset: -3px;
}
.words {
  display: flex;
  flex-direction: column;
  min-width: 0;
  line-height: 1.3;
}
/* Room for the line of what was before: trying something moves nothing under the pointer. A low
   window has none to spare. */
@media (min-height: 600px) {
  .words {
    min-height: 61px;
    justify-content: flex-end;
  }
}
.label {
  font-size: 0.8rem;
  color: rgb(var(--v-theme-ink-soft));
  white-space: nowrap;
}
.numbers {
  font-size: 0.78rem;
  color: rgb(var(--v-theme-ink-soft));
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
.numbers .asked,
.numbers .possible {
  color: rgb(var(--v-theme-on-surface));
  font-weight: 600;
}
.before {
  font-size: 0.74rem;
  color: rgb(var(--v-theme-ink-soft));
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
}
@media (max-width: 1200px) {
  .cell {
    padding: 8px;
    gap: 7px;
  }
}
@media (max-width: 1000px) {
  .headroom-line {
    grid-template-columns: none;
    grid-auto-flow: column;
    grid-auto-columns: 176px;
    overflow-x: auto;
    scrollbar-width: thin;
  }
}
@media print {
  .headroom-line {
    grid-template-columns: repeat(4, minmax(0, 1fr));
    grid-auto-flow: row;
    overflow: visible;
    border: 1px solid rgb(var(--v-theme-hairline));
  }
}
</style>
