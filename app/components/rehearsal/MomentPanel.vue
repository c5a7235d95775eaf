<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { EveningEvent } from '~~/core/rehearsal/evening/eveningRun'
import type { EveningPicture } from '~~/core/rehearsal/picture/eveningPicture'
import { sessionSentence } from '~~/core/rehearsal/picture/eveningSentence'
import type { TriedFix } from '~~/core/tiers/rehearse'
import ProposalTable from '~/components/common/ProposalTable.vue'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { useTriedFixes } from '~/composables/useTriedFixes'
import { useRehearsalStore } from '~/stores/rehearsalStore'
import { clockText } from './stageLayout'

/** One moment: who was on, what each asked and got, what bound, what would have prevented it. */
const props = defineProps<{ picture: EveningPicture; event: EveningEvent }>()
defineEmits<{ close: [] }>()
const rehearsal = useRehearsalStore()
const { money, number, share, format } = useFormat()
const session = computed(() => props.picture.sessions[props.event.session]!)
const name = computed(() => props.picture.lanes[session.value.lane]!)
/** What was pressed answers where it is seen. */
const panel = ref<HTMLElement | null>(null)
onMounted(() => panel.value?.scrollIntoView({ block: 'nearest' }))
const place = computed(() => props.picture.events.indexOf(props.event))
const asked = computed(() => {
  const { ask } = rehearsal
  return ask && { ask, number: props.picture.number, event: place.value }
})
const { result: moment } = useBackground(
  'rehearse',
  () => asked.value,
  (work, { ask, number: evening, event }) => work.moment(ask, evening, event),
  0,
)
const { tried, all, working, failed, stop } = useTriedFixes(() => {
  const { ask } = rehearsal
  const { number: evening } = props.picture
  return (
    ask && {
      ask,
      session: { evening, habit: session.value.habit, isStep: props.event.kind === 'step' },
    }
  )
})
const mending = computed(() => tried.value.filter(({ mends }) => mends).slice(0, 6))
const words = {
  stall: 'stalls: nothing is ready to play any more',
  step: 'steps down to a smaller picture',
  refused: 'is refused',
  gaveUp: 'gives up',
} as const
const title = computed(
  () =>
    `${clockText(props.event.at, true)}: ${name.value} ` +
    (words[props.event.kind as keyof typeof words] ?? ''),
)
const told = computed(() => sessionSentence(session.value, name.value, format.value))
const isFull = computed(() => (moment.value?.on.length ?? 0) > 0)
/** Both columns on one scale: what there is, or more where more is asked. */
const scale = computed(() =>
  Math.max(
    1,
    (moment.value?.on ?? []).reduce((sum, { asks }) => sum + (Number.isFinite(asks) ? asks : 1), 0),
  ),
)
const tall = 150
const hues = ['moss', 'rust', 'slate', 'plum', 'ochre', 'teal', 'rose', 'umber']
const columns = computed(() =>
  (['asks', 'gets'] as const).map(key => {
    let below = 0
    return {
      key,
      parts: (moment.value?.on ?? []).map((one, at) => {
        const size = (Number.isFinite(one[key]) ? one[key] : 1) / scale.value
        below += size
        return {
          ...one,
          y: tall * (1 - below),
          height: tall * size,
          fill: `rgb(var(--v-theme-viewer-${hues[at % hues.length]!}))`,
        }
      }),
    }
  }),
)
const cost = ({ price }: TriedFix) =>
  price === null ? '' : price === 0 ? 'costs nothing' : `about ${money(price)}`
</script>

<template>
  <section ref="panel" class="sheet moment" data-moment>
    <header>
      <h2>{{ title }}</h2>
      <VBtn size="small" variant="text" @click="$emit('close')">Close</VBtn>
    </header>
    <p v-if="told" class="soft">{{ told }}</p>
    <div class="parts" :class="{ one: !isFull }">
      <div v-if="moment && isFull" class="stacks">
        <p>
          <strong>What binds: {{ moment.binds }}.</strong>
          {{
            moment.isShared
              ? 'Asked is what everybody takes of it at speed 1, against what there is (the line).'
              : 'Nobody takes it from anybody: each has speeds of their own.'
          }}
        </p>
        <div class="both">
          <svg
            :width="190"
            :height="tall + 26"
            role="img"
            :aria-label="`Asked and got of ${moment.binds}`"
          >
            <g
              v-for="(column, at) in columns"
              :key="column.key"
              :transform="`translate(${14 + at * 92},0)`"
            >
              <rect
                v-for="(part, index) in column.parts"
                :key="index"
                x="0"
                width="66"
                :y="part.y"
                :height="Math.max(0.5, part.height)"
                :style="{ fill: part.fill }"
                :class="{ asked: part.isAsked }"
              />
              <text x="33" :y="tall + 18" class="tick">
                {{ column.key === 'asks' ? 'asked' : 'got' }}
              </text>
            </g>
            <line
              :x1="4"
              :x2="186"
              :y1="tall * (1 - 1 / scale)"
              :y2="tall * (1 - 1 / scale)"
              class="most"
            />
          </svg>
          <ul>
            <li v-for="(one, at) in moment.on" :key="at">
              <i :style="{ background: `rgb(var(--v-theme-viewer-${hues[at % hues.length]}))` }" />
              <span>
                <strong>{{ one.name }}</strong>
                {{ one.title }}, {{ one.device }}: asks
                {{ Number.isFinite(one.asks) ? share(one.asks) : 'what is not there' }}, plays at
                {{ number(one.speed, 2) }}×
              </span>
            </li>
          </ul>
        </div>
      </div>
      <p v-else-if="moment" class="soft">
        Nobody else was on: it is not a busy moment that refuses it.
      </p>
      <div class="fixes" :aria-busy="working">
        <h3>What would have prevented it</h3>
        <p v-if="working" role="status" class="soft tries">
          Every fix of the plan is played on this same evening{{
            all > 0 ? `: ${number(tried.length)} of ${number(all)}` : ''
          }}
          …
          <VBtn size="small" variant="text" @click="stop">Stop</VBtn>
        </p>
        <p v-else-if="failed" role="alert">Something went wrong in this page; open it again.</p>
        <p v-else-if="mending.length === 0" class="soft">
          No single fix that the plan's views offer does. Streams and Tiers look for another
          machine.
        </p>
        <ProposalTable
          v-if="mending.length > 0"
          label="Fixes that prevent it"
          mark="prevents"
          :columns="[
            { id: 'fix', label: 'Fix' },
            { id: 'cost', label: 'Cost' },
            { id: 'then', label: 'This evening then' },
          ]"
          :rows="mending"
          :key-of="(fix: TriedFix) => fix.id"
          :name-of="(fix: TriedFix) => fix.label"
          :plan-of="(fix: TriedFix) => fix.plan"
        >
          <template #fix="{ row }">{{ row.label }}</template>
          <template #cost="{ row }">{{ cost(row) }}</template>
          <template #then="{ row }">{{
            row.isQuiet ? 'nothing disturbs it' : 'others are still disturbed'
          }}</template>
        </ProposalTable>
      </div>
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
}
.parts {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 20px;
  margin-top: 10px;
}
.parts.one {
  grid-template-columns: minmax(0, 1fr);
}
@media (max-width: 900px) {
  .parts {
    grid-template-columns: minmax(0, 1fr);
  }
}
.both {
  display: flex;
  gap: 14px;
  margin-top: 10px;
}
ul {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 6px;
  align-content: start;
  font-size: 0.88rem;
}
li {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
li i {
  flex: none;
  width: 10px;
  height: 10px;
}
.asked {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 2;
}
.tick {
  font-size: 12px;
  fill: rgb(var(--v-theme-ink-soft));
  text-anchor: middle;
}
.most {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1.5;
}
</style>
