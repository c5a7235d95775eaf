<script setup lang="ts">
import { computed } from 'vue'
import type { Access } from '~~/core/plan/access'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'

/** One share: where it lies, what can be lost in it, who reaches it and how. */
const props = defineProps<{
  access: Access
  index: number
  say: (key: string, value: unknown) => string | null
}>()
const emit = defineEmits<{ close: []; step: [by: -1 | 1]; remove: [] }>()
const share = computed(() => props.access.shares[props.index]!)
const path = (key: string) => `commissioning.shares.${props.index}.${key}`
const set = (key: string) => (value: unknown) => props.say(key, value)
const people = computed(() => [
  { value: '', title: 'All' },
  ...props.access.accounts
    .filter(({ kind }) => kind === 'person')
    .map(({ id }) => ({ value: id, title: id })),
])
</script>

<template>
  <InspectorPanel
    :heading="share.id"
    :index="index"
    :count="access.shares.length"
    @close="emit('close')"
    @step="emit('step', $event)"
  >
    <PlanField :path="path('id')" :fallback="share.id" :set="set('id')" />
    <PlanField :path="path('path')" :fallback="share.path" :set="set('path')" />
    <PlanField :path="path('folders')" :fallback="share.folders" :set="set('folders')" />
    <PlanField :path="path('loss')" :fallback="share.loss" :set="set('loss')" />
    <PlanField :path="path('reach')" :fallback="share.reach" :set="set('reach')" />
    <PlanField :path="path('protocol')" :fallback="share.protocol" :set="set('protocol')" />
    <PlanField
      :path="path('quotaGB')"
      :fallback="share.quotaGB"
      :set="set('quotaGB')"
      placeholder="none"
    />
    <PlanField
      v-if="share.folders === 'one'"
      :path="path('owner')"
      :fallback="share.owner"
      :items="people"
      :set="set('owner')"
    />
    <VBtn variant="text" size="small" @click="emit('remove')">Remove this share</VBtn>
  </InspectorPanel>
</template>
