<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import ViewFrame from '~/components/common/ViewFrame.vue'

const YearsSection = defineAsyncComponent(() => import('~/components/ownership/YearsSection.vue'))
const PowerSection = defineAsyncComponent(() => import('~/components/ownership/PowerSection.vue'))
const OldNewSection = defineAsyncComponent(() => import('~/components/ownership/OldNewSection.vue'))
const CloudSection = defineAsyncComponent(() => import('~/components/ownership/CloudSection.vue'))
const CarbonSection = defineAsyncComponent(() => import('~/components/ownership/CarbonSection.vue'))
const FlipSection = defineAsyncComponent(() => import('~/components/ownership/FlipSection.vue'))

definePageMeta({ key: 'ownership' })
</script>

<template>
  <ViewFrame view="ownership" question="What does it cost over the years?">
    <template #years>
      <YearsSection />
    </template>
    <template #power>
      <PowerSection />
    </template>
    <template #old-or-new>
      <OldNewSection />
    </template>
    <template #cloud>
      <CloudSection />
    </template>
    <template #carbon>
      <CarbonSection />
    </template>
    <template #flips>
      <FlipSection />
    </template>
  </ViewFrame>
</template>
