<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { habitsFromAnswers } from '~~/core/household/habitsFromAnswers'
import { busiestQuarter } from '~~/core/household/weekCounts'
import { slotMinutes, slotsPerWeek, weekTimeText } from '~~/core/units/week'
import { navigateTo } from '#imports'
import FigureValue from '~/components/common/FigureValue.vue'
import ViewFindings from '~/components/common/ViewFindings.vue'
import RehearsedLine from '~/components/rehearsal/RehearsedLine.vue'
import PlanField from '~/components/common/PlanField.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import DevicesEditor from '~/components/household/DevicesEditor.vue'
import HabitEditor from '~/components/household/HabitEditor.vue'
import SeatsPicture from '~/components/household/SeatsPicture.vue'
import SlotReading from '~/components/household/SlotReading.vue'
import ViewersEditor from '~/components/household/ViewersEditor.vue'
import WeekPicture from '~/components/household/WeekPicture.vue'
import { fieldElementId, viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'

definePageMeta({ key: 'household' })

const store = usePlanStore()
const selected = ref<number | null>(null)
const busy = ref(false)
const series = computed(() => store.assessment?.domains.household)
const habits = computed(() => store.plan?.household.habits ?? [])
const answers = computed(() => store.plan?.choices.school === 'atOnce' || !series.value?.fromHabits)

/** The load of the busy week is the sum of its watchers' chances. */
const expected = computed(() => {
  const week = series.value?.week
  if (!week) return null
  if (!busy.value || !week.busy) return series.value!.expected
  const home = new Float64Array(series.value!.expected.home.length)
  const away = home.slice()
  week.watchers.forEach((watcher, at) =>
    week.busy!.watching[at]!.forEach((chance, slot) => {
      ;(watcher.isAway ? away : home)[slot]! += chance
    }),
  )
  return { home, away }
})
const busiestSlot = computed(() =>
  expected.value
    ? busiestQuarter(expected.value.home.map((value, slot) => value + expected.value!.away[slot]!))
        .minuteOfWeek / slotMinutes
    : 0,
)
const read = ref<number | null>(null)
const slot = computed(() => read.value ?? busiestSlot.value)
watch(habits, list => {
  if (selected.value !== null && selected.value >= list.length) selected.value = null
})

const working = useWorkingStore()
watch(
  () => working.target,
  path => {
    const index = /^household\.habits\.(\d+)/.exec(path ?? '')?.[1]
    if (index !== undefined) selected.value = Number(index)
  },
  { immediate: true },
)

function fill(): void {
  if (store.plan) store.replace(habitsFromAnswers(store.plan))
}
async function editHabit(index: number): Promise<void> {
  await navigateTo(viewAddress(store.id ?? '', 'household'))
  selected.value = index
}
async function edit(): Promise<void> {
  await nextTick()
  document.getElementById(fieldElementId(`household.habits.${selected.value}.name`))?.focus()
}
</script>

<template>
  <ViewFrame view="household" verdict="streams" question="Who watches when, and how many at once?">
    <template #week>
      <p v-if="answers" class="sheet notice">
        <strong>{{
          habits.length
            ? 'The plan uses the busy evening, not the habits.'
            : 'The plan uses the three answers of the busy evening until you enter habits.'
        }}</strong>
        A week of habits shows how often this many watch at once, and how many minutes a month the
        machine falls behind.
        <VBtn v-if="!habits.length" color="primary" variant="flat" size="small" @click="fill">
          Fill a week from these answers
        </VBtn>
        <VBtn
          v-else
          color="primary"
          variant="outlined"
          size="small"
          @click="store.edit('choices.school', 'level95')"
        >
          Use the habits
        </VBtn>
      </p>
      <RehearsedLine />
      <WeekPicture
        v-if="expected"
        :id="fieldElementId('household.habits')"
        :expected="expected"
        :selected="selected"
        :moment="slot"
        :busy="busy"
        @select="habit => (selected = habit)"
        @read="at => (read = at)"
        @busy="on => (busy = on)"
        @edit="edit"
      />
      <HabitEditor
        v-if="selected !== null"
        :index="selected"
        @select="habit => (selected = habit)"
      />
      <section class="sheet side">
        <div class="figures">
          <FigureValue id="household.watching95" />
          <FigureValue id="household.watching99" />
          <FigureValue id="household.headCount" />
          <FigureValue id="streams.asked95" />
          <FigureValue id="streams.asked99" />
          <FigureValue id="streams.askedHeadCount" />
        </div>
        <div class="fields">
          <PlanField path="choices.school" />
          <PlanField path="choices.minutesShortTarget" />
          <PlanField path="household.busyDaysPerYear" />
          <PlanField path="household.subtitlesShare" />
          <PlanField path="household.forcedSubtitlesShare" />
        </div>
      </section>
      <ViewFindings view="household" :most="2" />
    </template>
    <template #moment>
      <label class="sheet at-moment">
        <span
          >Moment of the week: <strong>{{ weekTimeText(slot * slotMinutes) }}</strong></span
        >
        <input
          type="range"
          min="0"
          :max="slotsPerWeek - 1"
          :value="slot"
          :aria-valuetext="weekTimeText(slot * slotMinutes)"
          @input="read = Number(($event.target as HTMLInputElement).value)"
        />
        <button v-if="read !== null" type="button" class="plain-button link" @click="read = null">
          Back to the busiest moment
        </button>
      </label>
      <SlotReading :at="slot" :busy="busy" @select="editHabit" />
    </template>
    <template #viewers>
      <ViewersEditor />
    </template>
    <template #devices>
      <DevicesEditor />
    </template>
    <template #evening>
      <div class="quick">
        <SeatsPicture />
        <section class="sheet side">
          <p>
            {{
              answers
                ? 'The plan uses these three answers.'
                : 'The plan follows the habits of your week; these three answers are used only if the planning rule is the busy evening.'
            }}
          </p>
          <div class="fields">
            <PlanField path="household.watchingHome" />
            <PlanField path="household.watchingAway" />
            <PlanField path="household.converted" />
            <PlanField path="choices.school" />
          </div>
          <div class="figures">
            <FigureValue id="household.watchingHomeAtOnce" />
            <FigureValue id="household.watchingAwayAtOnce" />
          </div>
        </section>
      </div>
    </template>
  </ViewFrame>
</template>

<style scoped>
.quick {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 16px;
  align-items: stretch;
}
.notice {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  line-height: 1.45;
}
.at-moment {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
.at-moment input {
  flex: 1 1 240px;
  accent-color: rgb(var(--v-theme-primary));
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
}
.figures {
  --least: 140px;
}
.fields {
  --least: 180px;
}
@media (max-width: 900px) {
  .quick {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
