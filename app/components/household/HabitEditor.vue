<script setup lang="ts">
import { computed } from 'vue'
import { mdiContentDuplicate, mdiDeleteOutline } from '@mdi/js'
import { weekdays, type Weekday } from '~~/core/plan/constants'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useHousehold } from '~/composables/useHousehold'
import { fieldElementId } from '~/composables/views'
import { dayOrder } from './weekLayout'

/** The habit chosen in the week, by its numbers. */
const props = defineProps<{ index: number }>()
const emit = defineEmits<{ select: [habit: number | null] }>()
const { habits, viewerItems, deviceItems, append, remove, changeHabit } = useHousehold()
const habit = computed(() => habits.value[props.index])
const path = (field: string) => `household.habits.${props.index}.${field}`
const people = computed(() =>
  habit.value?.onBusyDays
    ? [{ value: '', title: 'A guest' }, ...viewerItems.value]
    : viewerItems.value,
)

function toggle(day: Weekday): void {
  const days = habit.value!.days
  changeHabit(props.index, {
    days: days.includes(day)
      ? days.filter(other => other !== day)
      : dayOrder.filter(other => other === day || days.includes(other)),
  })
}
function duplicate(): void {
  append('habits', { ...habit.value!, name: `${habit.value!.name} again`.slice(0, 60) })
  emit('select', habits.value.length - 1)
}
function take(): void {
  emit('select', null)
  remove('habits', props.index)
}
</script>

<template>
  <InspectorPanel
    v-if="habit"
    :heading="habit.name || `Habit ${index + 1}`"
    :index="index"
    :count="habits.length"
    @close="emit('select', null)"
    @step="by => emit('select', (index + by + habits.length) % habits.length)"
  >
    <div class="fields">
      <PlanField :path="path('name')" class="wide" />
      <PlanField :path="path('viewer')" :items="people" />
      <PlanField :path="path('device')" :items="deviceItems" />
      <PlanField :path="path('earliest')" />
      <PlanField :path="path('latest')" />
      <PlanField :path="path('minutes')" />
      <PlanField :path="path('chance')" />
      <PlanField :path="path('capMbps')" placeholder="no limit" />
    </div>
    <div class="fields">
      <fieldset :id="fieldElementId(path('days'))" class="days" tabindex="-1">
        <legend class="soft small">Days</legend>
        <button
          v-for="day in dayOrder"
          :key="day"
          type="button"
          class="plain-button"
          :aria-pressed="habit.days.includes(day)"
          :aria-label="weekdays[day]"
          @click="toggle(day)"
        >
          {{ weekdays[day].slice(0, 2) }}
        </button>
      </fieldset>
      <span class="soft small parts">What is watched, in parts:</span>
      <PlanField :path="path('watches.film')" />
      <PlanField :path="path('watches.series')" />
      <PlanField :path="path('watches.homeVideo')" />
      <PlanField :path="path('watches.music')" />
      <PlanField :path="path('onBusyDays')" class="wide" />
    </div>
    <div>
      <VBtn size="small" :prepend-icon="mdiContentDuplicate" @click="duplicate"> Duplicate </VBtn>
      <VBtn size="small" :prepend-icon="mdiDeleteOutline" @click="take"> Remove this habit </VBtn>
    </div>
  </InspectorPanel>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 8px;
  align-items: start;
}
.wide {
  grid-column: span 2;
}
.days {
  border: 0;
  padding: 0;
  margin: 0;
  grid-column: span 2;
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  align-items: center;
}
.days legend {
  float: left;
  margin-right: 6px;
  padding: 0;
}
.days button {
  width: 32px;
  height: 32px;
  text-align: center;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 5px;
  font-size: 0.86rem;
}
.days button[aria-pressed='true'] {
  background: rgb(var(--v-theme-wall));
  color: rgb(var(--v-theme-surface));
  border-color: transparent;
}
.parts {
  grid-column: span 2;
}
</style>
