<script setup lang="ts">
import { computed, ref } from 'vue'
import { cellKey } from '~~/core/tiers/rankFixes'
import { groupCell } from '~~/core/playback/groupCells'
import { rowGroups } from '~~/core/playback/rowGroups'
import { matrixSummaries } from '~~/core/playback/summaries'
import FigureValue from '~/components/common/FigureValue.vue'
import ViewFindings from '~/components/common/ViewFindings.vue'
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
    chosen.value = { row: groups.value[row]!.key, column: matrix.value.columns[column]!.key }
}
const groups = computed(() => rowGroups(matrix.value?.rows ?? []))
const cellAt = (row: number, column: number) =>
  matrix.value && summaries.value && groups.value[row]
    ? groupCell(matrix.value, summaries.value, { rows: groups.value[row].rows, column })
    : null
const worst = computed(() => {
  let best = { row: 0, column: 0, hours: -1 }
  groups.value.forEach((_, row) =>
    matrix.value!.columns.forEach((_, column) => {
      const shown = cellAt(row, column)
      if (!shown) return
      const { plain, offered } = shown.cell
      const trouble = offered && (plain.outcome === 'picture' || plain.outcome === 'cannot')
      const hours = shown.hoursPerWeek + (trouble ? 1000 : 0)
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
  const row = groups.value.findIndex(({ key }) => key === chosen.value?.row)
  const column = matrix.value?.columns.findIndex(({ key }) => key === chosen.value?.column) ?? -1
  return row >= 0 && column >= 0 ? { row, column } : worst.value
})
const shown = computed(() => cellAt(pair.value.row, pair.value.column))
const fix = computed(
  () => fixes.value?.cells.get(cellKey(shown.value?.row ?? 0, pair.value.column)) ?? null,
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
            :row="shown?.row ?? 0"
            :rows="groups[pair.row]?.rows ?? []"
            :column="pair.column"
            :hours="shown?.hoursPerWeek ?? 0"
            :fix="fix"
            :looking="working"
          />
        </div>
        <ViewFindings view="playback" :most="2" />
      </template>
    </template>
    <template #fixes>
      <PlaybackFixes
        :ranked="fixes?.ranked ?? []"
        :working="working"
        :any-habits="(store.plan?.household.habits.length ?? 0) > 0"
      />
      <ViewFindings view="playback" />
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
