<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { accessCsv } from '~~/core/commissioning/access/accessCsv'
import {
  withMember,
  withNewAccount,
  withNewGroup,
  withNewShare,
  withoutAccount,
  withoutGroup,
  withoutShare,
} from '~~/core/commissioning/access/editAccess'
import type { Access } from '~~/core/plan/access'
import { nfsExports } from '~~/core/commissioning/access/nfsExports'
import { smbConf } from '~~/core/commissioning/access/smbConf'
import PlanField from '~/components/common/PlanField.vue'
import { downloadText, planFileStem } from '~/composables/planDownload'
import { useAccess } from '~/composables/useAccess'
import { useFormat } from '~/composables/useFormat'
import { useRunBook } from '~/composables/useRunBook'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import AccessMatrix from './AccessMatrix.vue'
import AccountInspector from './AccountInspector.vue'
import GroupInspector from './GroupInspector.vue'
import ShareInspector from './ShareInspector.vue'
import TestListSheet from './TestListSheet.vue'

/** Who may do what: the matrix, what is against a rule, what to try, files for other programs. */
const store = usePlanStore()
const { access, isOwn, cells, findings, put, setRight, say, makeAnew, tests, prove } = useAccess()
const { progress, become } = useRunBook()
const { number } = useFormat()
const picked = ref<string | null>(null)

const count = (of: number, one: string, many: string) => `${number(of)} ${of === 1 ? one : many}`
const sentence = computed(() => {
  const { accounts, shares } = access.value
  const all = `${count(accounts.length, 'account', 'accounts')} and ${count(shares.length, 'share', 'shares')}`
  const broken = findings.value.filter(({ rule }) => !rule.asks).length
  const asked = findings.value.length - broken
  if (findings.value.length === 0) return `${all}. No rule is broken.`
  const parts = [
    ...(broken > 0 ? [`${count(broken, 'thing is', 'things are')} against a rule`] : []),
    ...(asked > 0 ? [`${count(asked, 'question is', 'questions are')} open`] : []),
  ]
  return `${all}. ${parts.join(', ').replace(/^./, first => first.toUpperCase())}.`
})
/** Findings by rule: of many alike the first stand there, and more by a press. */
const shownAtFirst = 8
const moreAtOnce = 50
const shownOf = reactive<Record<string, number>>({})
const broken = computed(() =>
  [...new Set(findings.value.map(({ rule }) => rule))].map(rule => {
    const all = findings.value.filter(finding => finding.rule === rule)
    const shown = all.slice(0, shownOf[rule.id] ?? shownAtFirst)
    return { rule, shown, more: all.length - shown.length }
  }),
)
const words = { accounts: 'account', groups: 'group', shares: 'share' } as const
type List = keyof typeof words
const at = computed((): Record<List, number> => {
  const indexOf = (list: List) =>
    access.value[list].findIndex(({ id }) => `${words[list]} ${id}` === picked.value)
  return { accounts: indexOf('accounts'), groups: indexOf('groups'), shares: indexOf('shares') }
})
const pickedId = computed(() => (picked.value ?? '').replace(/^\w+ /, ''))
function pick(list: List, index: number): void {
  picked.value = `${words[list]} ${access.value[list].at(index)!.id}`
}
/** What the inspector of one entry needs; what is picked keeps to its place under another name. */
const inspected = (list: List) => ({
  access: access.value,
  index: at.value[list],
  say: (key: string, value: unknown): string | null => {
    const index = at.value[list]
    const wrong = say(list, { index, key }, value)
    if (wrong === null && key === 'id') pick(list, index)
    return wrong
  },
})
function step(list: List, by: number): void {
  const count = access.value[list].length
  pick(list, (at.value[list] + by + count) % count)
}
const added: Readonly<Record<List, () => Access>> = {
  accounts: () => withNewAccount(access.value),
  groups: () => withNewGroup(access.value),
  shares: () => withNewShare(access.value, store.plan?.commissioning.poolName ?? 'pool'),
}
function add(list: List): void {
  put(added[list]())
  pick(list, -1)
}
const without = { accounts: withoutAccount, groups: withoutGroup, shares: withoutShare } as const
function remove(list: List): void {
  const { id } = access.value[list][at.value[list]]!
  picked.value = null
  put(without[list](access.value, id))
}
const stem = computed(() => planFileStem(store.plan ?? { name: '' }))
const usesNfs = computed(() => access.value.shares.some(({ protocol }) => protocol === 'nfs'))
const network = computed(() => store.plan?.commissioning.nfsNetwork ?? '')
const proved = computed(
  () => progress.value.steps.find(({ step }) => step.id === 'people.prove') ?? null,
)
</script>

<template>
  <div class="access" data-access>
    <section class="sheet">
      <h2>Who may do what</h2>
      <p class="sentence" data-access-sentence>{{ sentence }}</p>
      <p v-if="access.accounts.length === 0" class="soft">
        Nobody has an account yet: name the viewers under
        <NuxtLink :to="viewAddress(store.id ?? '', 'household')">Household</NuxtLink>, or add
        accounts here.
      </p>
      <AccessMatrix
        :access="access"
        :cells="cells"
        :findings="findings"
        :picked="picked"
        @set="setRight"
        @pick="picked = picked === $event ? null : $event"
      />
      <div class="acts no-print">
        <VBtn size="small" variant="outlined" @click="add('accounts')">Add an account</VBtn>
        <VBtn size="small" variant="outlined" @click="add('groups')">Add a group</VBtn>
        <VBtn size="small" variant="outlined" @click="add('shares')">Add a share</VBtn>
        <VBtn v-if="isOwn" size="small" variant="text" data-make-anew @click="makeAnew">
          Make it anew from the plan
        </VBtn>
        <span class="soft small">{{
          isOwn
            ? 'Entered by you; it does not follow the plan any more.'
            : 'Made from viewers, services and holdings of the plan, until you change it.'
        }}</span>
      </div>
    </section>
    <section v-if="findings.length" class="sheet" data-access-findings>
      <h2>Rules</h2>
      <ul class="rules">
        <template v-for="group in broken" :key="group.rule.id">
          <li
            v-for="(finding, index) in group.shown"
            :key="`${group.rule.id} ${index}`"
            :data-rule="finding.rule.id"
          >
            <strong>{{ finding.rule.id }} {{ finding.rule.label }}.</strong> {{ finding.sentence }}
            <VBtn
              v-if="finding.mended"
              size="small"
              variant="outlined"
              color="primary"
              @click="put(finding.mended(access))"
            >
              Apply
            </VBtn>
          </li>
          <li v-if="group.more > 0" class="soft">
            {{ group.rule.id }}: {{ count(group.more, 'more like it', 'more like these') }}.
            <VBtn
              size="small"
              variant="text"
              :data-more="group.rule.id"
              @click="shownOf[group.rule.id] = group.shown.length + moreAtOnce"
            >
              Show more
            </VBtn>
          </li>
        </template>
      </ul>
    </section>
    <div class="lower">
      <TestListSheet
        :tests="tests"
        :is-over="proved?.isOver ?? true"
        @prove="prove"
        @tick="become('people.prove', 'done')"
      />
      <section class="sheet">
        <h2 class="files-head">For other programs</h2>
        <PlanField path="commissioning.poolName" />
        <PlanField path="commissioning.guestsBring" />
        <PlanField v-if="usesNfs" path="commissioning.nfsNetwork" />
        <div class="files no-print">
          <VBtn
            size="small"
            variant="outlined"
            data-export="csv"
            @click="downloadText(`${stem}-rights.csv`, accessCsv(access), 'text/csv')"
          >
            Matrix as CSV
          </VBtn>
          <VBtn
            size="small"
            variant="outlined"
            data-export="smb"
            @click="downloadText(`${stem}-shares.conf`, smbConf(access), 'text/plain')"
          >
            Settings for SMB
          </VBtn>
          <VBtn
            v-if="usesNfs"
            size="small"
            variant="outlined"
            data-export="nfs"
            :disabled="network === ''"
            @click="downloadText(`${stem}-exports.txt`, nfsExports(access, network), 'text/plain')"
          >
            Exports for NFS
          </VBtn>
        </div>
        <p class="soft small">
          {{
            usesNfs && network === ''
              ? 'NFS lets in by address: enter the home network first. '
              : ''
          }}No file holds a password. Services on the machine get their folders mounted, those they
          only read read-only.
        </p>
      </section>
    </div>
    <AccountInspector
      v-if="at.accounts >= 0"
      v-bind="inspected('accounts')"
      @close="picked = null"
      @step="step('accounts', $event)"
      @remove="remove('accounts')"
      @member="(group, isIn) => put(withMember(access, { account: pickedId, group }, isIn))"
    />
    <GroupInspector
      v-if="at.groups >= 0"
      v-bind="inspected('groups')"
      @close="picked = null"
      @step="step('groups', $event)"
      @remove="remove('groups')"
      @member="(account, isIn) => put(withMember(access, { account, group: pickedId }, isIn))"
    />
    <ShareInspector
      v-if="at.shares >= 0"
      v-bind="inspected('shares')"
      @close="picked = null"
      @step="step('shares', $event)"
      @remove="remove('shares')"
    />
  </div>
</template>

<style scoped>
.access {
  display: grid;
  gap: 16px;
  min-width: 0;
}
.access > * {
  min-width: 0;
}
.sentence {
  font-size: 1.02rem;
  margin: 2px 0 10px;
}
.acts,
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin: 10px 0 4px;
}
.files-head {
  margin-bottom: 12px;
}
.rules {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 8px;
}
.rules .v-btn {
  margin-left: 6px;
}
.lower {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(240px, 1fr);
  gap: 16px;
  align-items: start;
}
@media (max-width: 760px) {
  .lower {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
