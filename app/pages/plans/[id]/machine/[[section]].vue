<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import ViewFrame from '~/components/common/ViewFrame.vue'

definePageMeta({ key: 'machine' })

const MapSection = defineAsyncComponent(() => import('~/components/machine/MapSection.vue'))
const FitSection = defineAsyncComponent(() => import('~/components/machine/FitSection.vue'))
const StartSection = defineAsyncComponent(() => import('~/components/machine/StartSection.vue'))
const MemorySection = defineAsyncComponent(() => import('~/components/machine/MemorySection.vue'))
const PlaceSection = defineAsyncComponent(() => import('~/components/machine/PlaceSection.vue'))
const HandSection = defineAsyncComponent(() => import('~/components/machine/HandSection.vue'))
const SystemSection = defineAsyncComponent(() => import('~/components/machine/SystemSection.vue'))
const PartsSection = defineAsyncComponent(() => import('~/components/machine/PartsSection.vue'))
const FiguresSection = defineAsyncComponent(() => import('~/components/machine/FiguresSection.vue'))
</script>

<template>
  <ViewFrame
    view="machine"
    question="Does it all go together, does it start, and what does it cost?"
  >
    <template #map>
      <MapSection />
    </template>
    <template #fit>
      <FitSection />
    </template>
    <template #power>
      <StartSection />
    </template>
    <template #memory>
      <MemorySection />
    </template>
    <template #place>
      <PlaceSection />
    </template>
    <template #at-hand>
      <HandSection />
    </template>
    <template #system>
      <SystemSection />
    </template>
    <template #parts>
      <PartsSection />
    </template>
    <template #figures>
      <FiguresSection />
    </template>
  </ViewFrame>
</template>
