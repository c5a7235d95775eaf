<script setup lang="ts">
import { computed } from 'vue'
import {
  mdiArchiveArrowDownOutline,
  mdiArchiveArrowUpOutline,
  mdiContentCopy,
  mdiDeleteOutline,
  mdiDotsVertical,
  mdiDownload,
  mdiPencilOutline,
} from '@mdi/js'
import type { PlanEntry } from '~~/core/plan/storedPlan'
import { formatOf } from '~~/core/units/format'
import { overallAnswer, overallWords } from '~~/core/verdictClauses'
import TideGauge from '~/components/common/TideGauge.vue'
import type { PlanReading } from '~/composables/usePlanCards'
import { pageLocale } from '~/services/pageLocale'

/** A plan as a card: the answer, what it costs now, its room and its conversions. */
const props = defineProps<{ entry: PlanEntry; reading: PlanReading | null }>()
const emit = defineEmits<{ copy: []; export: []; rename: []; archive: []; remove: [] }>()
const format = computed(() =>
  formatOf({ locale: pageLocale(), currency: props.reading?.plan.brief.currency ?? 'EUR' }),
)
const verdicts = computed(() => props.reading?.assessment.verdicts ?? [])
const overall = computed(() =>
  props.reading ? overallAnswer(verdicts.value, props.reading.plan.brief.budget !== null) : null,
)
const value = (id: string) => props.reading?.assessment.figures[id]?.value ?? null
const facts = computed(() => {
  const [toPay, room, possible, needed] = [
    'ownership.purchase',
    'drives.roomTB',
    'streams.possible',
    'streams.asked',
  ].map(value)
  return [
    { label: 'To pay now', text: toPay == null ? 'not known' : format.value.money(toPay) },
    { label: 'Room', text: room == null ? 'not known' : format.value.quantity(room, 'TB') },
    {
      label: 'Conversions',
      text:
        possible == null ? `${needed ?? 0} needed` : `${possible} possible, ${needed ?? 0} needed`,
    },
  ]
})
const saved = computed(() =>
  new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' }).format(
    new Date(props.entry.updatedAt),
  ),
)
const actions = computed(() => [
  { title: 'Rename', icon: mdiPencilOutline, run: () => emit('rename') },
  { title: 'Copy', icon: mdiContentCopy, run: () => emit('copy') },
  { title: 'Export', icon: mdiDownload, run: () => emit('export') },
  props.entry.archived
    ? {
        title: 'Take out of the archive',
        icon: mdiArchiveArrowUpOutline,
        run: () => emit('archive'),
      }
    : { title: 'Archive', icon: mdiArchiveArrowDownOutline, run: () => emit('archive') },
  { title: 'Delete', icon: mdiDeleteOutline, run: () => emit('remove') },
])
</script>

<template>
  <article class="plan-card sheet" :class="overall?.answer" :data-plan="entry.name">
    <header>
      <NuxtLink :to="`/plans/${entry.id}`" class="name">
        <h2>{{ entry.name }}</h2>
      </NuxtLink>
      <VMenu>
        <template #activator="{ props: activator }">
          <VBtn
            v-bind="activator"
            :icon="mdiDotsVertical"
            size="small"
            :aria-label="`More about ${entry.name}`"
          />
        </template>
        <VList density="compact">
          <VListItem
            v-for="action in actions"
            :key="action.title"
            :title="action.title"
            :prepend-icon="action.icon"
            @click="action.run()"
          />
        </VList>
      </VMenu>
    </header>
    <template v-if="overall">
      <p class="word">
        <strong>{{ overallWords[overall.answer] }}</strong>, because {{ overall.because }}.
      </p>
      <div class="gauges" aria-hidden="true">
        <span
          v-for="verdict in verdicts"
          :key="verdict.id"
          :title="`${verdict.label}: ${verdict.sentence}`"
          ><TideGauge :asked="verdict.asked" :possible="verdict.possible" :width="28" :height="32"
        /></span>
      </div>
      <dl>
        <div v-for="fact in facts" :key="fact.label">
          <dt class="soft">
            {{ fact.label }}
          </dt>
          <dd>{{ fact.text }}</dd>
        </div>
      </dl>
    </template>
    <p v-else class="soft">Calculating …</p>
    <small class="soft">Saved {{ saved }}</small>
  </article>
</template>

<style scoped>
.plan-card {
  display: flex;
  flex-direction: column;
  gap: 8px;
  border-left: 4px solid rgb(var(--v-theme-hairline));
}
.plan-card.no {
  border-left-color: rgb(var(--v-theme-state-short));
}
.plan-card.just {
  border-left-color: rgb(var(--v-theme-state-tight));
}
.plan-card.yes {
  border-left-color: rgb(var(--v-theme-state-ample));
}
header {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  align-items: start;
}
.name {
  color: inherit;
  text-decoration: none;
  min-width: 0;
  overflow-wrap: anywhere;
}
.name:hover h2 {
  text-decoration: underline;
}
.word {
  line-height: 1.35;
  font-size: 0.94rem;
}
.gauges {
  display: flex;
  gap: 8px;
}
dl {
  margin: 0;
  font-size: 0.86rem;
  display: flex;
  flex-direction: column;
  gap: 1px;
}
dl div {
  display: grid;
  grid-template-columns: 92px 1fr;
}
dd {
  margin: 0;
  font-variant-numeric: tabular-nums;
  font-weight: 600;
}
small {
  margin-top: auto;
}
</style>
