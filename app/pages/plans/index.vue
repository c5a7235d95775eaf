<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { mdiContentCopy, mdiDeleteOutline, mdiDownload, mdiPencilOutline, mdiPlus, mdiUpload } from '@mdi/js'
import { navigateTo } from '#imports'
import type { Assessment } from '~~/core/assess'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import type { PlanIssue } from '~~/core/plan/issues'
import type { PlanEntry, StoredPlan } from '~~/core/plan/storedPlan'
import NumeronMark from '~/components/common/NumeronMark.vue'
import SchemeButton from '~/components/common/SchemeButton.vue'
import TideGauge from '~/components/common/TideGauge.vue'
import { downloadPlan } from '~/composables/planDownload'
import { readPlanFile } from '~/composables/planFile'
import { ApiProblem, planApi } from '~/services/planApi'
import { inBackground } from '~/services/background'
import { pageLocale } from '~/services/pageLocale'
import { usePlanStore } from '~/stores/planStore'

const store = usePlanStore()
const entries = ref<PlanEntry[] | null>(null)
const read = shallowRef<Record<string, { stored: StoredPlan, assessment: Assessment }>>({})
const message = ref('')
const importIssues = ref<readonly PlanIssue[]>([])
const importName = ref('')
const asideNotice = ref('')
const deleted = ref<PlanEntry | null>(null)
const renaming = ref<PlanEntry | null>(null)
const newName = ref('')
const dropping = ref(false)

async function attempt(work: () => Promise<void>): Promise<void> {
  message.value = ''
  try {
    await work()
  }
  catch (error) {
    message.value = error instanceof ApiProblem ? (error.errors[0]?.message ?? error.message) : 'Something went wrong in this page; reload it.'
  }
}

async function load(): Promise<void> {
  await attempt(async () => {
    entries.value = await planApi.list()
    for (const entry of entries.value) {
      const stored = await planApi.get(entry.id)
      const assessment = await inBackground('assess', work => work.assess(stored.plan, pageLocale()))
      read.value = { ...read.value, [entry.id]: { stored, assessment } }
    }
  })
}
onMounted(async () => {
  await store.flush()
  store.close()
  await load()
})

const nameError = computed(() => newName.value.trim().length >= 1 && newName.value.trim().length <= 80 ? null : 'Name: text of 1 to 80 characters.')

const make = () => attempt(async () => {
  const startsOn = new Date().toISOString().slice(0, 7)
  const stored = await planApi.create({ name: 'New plan', library: { startsOn } })
  await navigateTo(`/plans/${stored.id}`)
})
const makeDemo = () => attempt(async () => {
  const stored = await planApi.create(tideMillHouse)
  await navigateTo(`/plans/${stored.id}`)
})
const copy = (entry: PlanEntry) => attempt(async () => {
  const { plan } = await planApi.get(entry.id)
  await planApi.create({ ...plan, name: `${plan.name.slice(0, 72)} (copy)` })
  await load()
})
const remove = (entry: PlanEntry) => attempt(async () => {
  await planApi.remove(entry.id)
  deleted.value = entry
  await load()
})
const restore = () => attempt(async () => {
  if (!deleted.value) return
  await planApi.restore(deleted.value.id)
  deleted.value = null
  await load()
})
const exportPlan = (entry: PlanEntry) => attempt(async () => downloadPlan((await planApi.get(entry.id)).plan))

function startRename(entry: PlanEntry): void {
  renaming.value = entry
  newName.value = entry.name
}
const rename = () => attempt(async () => {
  const entry = renaming.value
  if (!entry || nameError.value) return
  const stored = await planApi.get(entry.id)
  await planApi.save(entry.id, stored.version, { ...stored.plan, name: newName.value.trim() })
  renaming.value = null
  await load()
})

async function importFile(file: File | undefined): Promise<void> {
  if (!file) return
  importIssues.value = []
  asideNotice.value = ''
  importName.value = file.name
  const result = await readPlanFile(file)
  if (!result.ok) {
    importIssues.value = result.issues
    return
  }
  await attempt(async () => {
    const stored = await planApi.create(result.plan)
    asideNotice.value = result.keptAside.length
      ? `Imported "${stored.plan.name}". This version does not know ${result.keptAside.length === 1 ? 'one field' : `${result.keptAside.length} fields`}: ${result.keptAside.join(', ')}. ${result.keptAside.length === 1 ? 'It is' : 'They are'} kept aside and exported again.`
      : `Imported "${stored.plan.name}".`
    await load()
  })
}
function pick(event: Event): void {
  const input = event.target as HTMLInputElement
  void importFile(input.files?.[0])
  input.value = ''
}
function drop(event: DragEvent): void {
  dropping.value = false
  void importFile(event.dataTransfer?.files[0])
}
const when = (iso: string) => new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' }).format(new Date(iso))
</script>

<template>
  <VMain tag="div">
    <main
      class="plans"
      :class="{ dropping }"
      @dragover.prevent="dropping = true"
      @dragleave="dropping = false"
      @drop.prevent="drop"
    >
      <header>
        <NumeronMark />
        <SchemeButton />
      </header>
      <h1>Plans</h1>
      <p class="soft">
        One plan is one box for one household. Drop an exported plan anywhere on this page to bring it in.
      </p>
      <div class="actions">
        <VBtn
          :prepend-icon="mdiPlus"
          color="primary"
          variant="flat"
          @click="make"
        >
          New plan
        </VBtn>
        <VBtn
          :prepend-icon="mdiUpload"
          variant="outlined"
          tag="label"
          for="import-file"
        >
          Import
        </VBtn>
        <input
          id="import-file"
          class="visually-hidden"
          type="file"
          accept=".json,application/json"
          aria-label="Import a plan from a file"
          @change="pick"
        >
        <VBtn
          variant="outlined"
          @click="makeDemo"
        >
          Open the demo: Tide Mill House
        </VBtn>
      </div>
      <p
        v-if="message"
        class="problem"
        role="alert"
      >
        {{ message }} <button
          type="button"
          class="plain-button link"
          @click="load"
        >
          Try again
        </button>
      </p>
      <div
        v-if="importIssues.length"
        class="problem"
        role="alert"
      >
        <p><strong>{{ importName }}</strong> was not imported; nothing was changed.</p>
        <ul>
          <li
            v-for="issue in importIssues.slice(0, 20)"
            :key="issue.path + issue.message"
          >
            <code v-if="issue.path">{{ issue.path }}</code> {{ issue.message }}
          </li>
          <li v-if="importIssues.length > 20">
            … and {{ importIssues.length - 20 }} more.
          </li>
        </ul>
      </div>
      <p
        v-if="asideNotice"
        role="status"
        class="notice"
      >
        {{ asideNotice }}
      </p>
      <p
        v-if="deleted"
        role="status"
        class="notice"
      >
        "{{ deleted.name }}" was deleted. <button
          type="button"
          class="plain-button link"
          @click="restore"
        >
          Undo
        </button>
      </p>
      <p
        v-if="entries && !entries.length"
        class="sheet"
      >
        There is no plan yet. Start with a new one and answer six questions, or open the demo to see a household that has outgrown its old tower.
      </p>
      <ul class="list">
        <li
          v-for="entry in entries ?? []"
          :key="entry.id"
          class="sheet"
          :data-plan="entry.name"
        >
          <NuxtLink
            :to="`/plans/${entry.id}`"
            class="name"
          >
            <strong>{{ entry.name }}</strong>
            <small class="soft">saved {{ when(entry.updatedAt) }}</small>
          </NuxtLink>
          <div class="gauges">
            <span
              v-for="verdict in read[entry.id]?.assessment.verdicts ?? []"
              :key="verdict.id"
              :title="`${verdict.label}: ${verdict.sentence}`"
            >
              <TideGauge
                :asked="verdict.asked"
                :possible="verdict.possible"
                :width="28"
                :height="34"
              />
            </span>
          </div>
          <div class="buttons">
            <VBtn
              :icon="mdiPencilOutline"
              size="small"
              :aria-label="`Rename ${entry.name}`"
              @click="startRename(entry)"
            />
            <VBtn
              :icon="mdiContentCopy"
              size="small"
              :aria-label="`Copy ${entry.name}`"
              @click="copy(entry)"
            />
            <VBtn
              :icon="mdiDownload"
              size="small"
              :aria-label="`Export ${entry.name}`"
              @click="exportPlan(entry)"
            />
            <VBtn
              :icon="mdiDeleteOutline"
              size="small"
              :aria-label="`Delete ${entry.name}`"
              @click="remove(entry)"
            />
          </div>
        </li>
      </ul>
      <VDialog
        :model-value="renaming !== null"
        max-width="420"
        @update:model-value="renaming = null"
      >
        <form
          class="sheet dialog"
          @submit.prevent="rename"
        >
          <h2>Rename the plan</h2>
          <VTextField
            v-model="newName"
            label="Name"
            autofocus
            :error-messages="nameError ?? []"
          />
          <div class="dialog-buttons">
            <VBtn @click="renaming = null">
              Keep the old name
            </VBtn>
            <VBtn
              type="submit"
              color="primary"
              variant="flat"
              :disabled="nameError !== null"
            >
              Rename
            </VBtn>
          </div>
        </form>
      </VDialog>
    </main>
  </VMain>
</template>

<style scoped>
.plans { max-width: 980px; margin: 0 auto; padding: 20px 20px 60px; display: flex; flex-direction: column; gap: 14px; min-height: 100vh; }
.plans.dropping { outline: 3px dashed rgb(var(--v-theme-primary)); outline-offset: -8px; }
header { display: flex; justify-content: space-between; align-items: center; }
.actions { display: flex; flex-wrap: wrap; gap: 10px; }
.list { list-style: none; padding: 0; display: flex; flex-direction: column; gap: 10px; }
.list li { display: flex; align-items: center; gap: 18px; flex-wrap: wrap; }
.name { flex: 1; min-width: 200px; color: inherit; text-decoration: none; display: flex; flex-direction: column; }
.name:hover strong { text-decoration: underline; }
.gauges { display: flex; gap: 10px; }
.buttons { display: flex; }
.problem { border-left: 4px solid rgb(var(--v-theme-state-short)); padding: 8px 14px; background: rgb(var(--v-theme-surface)); }
.problem ul { padding-left: 18px; }
.notice { border-left: 4px solid rgb(var(--v-theme-primary)); padding: 8px 14px; background: rgb(var(--v-theme-surface)); }
.link { color: rgb(var(--v-theme-primary)); text-decoration: underline; }
.dialog { display: flex; flex-direction: column; gap: 14px; }
.dialog-buttons { display: flex; justify-content: flex-end; gap: 8px; }
#import-file:focus-visible + .v-btn { outline: 2px solid rgb(var(--v-theme-primary)); }
</style>
