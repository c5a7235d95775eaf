<script setup lang="ts">
import { defineAsyncComponent, onMounted, watch } from 'vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import { useLogStore } from '~/stores/logStore'
import { usePlanStore } from '~/stores/planStore'

const EntriesSection = defineAsyncComponent(() => import('~/components/logbook/EntriesSection.vue'))
const CalibrationSection = defineAsyncComponent(
  () => import('~/components/logbook/CalibrationSection.vue'),
)
const RegisterSection = defineAsyncComponent(
  () => import('~/components/logbook/RegisterSection.vue'),
)
const ReportSection = defineAsyncComponent(() => import('~/components/logbook/ReportSection.vue'))
const DriftSection = defineAsyncComponent(() => import('~/components/logbook/DriftSection.vue'))

definePageMeta({ key: 'logbook' })
const log = useLogStore()
const store = usePlanStore()
onMounted(() => {
  void log.load()
})
watch(
  () => store.id,
  () => void log.load(),
)
</script>

<template>
  <ViewFrame view="logbook" question="Is the machine what the plan says it is?">
    <template #entries>
      <EntriesSection />
    </template>
    <template #calibration>
      <CalibrationSection />
    </template>
    <template #drives>
      <RegisterSection />
    </template>
    <template #drift>
      <DriftSection />
    </template>
    <template #report>
      <ReportSection />
    </template>
  </ViewFrame>
</template>
