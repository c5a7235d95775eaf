<script setup lang="ts">
import { computed } from 'vue'
import { testList, trialWords } from '~~/core/commissioning/access/testList'
import { rights, type Access } from '~~/core/plan/access'
import { rightCells } from '~~/core/commissioning/access/rightOf'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'

/** One account: its name, whose it is, its groups, and what comes of all of them. */
const props = defineProps<{
  access: Access
  index: number
  say: (key: string, value: unknown) => string | null
}>()
const emit = defineEmits<{
  close: []
  step: [by: -1 | 1]
  remove: []
  member: [group: string, isIn: boolean]
}>()
const account = computed(() => props.access.accounts[props.index]!)
const path = (key: string) => `commissioning.accounts.${props.index}.${key}`
const set = (key: string) => (value: unknown) => props.say(key, value)
const people = computed(() => [
  { value: '', title: 'Nobody' },
  ...props.access.accounts
    .filter(({ kind }) => kind === 'person')
    .map(({ id }) => ({ value: id, title: id })),
])
const cells = computed(() => rightCells(props.access))
const test = computed(() => testList(props.access).find(({ who }) => who === account.value.id))
</script>

<template>
  <InspectorPanel
    :heading="account.name || account.id"
    :index="index"
    :count="access.accounts.length"
    @close="emit('close')"
    @step="emit('step', $event)"
  >
    <PlanField :path="path('id')" :fallback="account.id" :set="set('id')" />
    <PlanField :path="path('name')" :fallback="account.name" :set="set('name')" />
    <PlanField :path="path('kind')" :fallback="account.kind" :set="set('kind')" />
    <PlanField
      v-if="account.kind === 'computer'"
      :path="path('owner')"
      :fallback="account.owner"
      :items="people"
      :set="set('owner')"
    />
    <PlanField
      :path="path('isAdministrator')"
      :fallback="account.isAdministrator"
      :set="set('isAdministrator')"
    />
    <h3>Groups</h3>
    <VCheckbox
      v-for="group in access.groups"
      :key="group.id"
      :model-value="account.groups.includes(group.id)"
      :label="group.id"
      density="compact"
      hide-details
      @update:model-value="emit('member', group.id, Boolean($event))"
    />
    <h3>What comes of it</h3>
    <dl>
      <template v-for="share in access.shares" :key="share.id">
        <dt>{{ share.id }}</dt>
        <dd>
          {{ rights[cells.of(share, account)] }}
          <span v-if="cells.own(share.id, account.id) === null" class="soft">from its groups</span>
        </dd>
      </template>
    </dl>
    <p v-if="test" class="small soft">
      To be tried: {{ test.allowed ? `${trialWords(test.allowed)} must work` : 'nothing works' }};
      {{ test.forbidden ? `${trialWords(test.forbidden)} must be refused` : 'nothing is refused' }}.
    </p>
    <VBtn variant="text" size="small" @click="emit('remove')">Remove this account</VBtn>
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
dl {
  margin-top: 6px;
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 12px;
  font-size: 0.88rem;
}
dd {
  margin: 0;
}
</style>
