<script setup lang="ts">
import ListEditor from '~/components/common/ListEditor.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useHousehold } from '~/composables/useHousehold'
import { fieldElementId } from '~/composables/views'

/** Who watches, and the places away. */
const { viewers, places, placeItems, addViewer, addPlace, remove } = useHousehold()
</script>

<template>
  <section
    :id="fieldElementId('household.viewers')"
    class="sheet"
    tabindex="-1"
  >
    <h2>Viewers</h2>
    <p
      v-if="!viewers.length"
      class="soft small"
    >
      Nobody is listed yet. Everyone who watches by themselves is a viewer; people who share a screen are one.
    </p>
    <ListEditor
      :entries="viewers"
      add="Add a viewer"
      :name="(viewer, index) => viewer.name || `viewer ${index + 1}`"
      :key-of="viewer => viewer.id"
      columns="6px minmax(100px, 1.4fr) repeat(4, minmax(84px, 1fr))"
      narrow="6px 1fr 1fr"
      @add="addViewer"
      @remove="index => remove('viewers', index)"
    >
      <template #default="{ entry, index }">
        <i
          class="ink"
          :style="{ background: `rgb(var(--v-theme-viewer-${entry.colour}))` }"
        />
        <PlanField :path="`household.viewers.${index}.name`" />
        <PlanField :path="`household.viewers.${index}.colour`" />
        <PlanField
          :path="`household.viewers.${index}.place`"
          :items="placeItems"
        />
        <PlanField
          :path="`household.viewers.${index}.lowestRungMbps`"
          label="Accepts from"
        />
        <PlanField :path="`household.viewers.${index}.chooses`" />
      </template>
    </ListEditor>
    <h3 :id="fieldElementId('household.places')">
      Places away
    </h3>
    <p
      v-if="!places.length"
      class="soft small"
    >
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
.ink { align-self: stretch; border-radius: 2px; }
.places { max-width: 480px; }
h3 { margin-top: 14px; }
@container (max-width: 560px) { .ink { grid-row: span 3; } }
</style>
