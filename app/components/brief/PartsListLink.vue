<script setup lang="ts">
import { computed } from 'vue'
import { useFormat } from '~/composables/useFormat'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** On to what is bought, where something of the plan is still to be paid. */
const store = usePlanStore()
const { money } = useFormat()
const toPay = computed(() => store.assessment?.figures['ownership.purchase']?.value ?? 0)
</script>

<template>
  <NuxtLink v-if="toPay > 0" :to="viewAddress(store.id ?? '', 'machine', 'parts')">
    Parts list: {{ money(toPay) }} to pay now
  </NuxtLink>
</template>
