<script setup lang="ts">
import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { basisWords } from '~~/core/logbook/basisWords'
import { calibrationRows } from '~~/core/logbook/calibrationRows'
import { useFormat } from '~/composables/useFormat'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** What of the answer is measured, and what is still estimated. */
const store = usePlanStore()
const { format } = useFormat()
const sentence = computed(() =>
  store.plan && store.assessment
    ? basisWords(calibrationRows(store.plan, store.assessment.domains, catalogue), format.value)
    : '',
)
</script>

<template>
  <p class="measured small" data-measured>
    {{ sentence }}
    <NuxtLink :to="viewAddress(store.id ?? '', 'logbook', 'calibration')">What it changed</NuxtLink>
  </p>
</template>
