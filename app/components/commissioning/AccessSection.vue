<script setup lang="ts">
import { computed, ref } from 'vue'
import { accessCsv } from '~~/core/commissioning/access/accessCsv'
import {
  withNewAccount,
  withNewShare,
  withoutAccount,
  withoutShare,
} from '~~/core/commissioning/access/editAccess'
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
const indexOf = (list: 'accounts' | 'shares', what: string) =>
  picked.value?.startsWith(`${what} `)
    ? access.value[list].findIndex(({ id }) => `${what} ${id}` === picked.value)
    : -1
const accountAt = computed(() => indexOf('accounts', 'account'))
const shareAt = computed(() => indexOf('shares', 'share'))
/** Sets a field; what is picked keeps to its place when it gets another name. */
function sayOf(list: 'accounts' | 'shares', index: number) {
  return (key: string, value: unknown): string | null => {
    const wrong = say(list, { index, key }, value)
    if (wrong === null && key === 'id')
      picked.value = `${list === 'accounts' ? 'account' : 'share'} ${access.value[list][index]!.id}`
    return wrong
  }
}
function step(list: 'accounts' | 'shares', index: number, by: number): void {
  const all = access.value[list]
  const next = all[(index + by + all.length) % all.length]!
  picked.value = `${list === 'accounts' ? 'account' : 'share'} ${next.id}`
}
function add(what: 'account' | 'share'): void {
  const next =
    what === 'account'
      ? withNewAccount(access.value)
      : withNewShare(access.value, store.plan?.commissioning.poolName ?? 'pool')
  put(next)
  picked.value = `${what} ${(what === 'account' ? next.accounts : next.shares).at(-1)!.id}`
}
function remove(what: 'account' | 'share', id: string): void {
  picked.value = null
  put(what === 'account' ? withoutAccount(access.value, id) : withoutShare(access.value, id))
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
        <VBtn size="small" variant="outlined" @click="add('account')">Add an account</VBtn>
        <VBtn size="small" variant="outlined" @click="add('share')">Add a share</VBtn>
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
        <li v-for="(finding, at) in findings" :key="at" :data-rule="finding.rule.id">
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
      v-if="accountAt >= 0"
      :access="access"
      :index="accountAt"
      :say="sayOf('accounts', accountAt)"
      @close="picked = null"
      @step="step('accounts', accountAt, $event)"
      @remove="remove('account', access.accounts[accountAt]!.id)"
    />
    <ShareInspector
      v-if="shareAt >= 0"
      :access="access"
      :index="shareAt"
      :say="sayOf('shares', shareAt)"
      @close="picked = null"
      @step="step('shares', shareAt, $event)"
      @remove="remove('share', access.shares[shareAt]!.id)"
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
