<script setup lang="ts">
import { computed } from 'vue'
import { monthAfter, monthsBetween } from '~~/core/units/time'
import ListEditor from '~/components/common/ListEditor.vue'
import PlanField from '~/components/common/PlanField.vue'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** What is added or deleted once, in a certain month. */
const store = usePlanStore()
const library = computed(() => store.plan?.library)
const events = computed(() => library.value?.events ?? [])
function add(): void {
  store.edit('library.events', [
    ...events.value,
    { name: '', month: monthAfter(library.value!.startsOn, 6), sizeGB: 0 },
  ])
}
function remove(index: number): void {
  store.edit(
    'library.events',
    events.value.filter((_, other) => other !== index),
  )
}
const when = (month: string) => monthsBetween(library.value!.startsOn, month)
</script>

<template>
  <section :id="fieldElementId('library.events')" class="sheet events" tabindex="-1">
    <h2>Dated events</h2>
    <p class="soft small">
      Reels digitised in one go, a collection inherited, a clear-out: enter a negative size for what
      is deleted.
    </p>
    <ListEditor
      :entries="events"
      add="Add an event"
      :name="(event, index) => event.name || `event ${index + 1}`"
      columns="minmax(120px, 2fr) 120px minmax(100px, 1fr) 76px"
      @add="add"
      @remove="remove"
    >
      <template #default="{ entry, index }">
        <PlanField :path="`library.events.${index}.name`" />
        <PlanField :path="`library.events.${index}.month`" />
        <PlanField :path="`library.events.${index}.sizeGB`" />
        <span class="soft small when">{{
          when(entry.month) < 0 ? 'before the start' : `month ${when(entry.month)}`
        }}</span>
      </template>
    </ListEditor>
    <PlanField path="library.startsOn" class="start" />
  </section>
</template>

<style scoped>
.events {
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: flex-start;
}
.when {
  align-self: center;
}
.start {
  width: 220px;
}
</style>
