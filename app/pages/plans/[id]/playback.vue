<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { cellKey } from '~~/core/tiers/rankRemedies'
import { matrixSummaries } from '~~/core/playback/summaries'
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import CellReasons from '~/components/playback/CellReasons.vue'
import MatrixPicture from '~/components/playback/MatrixPicture.vue'
import OutcomeStrip from '~/components/playback/OutcomeStrip.vue'
import RemedyList from '~/components/playback/RemedyList.vue'
import { useBackground } from '~/composables/useBackground'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

const store = usePlanStore()
const matrix = computed(() => store.assessment?.domains.playback.matrix ?? null)
const week = computed(() => store.assessment?.domains.household.week ?? null)
const summaries = computed(() => matrix.value && week.value ? matrixSummaries(matrix.value, week.value) : null)
const shares = computed(() => store.assessment?.domains.playback.shares ?? null)
const { result: remedies, working } = useBackground('compare', () => store.plan, (work, plan) => work.remedies(plan), 300)

/** The pair that is looked at; at first the one whose conversion is watched most. */
const chosen = ref<{ row: number, column: number } | null>(null)
const worst = computed(() => {
  let best = { row: 0, column: 0, hours: -1 }
  matrix.value?.cells.forEach((cells, row) => cells.forEach((cell, column) => {
    const trouble = cell.offered && (cell.plain.outcome === 'picture' || cell.plain.outcome === 'cannot')
    const hours = (summaries.value?.cellHours[row]?.[column] ?? 0) + (trouble ? 1000 : 0)
    if (hours > best.hours) best = { row, column, hours }
  }))
  return best
})
const pair = computed(() => chosen.value ?? worst.value)
watch(() => [matrix.value?.rows.length, matrix.value?.columns.length], ([rows, columns]) => {
  if (chosen.value && (chosen.value.row >= (rows ?? 0) || chosen.value.column >= (columns ?? 0))) chosen.value = null
})
const remedy = computed(() => remedies.value?.cells.get(cellKey(pair.value.row, pair.value.column)) ?? null)
const anyDevices = computed(() => (store.plan?.household.devices.length ?? 0) > 0)
</script>

<template>
  <ViewFrame question="Which titles play untouched where, and what must be converted?">
    <section
      v-if="matrix && matrix.rows.length === 0"
      class="sheet"
    >
      <p>
        The library holds no video yet. Enter what is kept, or drop a scan of your files, under
        <NuxtLink :to="viewAddress(store.id ?? '', 'library')">
          Library
        </NuxtLink>; the matrix follows from it.
      </p>
    </section>
    <template v-else-if="matrix && summaries">
      <section class="sheet shares">
        <OutcomeStrip
          :shares="shares"
          :height="20"
        />
        <div class="figures">
          <FigureValue id="playback.untouchedShare" />
          <FigureValue id="playback.repackShare" />
          <FigureValue id="playback.soundShare" />
          <FigureValue id="playback.convertedShare" />
          <FigureValue id="playback.cannotShare" />
        </div>
        <p
          v-if="!anyDevices"
          class="small"
        >
          No devices are listed, so the generic classes stand in, at home.
          <NuxtLink :to="viewAddress(store.id ?? '', 'household')">
            List your devices and habits
          </NuxtLink>
        </p>
      </section>
      <div class="columns">
        <section class="sheet">
          <MatrixPicture
            :matrix="matrix"
            :summaries="summaries"
            :row="pair.row"
            :column="pair.column"
            @choose="(row, column) => chosen = { row, column }"
          />
        </section>
        <CellReasons
          :matrix="matrix"
          :row="pair.row"
          :column="pair.column"
          :hours="summaries.cellHours[pair.row]?.[pair.column] ?? 0"
          :remedy="remedy"
          :looking="working"
        />
      </div>
      <RemedyList
        :ranked="remedies?.ranked ?? []"
        :working="working"
        :any-habits="(store.plan?.household.habits.length ?? 0) > 0"
      />
      <FindingsList view="playback" />
    </template>
  </ViewFrame>
</template>

<style scoped>
.columns { display: grid; grid-template-columns: minmax(0, 2.1fr) minmax(250px, 1fr); gap: 16px; align-items: start; }
.shares { display: flex; flex-direction: column; gap: 8px; }
.figures { display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 8px; }
a { color: rgb(var(--v-theme-primary)); }
@media (max-width: 1000px) { .columns { grid-template-columns: minmax(0, 1fr); } }
</style>
