<script setup lang="ts">
import { computed, ref } from 'vue'
import { cellKey } from '~~/core/tiers/rankFixes'
import { matrixSummaries } from '~~/core/playback/summaries'
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import CellReasons from '~/components/playback/CellReasons.vue'
import MatrixPicture from '~/components/playback/MatrixPicture.vue'
import OutcomeStrip from '~/components/playback/OutcomeStrip.vue'
import PlaybackFixes from '~/components/playback/PlaybackFixes.vue'
import { useBackground } from '~/composables/useBackground'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

definePageMeta({ key: 'playback' })

const store = usePlanStore()
const matrix = computed(() => store.assessment?.domains.playback.matrix ?? null)
const week = computed(() => store.assessment?.domains.household.week ?? null)
const summaries = computed(() =>
  matrix.value && week.value ? matrixSummaries(matrix.value, week.value) : null,
)
const shares = computed(() => store.assessment?.domains.playback.shares ?? null)
const { result: fixes, working } = useBackground(
  'compare',
  () => store.plan,
  (work, plan) => work.playbackFixes(plan),
  300,
)

/** The pair that was chosen, by its keys: rows and columns move as the plan changes. */
const chosen = ref<{ readonly row: string; readonly column: string } | null>(null)
function choose(row: number, column: number): void {
  if (matrix.value)
    chosen.value = { row: matrix.value.rows[row]!.key, column: matrix.value.columns[column]!.key }
}
const worst = computed(() => {
  let best = { row: 0, column: 0, hours: -1 }
  matrix.value?.cells.forEach((cells, row) =>
    cells.forEach((cell, column) => {
      const trouble =
        cell.offered && (cell.plain.outcome === 'picture' || cell.plain.outcome === 'cannot')
      const hours = (summaries.value?.cellHours[row]?.[column] ?? 0) + (trouble ? 1000 : 0)
      if (hours > best.hours) best = { row, column, hours }
    }),
  )
  return best
})
/**
 * The pair that is looked at; at first, or when the chosen one is gone, the one whose conversion is
 * watched most.
 */
const pair = computed(() => {
  const row = matrix.value?.rows.findIndex(({ key }) => key === chosen.value?.row) ?? -1
  const column = matrix.value?.columns.findIndex(({ key }) => key === chosen.value?.column) ?? -1
  return row >= 0 && column >= 0 ? { row, column } : worst.value
})
const fix = computed(
  () => fixes.value?.cells.get(cellKey(pair.value.row, pair.value.column)) ?? null,
)
const anyDevices = computed(() => (store.plan?.household.devices.length ?? 0) > 0)
</script>

<template>
  <ViewFrame
    view="playback"
    question="Which titles play as they are on each device, and which must be converted?"
  >
    <template #matrix>
      <section v-if="matrix && matrix.rows.length === 0" class="sheet">
        <p>
          The library holds no video yet. Enter your holdings, or import a scan of your files, under
          <NuxtLink :to="viewAddress(store.id ?? '', 'library')"> Library </NuxtLink>. The matrix
          follows from it.
        </p>
      </section>
      <template v-else-if="matrix && summaries">
        <section class="sheet shares">
          <OutcomeStrip :shares="shares" :height="20" />
          <div class="figures">
            <FigureValue id="playback.untouchedShare" />
            <FigureValue id="playback.repackShare" />
            <FigureValue id="playback.soundShare" />
            <FigureValue id="playback.convertedShare" />
            <FigureValue id="playback.cannotShare" />
          </div>
          <p v-if="!anyDevices" class="small">
            You have listed no devices, so generic ones are shown at home.
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
              @choose="choose"
            />
          </section>
          <CellReasons
            :matrix="matrix"
            :row="pair.row"
            :column="pair.column"
            :hours="summaries.cellHours[pair.row]?.[pair.column] ?? 0"
            :fix="fix"
            :looking="working"
          />
        </div>
        <FindingsList view="playback" :most="2" />
      </template>
    </template>
    <template #fixes>
      <PlaybackFixes
        :ranked="fixes?.ranked ?? []"
        :working="working"
        :any-habits="(store.plan?.household.habits.length ?? 0) > 0"
      />
      <FindingsList view="playback" />
    </template>
  </ViewFrame>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 2.1fr) minmax(250px, 1fr);
}
.shares {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
a {
  color: rgb(var(--v-theme-primary));
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
