<script setup lang="ts">
import { computed } from 'vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import PlanField from '~/components/common/PlanField.vue'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

const store = usePlanStore()
const viewers = computed(() => store.plan?.household.viewers ?? [])
function add(): void {
  store.edit('household.viewers', [...viewers.value, { name: '', place: 'home' }])
}
function remove(index: number): void {
  store.edit('household.viewers', viewers.value.filter((_, other) => other !== index))
}
</script>

<template>
  <section
    :id="fieldElementId('household.viewers')"
    class="sheet"
  >
    <h2>Who it serves</h2>
    <p
      v-if="!viewers.length"
      class="soft small"
    >
      Nobody is listed yet. Names are optional: they give the head count, and seats to press in the picture.
    </p>
    <div
      v-for="(_, index) in viewers"
      :key="index"
      class="line"
    >
      <PlanField
        :path="`household.viewers.${index}.name`"
        hide-label
      />
      <PlanField
        :path="`household.viewers.${index}.place`"
        hide-label
      />
      <VBtn
        :icon="mdiClose"
        size="small"
        :aria-label="`Remove viewer ${index + 1}`"
        @click="remove(index)"
      />
    </div>
    <VBtn
      :prepend-icon="mdiPlus"
      color="primary"
      @click="add"
    >
      Add a viewer
    </VBtn>
  </section>
</template>

<style scoped>
.line { display: grid; grid-template-columns: 1fr 130px auto; gap: 8px; margin: 8px 0; align-items: center; }
</style>
