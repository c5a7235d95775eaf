<script setup lang="ts">
import { computed } from 'vue'
import type { PlayabilityMatrix } from '~~/core/playback/matrix'
import type { Playability } from '~~/core/playback/playability'
import { reasonText } from '~~/core/playback/rules'
import { linkFigureId } from '~~/core/playback/screens'
import { workFigureId } from '~~/core/playback/playbackDemand'
import type { ShownFix } from '~~/core/tiers/rankFixes'
import { useFormat } from '~/composables/useFormat'
import FigureValue from '~/components/common/FigureValue.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import FixButton from './FixButton.vue'
import { outcomeTexts } from './outcomeTexts'

/**
 * One pair of title and device: what comes of it, all the reasons, the work, and the cheapest way
 * out.
 */
const props = defineProps<{
  matrix: PlayabilityMatrix
  /** the row that fares worst, and all that differ from it in their bitrate only */
  row: number
  rows: readonly number[]
  column: number
  hours: number
  fix: ShownFix | null
  looking: boolean
}>()
const { number, quantity, format } = useFormat()
const title = computed(() => props.matrix.rows[props.row])
const device = computed(() => props.matrix.columns[props.column])
const plays = computed(() => {
  const cell = props.matrix.cells[props.row]?.[props.column]
  if (!cell) return []
  const differs =
    cell.subtitled &&
    (cell.subtitled.outcome !== cell.plain.outcome ||
      cell.subtitled.reasons.length !== cell.plain.reasons.length)
  return [
    { label: differs ? 'Without subtitles' : '', play: cell.plain },
    ...(differs ? [{ label: 'With subtitles', play: cell.subtitled! }] : []),
  ]
})
/** What follows the outcome in its sentence, up to the work. */
function more(play: Playability): string {
  const copy = play.smallCopy ? ', from its small second copy' : ''
  const output = play.output
    ? ` to ${play.output.lines}p at ${number(play.output.mbps, 3)} Mb/s`
    : ''
  const work =
    play.outcome === 'picture'
      ? ', work'
      : play.work > 0 && play.outcome !== 'cannot'
        ? `, work ${quantity(play.work, 'reference streams')}`
        : ''
  return copy + output + work
}
/** The other bitrates of these titles, and what comes of them. */
const others = computed(() =>
  props.rows
    .filter(at => at !== props.row)
    .map(at => ({
      at,
      mbps: props.matrix.rows[at]!.bitrateMbps,
      outcome: props.matrix.cells[at]![props.column]!.plain.outcome,
    })),
)
const isOffered = computed(() => props.matrix.cells[props.row]?.[props.column]?.offered ?? true)
const isTrouble = computed(
  () =>
    isOffered.value &&
    plays.value.some(({ play }) => play.outcome === 'picture' || play.outcome === 'cannot'),
)
</script>

<template>
  <section v-if="title && device" class="sheet reasons" aria-live="polite" data-reasons>
    <h2>{{ title.label }} on {{ device.deviceName }}</h2>
    <p class="soft small">
      {{ device.placeName }} · {{ device.className }} · {{ number(title.bitrateMbps, 3) }} Mb/s,
      peaks to {{ number(title.peakMbps, 3)
      }}<template v-if="hours > 0"> · {{ number(hours, 2) }} h a week </template>
    </p>
    <p v-if="!isOffered" data-not-offered>
      <strong>Not offered here:</strong> these titles are kept away from this device, so its viewers
      watch something else. If they were offered:
    </p>
    <div v-for="{ label, play } in plays" :key="label" class="play">
      <h3 v-if="label">
        {{ label }}
      </h3>
      <p class="outcome">
        <strong>{{ outcomeTexts[play.outcome].long }}</strong>{{ more(play) }}
        <WorkingLink
          v-if="play.work > 0 && play.outcome === 'picture' && play.conversion"
          :figure="workFigureId(play.conversion.key)"
          name="Work of this conversion"
        >
          {{ quantity(play.work, 'reference streams') }}
        </WorkingLink>
      </p>
      <ul v-if="play.reasons.length">
        <li v-for="reason in play.reasons" :key="reason.code" :data-reason="reason.code">
          {{ reasonText(reason, format) }}
        </li>
      </ul>
      <p v-else class="soft small">Container, picture, sound and rate are all taken as they are.</p>
    </div>
    <ul v-if="others.length" class="small" data-other-bitrates>
      <li v-for="other in others" :key="other.at">
        Those at {{ number(other.mbps, 3) }} Mb/s: {{ outcomeTexts[other.outcome].long }}.
      </li>
    </ul>
    <FigureValue :id="linkFigureId(device.key)" label="What the link carries for each stream" />
    <template v-if="isTrouble">
      <h3>Cheapest fix here</h3>
      <p v-if="looking" class="soft small" role="status">Searching …</p>
      <FixButton v-else-if="fix" :fix="fix" />
      <p v-else class="soft small">No single fix avoids this conversion.</p>
    </template>
  </section>
</template>

<style scoped>
.reasons {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: flex-start;
}
.outcome {
  line-height: 1.4;
}
ul {
  padding-left: 18px;
  margin-top: 4px;
  font-size: 0.92rem;
  line-height: 1.4;
}
h3 {
  color: rgb(var(--v-theme-ink-soft));
  font-size: 0.84rem;
}
</style>
