<script setup lang="ts">
import { computed } from 'vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import { monthAfter, monthsBetween } from '~~/core/units/time'
import PlanField from '~/components/common/PlanField.vue'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** What comes or goes once, in a certain month. */
const store = usePlanStore()
const library = computed(() => store.plan?.library)
const events = computed(() => library.value?.events ?? [])
function add(): void {
  store.edit('library.events', [...events.value, { name: '', month: monthAfter(library.value!.startsOn, 6), sizeGB: 0 }])
}
function remove(index: number): void {
  store.edit('library.events', events.value.filter((_, other) => other !== index))
}
const when = (month: string) => monthsBetween(library.value!.startsOn, month)
</script>

<template>
  <section
    :id="fieldElementId('library.events')"
    class="sheet events"
    tabindex="-1"
  >
    <h2>Dated events</h2>
    <p class="soft small">
      Reels digitised in one go, a collection inherited, a clear-out: below nothing for what is deleted.
    </p>
    <div
      v-for="(event, index) in events"
      :key="index"
      class="event"
    >
      <PlanField :path="`library.events.${index}.name`" />
      <PlanField :path="`library.events.${index}.month`" />
      <PlanField :path="`library.events.${index}.sizeGB`" />
      <span class="soft small">{{ when(event.month) < 0 ? 'before the start' : `month ${when(event.month)}` }}</span>
      <VBtn
        :icon="mdiClose"
        size="small"
        :aria-label="`Remove ${event.name || `event ${index + 1}`}`"
        @click="remove(index)"
      />
    </div>
    <VBtn
      :prepend-icon="mdiPlus"
      color="primary"
      @click="add"
    >
      Add an event
    </VBtn>
    <PlanField
      path="library.startsOn"
      class="start"
    />
  </section>
</template>

<style scoped>
.events { display: flex; flex-direction: column; gap: 12px; align-items: flex-start; }
.event { display: grid; grid-template-columns: minmax(120px, 2fr) 120px minmax(100px, 1fr) 76px auto; gap: 8px; align-items: center; width: 100%; }
.start { width: 220px; }
@media (max-width: 700px) { .event { grid-template-columns: 1fr 1fr auto; } }
</style>
