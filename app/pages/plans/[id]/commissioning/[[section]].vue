<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import ViewFrame from '~/components/common/ViewFrame.vue'

const RunBookSection = defineAsyncComponent(
  () => import('~/components/commissioning/RunBookSection.vue'),
)
const FaultsSection = defineAsyncComponent(
  () => import('~/components/commissioning/FaultsSection.vue'),
)
const AccessSection = defineAsyncComponent(
  () => import('~/components/commissioning/AccessSection.vue'),
)
const NamesSection = defineAsyncComponent(
  () => import('~/components/commissioning/NamesSection.vue'),
)
const FillSection = defineAsyncComponent(() => import('~/components/commissioning/FillSection.vue'))
const SignOffSection = defineAsyncComponent(
  () => import('~/components/commissioning/SignOffSection.vue'),
)

definePageMeta({ key: 'commissioning' })
</script>

<template>
  <ViewFrame view="commissioning" question="What is next, and when does it play?">
    <template #run-book>
      <RunBookSection />
    </template>
    <template #faults>
      <FaultsSection />
    </template>
    <template #people>
      <AccessSection />
    </template>
    <template #names>
      <NamesSection />
    </template>
    <template #fill>
      <FillSection />
    </template>
    <template #sign-off>
      <SignOffSection />
    </template>
  </ViewFrame>
</template>
