<script setup lang="ts">
import ListEditor from '~/components/common/ListEditor.vue'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useHousehold } from '~/composables/useHousehold'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'

/** Who watches, and the places away. */
const { viewers, places, habits, placeItems, addViewer, addPlace, remove } = useHousehold()
const { quantity } = useFormat()
function habitsOf(viewer: string): string {
  const count = habits.value.filter(habit => habit.viewer === viewer).length
  return count === 0 ? 'no habit' : count === 1 ? '1 habit' : `${count} habits`
}
</script>

<template>
  <section :id="fieldElementId('household.viewers')" class="sheet" tabindex="-1">
    <h2>Viewers</h2>
    <p v-if="!viewers.length" class="soft small">
      Nobody is listed yet. Everyone who watches by themselves is a viewer; people who share a
      screen are one.
    </p>
    <PickList
      :entries="viewers"
      path="household.viewers"
      add="Add a viewer"
      :name="(viewer, index) => viewer.name || `Viewer ${index + 1}`"
      :key-of="viewer => viewer.id"
      @add="addViewer"
      @remove="index => remove('viewers', index)"
    >
      <template #line="{ entry, index }">
        <span class="line">
          <i class="ink" :style="{ background: `rgb(var(--v-theme-viewer-${entry.colour}))` }" />
          <strong>{{ entry.name || `Viewer ${index + 1}` }}</strong>{{ ' ' }}
          <span class="soft">{{
            placeItems.find(place => place.value === entry.place)?.title ?? 'no place'
          }}</span>
          <span class="soft">accepts from {{ quantity(entry.lowestRungMbps, 'Mb/s') }}</span>
          <span class="soft">{{ habitsOf(entry.id) }}</span>
        </span>
      </template>
      <template #default="{ index }">
        <PlanField :path="`household.viewers.${index}.name`" />
        <PlanField :path="`household.viewers.${index}.colour`" />
        <PlanField :path="`household.viewers.${index}.place`" :items="placeItems" />
        <PlanField :path="`household.viewers.${index}.lowestRungMbps`" />
        <PlanField :path="`household.viewers.${index}.chooses`" />
      </template>
    </PickList>
    <h3 :id="fieldElementId('household.places')">Places away</h3>
    <p v-if="!places.length" class="soft small">
      Nobody is away. A place is where somebody watches over the internet line.
    </p>
    <ListEditor
      class="places"
      :entries="places"
      add="Add a place"
      :name="(place, index) => place.name || `place ${index + 1}`"
      :key-of="place => place.id"
      columns="1fr 1fr"
      @add="addPlace"
      @remove="index => remove('places', index)"
    >
      <template #default="{ index }">
        <PlanField :path="`household.places.${index}.name`" />
        <PlanField :path="`household.places.${index}.downloadMbps`" />
      </template>
    </ListEditor>
  </section>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 6px minmax(90px, 1.2fr) repeat(3, minmax(0, 1fr));
  gap: 4px 14px;
  align-items: center;
}
.ink {
  align-self: stretch;
  min-height: 20px;
  border-radius: 2px;
}
.places {
  max-width: 480px;
}
h3 {
  margin-top: 14px;
}
@media (max-width: 800px) {
  .line {
    grid-template-columns: 6px 1fr 1fr;
  }
  .line .ink {
    grid-row: span 2;
  }
}
</style>
