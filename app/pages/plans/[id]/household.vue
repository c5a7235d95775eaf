<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { habitsFromAnswers } from '~~/core/household/habitsFromAnswers'
import { busiestQuarter } from '~~/core/household/weekCounts'
import { homePlace } from '~~/core/plan/constants'
import { slotMinutes } from '~~/core/units/week'
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import DevicesEditor from '~/components/household/DevicesEditor.vue'
import HabitEditor from '~/components/household/HabitEditor.vue'
import SeatsPicture from '~/components/household/SeatsPicture.vue'
import SlotReading from '~/components/household/SlotReading.vue'
import ViewersEditor from '~/components/household/ViewersEditor.vue'
import WeekPicture from '~/components/household/WeekPicture.vue'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'

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
  week.watchers.forEach((watcher, at) => week.busy!.watching[at]!.forEach((chance, slot) => {
    (watcher.isAway ? away : home)[slot]! += chance
  }))
  return { home, away }
})
const busiestSlot = computed(() => expected.value
  ? busiestQuarter(expected.value.home.map((value, slot) => value + expected.value!.away[slot]!)).minuteOfWeek / slotMinutes
  : 0)
const read = ref<number | null>(null)
const slot = computed(() => read.value ?? busiestSlot.value)
watch(habits, (list) => {
  if (selected.value !== null && selected.value >= list.length) selected.value = null
})

const working = useWorkingStore()
watch(() => working.target, (path) => {
  const index = /^household\.habits\.(\d+)/.exec(path ?? '')?.[1]
  if (index !== undefined) selected.value = Number(index)
}, { immediate: true })

function fill(): void {
  if (store.plan) store.replace(habitsFromAnswers(store.plan))
}
async function edit(): Promise<void> {
  await nextTick()
  document.getElementById(fieldElementId(`household.habits.${selected.value}.name`))?.focus()
}
const nobodyAway = computed(() => !(store.plan?.household.viewers ?? []).some(viewer => viewer.place !== homePlace))
</script>

<template>
  <ViewFrame question="Who watches when, and how many at once?">
    <section
      v-if="answers"
      class="quick"
    >
      <SeatsPicture />
      <p class="sheet">
        <strong>{{ habits.length ? 'The plan follows this evening as answered, not the habits.' : 'These three answers carry the plan until habits are entered.' }}</strong>
        A week of habits says more: how often so many really watch at once, and for how many minutes of a month the machine would fall behind.
        <VBtn
          v-if="!habits.length"
          color="primary"
          variant="flat"
          @click="fill"
        >
          Fill a week from these answers
        </VBtn>
        <VBtn
          v-else
          color="primary"
          variant="outlined"
          @click="store.edit('choices.school', 'level95')"
        >
          Follow the habits again
        </VBtn>
      </p>
    </section>
    <WeekPicture
      v-if="expected"
      :id="fieldElementId('household.habits')"
      :expected="expected"
      :selected="selected"
      :moment="slot"
      :busy="busy"
      @select="habit => selected = habit"
      @read="at => read = at"
      @busy="on => busy = on"
      @edit="edit"
    />
    <HabitEditor
      v-if="selected !== null"
      :index="selected"
      @select="habit => selected = habit"
    />
    <div class="columns">
      <SlotReading
        :at="slot"
        :busy="busy"
        @select="habit => selected = habit"
      />
      <section class="sheet side">
        <h2>What is needed of the machine</h2>
        <VerdictSentence id="streams" />
        <div class="figures">
          <FigureValue id="household.busiestExpected" />
          <FigureValue id="household.watching95" />
          <FigureValue id="household.watching99" />
          <FigureValue id="household.headCount" />
          <FigureValue id="streams.asked95" />
          <FigureValue id="streams.asked99" />
          <FigureValue id="streams.askedHeadCount" />
          <FigureValue id="streams.minutesShortPerMonth" />
          <FigureValue id="household.watchingHomeAtOnce" />
          <FigureValue id="household.watchingAwayAtOnce" />
        </div>
        <div class="fields">
          <PlanField path="choices.school" />
          <PlanField path="choices.minutesShortTarget" />
          <PlanField path="household.busyDaysPerYear" />
          <PlanField path="household.subtitlesShare" />
          <PlanField path="household.forcedSubtitlesShare" />
        </div>
        <FindingsList view="household" />
      </section>
    </div>
    <ViewersEditor />
    <DevicesEditor />
    <details
      v-if="!answers"
      class="sheet"
    >
      <summary>The busy evening as answered{{ nobodyAway ? '' : ', at home and away' }}: the quick start, used only when the plan follows it</summary>
      <div class="fields">
        <PlanField path="household.watchingHome" />
        <PlanField path="household.watchingAway" />
        <PlanField path="household.converted" />
      </div>
    </details>
  </ViewFrame>
</template>

<style scoped>
.quick { display: grid; grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr); gap: 16px; align-items: stretch; }
.quick p { line-height: 1.5; display: flex; flex-direction: column; gap: 10px; align-items: flex-start; justify-content: center; margin: 0; }
.columns { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 16px; align-items: start; }
.side { display: flex; flex-direction: column; gap: 14px; }
.figures { display: grid; grid-template-columns: repeat(auto-fill, minmax(140px, 1fr)); gap: 8px; }
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(180px, 1fr)); gap: 12px 8px; }
summary { cursor: pointer; min-height: 26px; }
details .fields { margin-top: 12px; }
@media (max-width: 900px) { .columns, .quick { grid-template-columns: minmax(0, 1fr); } }
</style>
