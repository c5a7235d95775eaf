<script setup lang="ts">
import { computed } from 'vue'
import { isFixedGroup } from '~~/core/commissioning/access/editAccess'
import type { Access } from '~~/core/plan/access'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'

/** One group: its name, and who is in it. */
const props = defineProps<{
  access: Access
  index: number
  say: (key: string, value: unknown) => string | null
}>()
const emit = defineEmits<{
  close: []
  step: [by: -1 | 1]
  remove: []
  member: [account: string, isIn: boolean]
}>()
const group = computed(() => props.access.groups[props.index]!)
const isFixed = computed(() => isFixedGroup(group.value.id))
</script>

<template>
  <InspectorPanel
    :heading="group.id"
    :index="index"
    :count="access.groups.length"
    @close="emit('close')"
    @step="emit('step', $event)"
  >
    <p v-if="isFixed" class="small soft">
      The rules speak of this group, so it keeps its name and stays. Its rights are yours to press.
    </p>
    <PlanField
      v-else
      :path="`commissioning.groups.${index}.id`"
      :fallback="group.id"
      :set="value => say('id', value)"
    />
    <h3>Who is in it</h3>
    <p v-if="access.accounts.length === 0" class="soft">There is no account yet.</p>
    <VCheckbox
      v-for="account in access.accounts"
      :key="account.id"
      :model-value="account.groups.includes(group.id)"
      :label="account.id"
      density="compact"
      hide-details
      @update:model-value="emit('member', account.id, Boolean($event))"
    />
    <VBtn v-if="!isFixed" variant="text" size="small" @click="emit('remove')">
      Remove this group
    </VBtn>
  </InspectorPanel>
</template>

<style scoped>
.v-checkbox {
  margin: -7px 0;
}
h3 {
  font-size: 0.92rem;
  margin: 12px 0 4px;
}
</style>
