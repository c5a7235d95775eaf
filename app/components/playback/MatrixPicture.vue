<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { groupCell, type GroupCell } from '~~/core/playback/groupCells'
import type { PlayabilityMatrix } from '~~/core/playback/matrix'
import { outcomes } from '~~/core/playback/playability'
import { rowGroups } from '~~/core/playback/rowGroups'
import type { MatrixSummaries } from '~~/core/playback/summaries'
import OutcomeStrip from './OutcomeStrip.vue'
import { cellWord, outcomeTexts } from './outcomeTexts'
import { useFormat } from '~/composables/useFormat'

/**
 * Qualities against devices: what comes of each pair. The right part of a cell is what comes of it
 * with subtitles shown.
 */
const props = defineProps<{
  matrix: PlayabilityMatrix
  summaries: MatrixSummaries
  row: number
  column: number
}>()
const { number, share } = useFormat()
const emit = defineEmits<{ choose: [row: number, column: number] }>()
const table = ref<HTMLElement | null>(null)

const hours = computed(() =>
  props.summaries.columns.reduce((sum, column) => sum + column.hoursPerWeek, 0),
)
const groups = computed(() => rowGroups(props.matrix.rows))
const cells = computed(() =>
  groups.value.map(({ rows }) =>
    props.matrix.columns.map((_, column) =>
      groupCell(props.matrix, props.summaries, { rows, column }),
    ),
  ),
)
const maxHours = computed(() =>
  Math.max(0.01, ...cells.value.flat().map(({ hoursPerWeek }) => hoursPerWeek)),
)
/** Pairs that are watched more stand out; those nobody watches are pale. */
const weight = ({ hoursPerWeek }: GroupCell) =>
  hours.value === 0 ? 1 : 0.45 + 0.55 * Math.sqrt(hoursPerWeek / maxHours.value)
const differs = ({ cell }: GroupCell) =>
  cell.subtitled !== null &&
  props.matrix.subtitledShare > 0 &&
  cell.subtitled.outcome !== cell.plain.outcome
/** Of titles whose bitrates fare differently, how many fare as the worst do. */
const part = ({ worstShare }: GroupCell) => (worstShare < 1 - 1e-9 ? share(worstShare) : '')
const spoken = (row: number, column: number) => {
  const shown = cells.value[row]![column]!
  const { plain, subtitled, offered } = shown.cell
  const device = props.matrix.columns[column]!
  const name = `${groups.value[row]!.label} on ${device.deviceName}, ${device.placeName}`
  return !offered
    ? `${name}: not offered`
    : `${name}: ` +
        `${part(shown) ? `${part(shown)} of the titles: ` : ''}${outcomeTexts[plain.outcome].long}${plain.output ? ` to ${plain.output.lines}p` : ''}${differs(shown) ? `; with subtitles ${outcomeTexts[subtitled!.outcome].long.toLowerCase()}` : ''}`
}

async function key(event: KeyboardEvent): Promise<void> {
  const [down, right] = (
    { ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] } as Record<
      string,
      [number, number]
    >
  )[event.key] ?? [0, 0]
  const ends = { Home: 0, End: props.matrix.columns.length - 1 }[event.key]
  if (!down && !right && ends === undefined) return
  event.preventDefault()
  const row = Math.max(0, Math.min(groups.value.length - 1, props.row + down))
  const column =
    ends ?? Math.max(0, Math.min(props.matrix.columns.length - 1, props.column + right))
  emit('choose', row, column)
  await nextTick()
  table.value?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)?.focus()
}
</script>

<template>
  <div class="scroll" role="region" aria-label="Playability" tabindex="0">
    <table ref="table" role="grid" aria-label="What comes of each quality on each device">
      <thead>
        <tr role="row">
          <th scope="col" class="corner">
            <span class="soft small">Titles, most first</span>
          </th>
          <th
            v-for="(device, at) in matrix.columns"
            :key="device.key"
            scope="col"
            :class="{ chosen: at === column }"
          >
            <span class="device">{{ device.deviceName }}</span>
            <span class="soft place">{{ device.placeName }}</span>
            <span class="soft place">{{
              hours === 0
                ? ''
                : summaries.columns[at]!.hoursPerWeek > 0
                  ? `${number(summaries.columns[at]!.hoursPerWeek, 2)} h a week`
                  : 'not used'
            }}</span>
            <OutcomeStrip :shares="summaries.columns[at]!.shares" />
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(title, rowAt) in groups" :key="title.key" role="row">
          <th scope="row" :class="{ chosen: rowAt === row }">
            <span class="title">{{ title.label }}</span>
            <span class="hours"
              ><OutcomeStrip :shares="summaries.groups[rowAt]!.shares" :height="6"
            /></span>
          </th>
          <td
            v-for="(shown, at) in cells[rowAt]"
            :key="at"
            role="gridcell"
            :tabindex="rowAt === row && at === column ? 0 : -1"
            :aria-selected="rowAt === row && at === column"
            :aria-label="spoken(rowAt, at)"
            :data-cell="`${rowAt} ${at}`"
            :data-outcome="shown.cell.offered ? shown.cell.plain.outcome : 'notOffered'"
            :class="{ chosen: rowAt === row && at === column }"
            @click="emit('choose', rowAt, at)"
            @focus="emit('choose', rowAt, at)"
            @keydown="key"
          >
            <span
              class="cell"
              :class="{ away: !shown.cell.offered }"
              :style="{ opacity: weight(shown) }"
            >
              <i
                v-for="(of, index) in shown.cell.offered ? shown.parts : []"
                :key="index"
                :class="of.play.outcome"
                :style="{ flexGrow: of.share }"
              />
            </span>
            <span class="word"
              >{{ shown.cell.offered ? cellWord(shown.cell.plain) : 'not offered'
              }}<template v-if="shown.cell.offered && part(shown)">, {{ part(shown) }}</template
              ><template v-else-if="shown.cell.offered && differs(shown)">
                · {{ cellWord(shown.cell.subtitled!) }}</template
              ></span
            >
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <p class="legend small">
    <span v-for="outcome in outcomes" :key="outcome"
      ><i :class="outcome" /> {{ outcomeTexts[outcome].long.split(':')[0] }}</span
    >
    <span class="soft"
      >The narrow part on the right is with subtitles shown. Where bitrates fare differently a cell
      has a part for each, and says how many fare worst. Pale cells are seldom watched.</span
    >
  </p>
</template>

<style scoped>
.scroll {
  overflow: auto;
  max-height: 560px;
}
table {
  border-collapse: separate;
  border-spacing: 3px;
  font-size: 0.8rem;
}
thead th {
  vertical-align: bottom;
  text-align: left;
  font-weight: 500;
  min-width: 78px;
  max-width: 104px;
  padding: 2px 3px;
  position: sticky;
  top: 0;
  background: rgb(var(--v-theme-surface));
  z-index: 1;
}
.corner {
  min-width: 170px;
  left: 0;
  z-index: 2;
}
.device {
  display: block;
  font-weight: 600;
  line-height: 1.15;
}
.place {
  display: block;
  font-size: 0.74rem;
  line-height: 1.2;
}
tbody th {
  text-align: left;
  font-weight: 500;
  padding: 2px 6px 2px 2px;
  position: sticky;
  left: 0;
  background: rgb(var(--v-theme-surface));
  max-width: 250px;
  line-height: 1.2;
  z-index: 1;
}
.hours {
  display: block;
  width: 90px;
  margin-top: 2px;
}
th.chosen .title,
th.chosen .device {
  text-decoration: underline solid rgb(var(--v-theme-primary)) 2px;
  text-underline-offset: 3px;
}
td {
  position: relative;
  height: 34px;
  min-width: 74px;
  cursor: pointer;
  padding: 0;
  border-radius: 4px;
}
.cell {
  position: absolute;
  inset: 0;
  display: flex;
  border-radius: 4px;
  overflow: hidden;
  border: 1px solid rgb(var(--v-theme-hairline));
}
.cell i {
  flex-basis: 0;
}
.cell.away {
  border-style: dashed;
}
.word {
  position: relative;
  display: block;
  text-align: center;
  line-height: 34px;
  font-size: 0.76rem;
  font-weight: 550;
  white-space: nowrap;
  padding: 0 4px;
}
td.chosen {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: 1px;
}
.playAsIs {
  background: rgba(var(--v-theme-water), 0.28);
}
.repack {
  background: rgba(var(--v-theme-water), 0.62);
}
.sound {
  background: repeating-linear-gradient(
    90deg,
    rgba(var(--v-theme-water), 0.62) 0 4px,
    rgba(var(--v-theme-water), 0.34) 4px 8px
  );
}
.picture {
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-state-tight), 0.5) 0 5px,
    rgba(var(--v-theme-state-tight), 0.3) 5px 10px
  );
}
.cannot {
  background: rgba(var(--v-theme-state-impossible), 0.45);
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin-top: 8px;
}
.legend i {
  display: inline-block;
  width: 14px;
  height: 12px;
  border-radius: 2px;
  border: 1px solid rgb(var(--v-theme-hairline));
  vertical-align: -1px;
}
</style>
