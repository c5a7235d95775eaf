<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import ViewFrame from '~/components/common/ViewFrame.vue'

const WaysSection = defineAsyncComponent(() => import('~/components/tiers/WaysSection.vue'))
const SearchSection = defineAsyncComponent(() => import('~/components/tiers/SearchSection.vue'))
const FrontierSection = defineAsyncComponent(() => import('~/components/tiers/FrontierSection.vue'))
const CompareSection = defineAsyncComponent(() => import('~/components/tiers/CompareSection.vue'))
const UpgradeSection = defineAsyncComponent(() => import('~/components/tiers/UpgradeSection.vue'))
const TiersTable = defineAsyncComponent(() => import('~/components/tiers/TiersTable.vue'))

definePageMeta({ key: 'tiers' })
</script>

<template>
  <ViewFrame view="tiers" question="Which one to buy, for this need and this money?">
    <template #ways>
      <WaysSection />
    </template>
    <template #search>
      <SearchSection />
    </template>
    <template #frontier>
      <FrontierSection />
    </template>
    <template #compare>
      <CompareSection />
    </template>
    <template #upgrade>
      <UpgradeSection />
    </template>
    <template #builds>
      <TiersTable />
    </template>
  </ViewFrame>
</template>
