<script setup lang="ts">
import { mdiClose, mdiPlus } from '@mdi/js'
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
    <div
      v-for="(viewer, index) in viewers"
      :key="viewer.id"
      class="viewer"
    >
      <i
        class="ink"
        :style="{ background: `rgb(var(--v-theme-viewer-${viewer.colour}))` }"
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
      <VBtn
        :icon="mdiClose"
        size="small"
        :aria-label="`Remove ${viewer.name || `viewer ${index + 1}`}`"
        @click="remove('viewers', index)"
      />
    </div>
    <VBtn
      :prepend-icon="mdiPlus"
      color="primary"
      @click="addViewer"
    >
      Add a viewer
    </VBtn>
    <h3 :id="fieldElementId('household.places')">
      Places away
    </h3>
    <p
      v-if="!places.length"
      class="soft small"
    >
      Nobody is away. A place is where somebody watches over the internet line.
    </p>
    <div
      v-for="(place, index) in places"
      :key="place.id"
      class="place"
    >
      <PlanField :path="`household.places.${index}.name`" />
      <PlanField :path="`household.places.${index}.downloadMbps`" />
      <VBtn
        :icon="mdiClose"
        size="small"
        :aria-label="`Remove ${place.name || `place ${index + 1}`}`"
        @click="remove('places', index)"
      />
    </div>
    <VBtn
      :prepend-icon="mdiPlus"
      color="primary"
      @click="addPlace"
    >
      Add a place
    </VBtn>
  </section>
</template>

<style scoped>
.viewer { display: grid; grid-template-columns: 6px minmax(100px, 1.4fr) repeat(4, minmax(84px, 1fr)) auto; gap: 8px; margin: 12px 0; align-items: start; }
.ink { align-self: stretch; border-radius: 2px; }
.place { display: grid; grid-template-columns: 1fr 1fr auto; gap: 8px; margin: 12px 0; align-items: start; max-width: 480px; }
h3 { margin-top: 14px; }
@media (max-width: 900px) { .viewer { grid-template-columns: 6px 1fr 1fr auto; } .viewer .ink { grid-row: span 3; } }
</style>
