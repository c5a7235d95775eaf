<script setup lang="ts">
import { computed } from 'vue'
import { habitTimeInputs, slotParts } from '~~/core/household/peakFigures'
import { levelOf, poissonBinomial } from '~~/core/household/poissonBinomial'
import { shortChance } from '~~/core/streams/shortMinutes'
import { slotMinutes, weekTimeText } from '~~/core/units/week'
import { useHousehold } from '~/composables/useHousehold'
import { fieldElementId } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import ChartFrame from '../charts/ChartFrame.vue'

/** One moment of the week: how likely it is that so many watch, and who they are. */
const props = defineProps<{ /** slot of the week */ at: number; busy: boolean }>()
const emit = defineEmits<{ select: [habit: number] }>()
const store = usePlanStore()
const { number, share } = useFormat()
const { viewers } = useHousehold()

const moment = computed(() => {
  const domains = store.assessment?.domains
  if (!domains) return null
  const {
    household: { week },
    playback: { demand },
    streams: { converter },
  } = domains
  const occupancy = (props.busy && week.busy) || week.ordinary
  const parts = slotParts(week, occupancy, props.at).map(part => ({
    ...part,
    watcher: week.watchers[part.watcher]!,
    colour: viewers.value[part.watcher]?.colour ?? null,
    converting: Math.min(
      1,
      part.habits.reduce(
        (sum, { at, chance }) => sum + chance * (demand.convertingShares[at] ?? 0),
        0,
      ),
    ),
    habits: part.habits.map(({ at, chance }) => ({
      index: week.habits[at]!.index,
      name: week.habits[at]!.habit.name || 'Habit',
      chance,
    })),
  }))
  const chances = (pick: (part: (typeof parts)[number]) => number) =>
    poissonBinomial(parts.map(pick).filter(chance => chance > 0))
  const watching = chances(part => part.chance)
  return {
    parts,
    watching,
    home: chances(part => (part.watcher.isAway ? 0 : part.chance)),
    away: chances(part => (part.watcher.isAway ? part.chance : 0)),
    converting: chances(part => part.converting),
    expected: parts.reduce((sum, part) => sum + part.chance, 0),
    level95: levelOf(watching, 0.95),
    level99: levelOf(watching, 0.99),
    short: converter.processor
      ? shortChance(demand, { occupancy, slot: props.at }, converter)
      : null,
  }
})
const when = computed(() => weekTimeText(props.at * slotMinutes))
const count = computed(() => moment.value?.watching.length ?? 1)
const rows = computed(() =>
  Array.from({ length: count.value }, (_, number) => [
    String(number),
    ...(['watching', 'home', 'away', 'converting'] as const).map(of =>
      share(moment.value?.[of][number] ?? 0),
    ),
  ]),
)
const barHeight = 118
/** A field that decides the chance, for those who want to change it. */
const firstField = (habit: number) => fieldElementId(habitTimeInputs(habit)[0]!)
</script>

<template>
  <ChartFrame
    :title="`${when}: how many at once`"
    :columns="['Number', 'Watching', 'At home', 'Away', 'Converting']"
    :rows="rows"
  >
    <template #default="{ width }">
      <p v-if="moment" class="sentence" aria-live="polite">
        <template v-if="moment.parts.length">
          On average {{ number(moment.expected, 2) }} watch; no more than {{ moment.level95 }} in 95
          weeks of 100, no more than {{ moment.level99 }} in 99.
          <template v-if="moment.short !== null">
            Chance that the machine falls behind: {{ share(moment.short) }}.
          </template>
        </template>
        <template v-else> Nobody watches at this moment. </template>
      </p>
      <svg
        v-if="moment && moment.parts.length"
        :width="width"
        :height="barHeight + 34"
        :viewBox="`0 0 ${width} ${barHeight + 34}`"
        role="img"
        :aria-label="`Chances that so many watch: ${rows.map(row => `${row[0]}: ${row[1]}`).join(', ')}`"
      >
        <g
          v-for="viewersAtOnce in count"
          :key="viewersAtOnce"
          :transform="`translate(${(viewersAtOnce - 1) * (width / count)} 0)`"
        >
          <rect
            v-for="(bar, side) in ['watching', 'converting'] as const"
            :key="bar"
            :x="(width / count) * (0.14 + 0.38 * side)"
            :y="14 + barHeight * (1 - (moment[bar][viewersAtOnce - 1] ?? 0))"
            :width="(width / count) * 0.34"
            :height="barHeight * (moment[bar][viewersAtOnce - 1] ?? 0)"
            :class="bar"
          />
          <text
            :x="(width / count) * 0.31"
            :y="10 + barHeight * (1 - (moment.watching[viewersAtOnce - 1] ?? 0))"
            text-anchor="middle"
          >
            {{ share(moment.watching[viewersAtOnce - 1] ?? 0) }}
          </text>
          <text :x="width / count / 2" :y="barHeight + 30" text-anchor="middle" class="soft">
            {{ viewersAtOnce - 1 }}
          </text>
        </g>
        <line x1="0" :x2="width" :y1="barHeight + 14" :y2="barHeight + 14" class="axis" />
      </svg>
      <p class="soft small">
        <i class="swatch watching" /> watching <i class="swatch converting" /> of these, picture
        converted
      </p>
    </template>
    <template #below>
      <ul v-if="moment?.parts.length" class="who small">
        <li v-for="part in moment.parts" :key="part.watcher.name">
          <i
            class="swatch"
            :style="part.colour ? { background: `rgb(var(--v-theme-viewer-${part.colour}))` } : {}"
          />
          <strong>{{ part.watcher.name }}</strong> {{ share(part.chance) }}
          <span class="soft"
            >{{ part.watcher.isAway ? 'away' : 'at home'
            }}<template v-if="part.converting > 0.0005"
              >, converted {{ share(part.converting) }}</template
            ></span
          >
          <button
            v-for="habit in part.habits"
            :key="habit.index"
            type="button"
            class="plain-button link"
            :data-field="firstField(habit.index)"
            @click="emit('select', habit.index)"
          >
            {{ habit.name }} {{ share(habit.chance) }}
          </button>
        </li>
      </ul>
    </template>
  </ChartFrame>
</template>

<style scoped>
.sentence {
  line-height: 1.4;
}
svg {
  display: block;
  max-width: 100%;
}
.watching {
  fill: rgb(var(--v-theme-water));
  background: rgb(var(--v-theme-water));
}
.converting {
  fill: rgb(var(--v-theme-wall));
  background: rgb(var(--v-theme-wall));
}
.axis {
  stroke: rgb(var(--v-theme-ink-soft));
}
.swatch {
  display: inline-block;
  width: 10px;
  height: 10px;
  border-radius: 2px;
  background: rgb(var(--v-theme-ink-soft));
}
.swatch.watching {
  background: rgb(var(--v-theme-water));
}
.swatch.converting {
  background: rgb(var(--v-theme-wall));
  margin-left: 10px;
}
.who {
  list-style: none;
  padding: 0;
  margin-top: 8px;
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.who li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 7px;
  align-items: center;
  min-height: 26px;
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline dotted;
  min-height: 24px;
}
</style>
