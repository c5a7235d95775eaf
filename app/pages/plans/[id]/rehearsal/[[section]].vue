<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import ViewFrame from '~/components/common/ViewFrame.vue'

const EveningSection = defineAsyncComponent(
  () => import('~/components/rehearsal/EveningSection.vue'),
)
const ThousandsSection = defineAsyncComponent(
  () => import('~/components/rehearsal/ThousandsSection.vue'),
)
const WhatIfSection = defineAsyncComponent(() => import('~/components/rehearsal/WhatIfSection.vue'))

definePageMeta({ key: 'rehearsal' })
</script>

<template>
  <ViewFrame view="rehearsal" question="Who waits on a busy evening, and because of what?">
    <template #evening>
      <EveningSection />
    </template>
    <template #thousands>
      <ThousandsSection />
    </template>
    <template #what-if>
      <WhatIfSection />
    </template>
  </ViewFrame>
</template>
