<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { onMounted, ref } from 'vue'
import { mdiMagnify, mdiPlus, mdiUpload } from '@mdi/js'
import { navigateTo } from '#imports'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import type { PlanIssue } from '~~/core/plan/issues'
import type { PlanEntry } from '~~/core/plan/storedPlan'
import NumeronMark from '~/components/common/NumeronMark.vue'
import SchemeButton from '~/components/common/SchemeButton.vue'
import NetworkSign from '~/components/access/NetworkSign.vue'
import ImportProblems from '~/components/plans/ImportProblems.vue'
import PlanCard from '~/components/plans/PlanCard.vue'
import RenameDialog from '~/components/plans/RenameDialog.vue'
import { downloadPlan } from '~/composables/planDownload'
import DraftList from '~/components/plans/DraftList.vue'
import { useDrafts } from '~/composables/useDrafts'
import { importNotice } from '~/composables/importNotice'
import { readPlanFile } from '~/composables/planFile'
import { planOrders } from '~/composables/planSelection'
import { usePlanCards } from '~/composables/usePlanCards'
import { ApiProblem, planApi } from '~/services/planApi'
import { usePlanStore } from '~/stores/planStore'

const store = usePlanStore()
const cards = usePlanCards()
const { entries, search, order, archived, archivedCount, page, pages, found, shown, readings } =
  cards
const message = ref('')
const importIssues = ref<readonly PlanIssue[]>([])
const importName = ref('')
const asideNotice = ref('')
const deleted = ref<PlanEntry | null>(null)
const renaming = ref<PlanEntry | null>(null)
const dropping = ref(false)

async function attempt(work: () => Promise<void>): Promise<void> {
  message.value = ''
  try {
    await work()
  } catch (error) {
    message.value =
      error instanceof ApiProblem
        ? (error.errors[0]?.message ?? error.message)
        : 'Something went wrong in this page; reload it.'
  }
}

const load = () => attempt(cards.load)
const drafts = useDrafts(() => void load())
onMounted(async () => {
  await store.flush()
  store.close()
  void drafts.load()
  await load()
})

const make = () =>
  attempt(async () => {
    const startsOn = new Date().toISOString().slice(0, 7)
    const stored = await planApi.create({ name: 'New plan', library: { startsOn } })
    await navigateTo(`/plans/${stored.id}/start`)
  })
const makeDemo = () =>
  attempt(async () => {
    const stored = await planApi.create(tideMillHouse)
    await navigateTo(`/plans/${stored.id}`)
  })
const copy = (entry: PlanEntry) =>
  attempt(async () => {
    const { plan } = await planApi.get(entry.id)
    await planApi.create({ ...plan, name: `${plan.name.slice(0, 72)} (copy)` })
    await load()
  })
const remove = (entry: PlanEntry) =>
  attempt(async () => {
    await planApi.remove(entry.id)
    deleted.value = entry
    await cards.load()
  })
const restore = () =>
  attempt(async () => {
    if (!deleted.value) return
    await planApi.restore(deleted.value.id)
    deleted.value = null
    await cards.load()
  })
const archive = (entry: PlanEntry) =>
  attempt(async () => {
    await planApi.archive(entry.id, !entry.archived)
    await cards.load()
  })
const exportPlan = (entry: PlanEntry) =>
  attempt(async () => downloadPlan((await planApi.get(entry.id)).plan))

const rename = (name: string) =>
  attempt(async () => {
    const entry = renaming.value
    if (!entry) return
    const stored = await planApi.get(entry.id)
    await planApi.save(entry.id, stored.version, { ...stored.plan, name })
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
    asideNotice.value = importNotice(stored.plan.name, result)
    await cards.load()
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
        <NetworkSign />
        <SchemeButton />
      </header>
      <h1>Plans</h1>
      <p class="soft">
        A plan is one machine for one household. To import a plan, drop its file anywhere on this
        page.
      </p>
      <div class="actions">
        <VBtn :prepend-icon="mdiPlus" color="primary" variant="flat" @click="make"> New plan </VBtn>
        <VBtn :prepend-icon="mdiUpload" variant="outlined" tag="label" for="import-file">
          Import
        </VBtn>
        <input
          id="import-file"
          class="visually-hidden"
          type="file"
          accept=".json,application/json"
          aria-label="Import a plan from a file"
          @change="pick"
        />
        <VBtn variant="outlined" @click="makeDemo"> Open the demo: Tide Mill House </VBtn>
      </div>
      <p v-if="message" class="problem" role="alert">
        {{ message }}
        <button type="button" class="plain-button link" @click="load">Try again</button>
      </p>
      <ImportProblems v-if="importIssues.length" :file="importName" :issues="importIssues" />
      <p v-if="asideNotice" role="status" class="notice">
        {{ asideNotice }}
      </p>
      <p v-if="deleted" role="status" class="notice">
        "{{ deleted.name }}" was deleted.
        <button type="button" class="plain-button link" @click="restore">Undo</button>
      </p>
      <DraftList
        v-if="drafts.drafts.value.length"
        :drafts="drafts.drafts.value"
        @save-as-new="entry => attempt(() => drafts.saveAsNew(entry))"
        @discard="drafts.discard"
      />
      <p v-if="entries && !entries.length" class="sheet">
        There are no plans yet. Start a new one, or open the demo: a household that has outgrown its
        old machine.
      </p>
      <div v-if="entries && entries.length" class="find sheet">
        <VTextField
          v-model="search"
          label="Search by name"
          :append-inner-icon="mdiMagnify"
          hide-details
        />
        <VSelect v-model="order" :items="planOrders" label="Order" hide-details />
        <VSwitch
          v-if="archivedCount || archived"
          v-model="archived"
          :label="`Archived (${archivedCount})`"
          color="primary"
          density="compact"
          hide-details
        />
      </div>
      <p v-if="entries && entries.length && !found.length" role="status">
        {{
          search
            ? 'No plan has that name.'
            : archived
              ? 'Nothing is archived.'
              : 'All plans are archived.'
        }}
      </p>
      <ul class="list">
        <li v-for="entry in shown" :key="entry.id">
          <PlanCard
            :entry="entry"
            :reading="readings.get(entry.id) ?? null"
            @copy="copy(entry)"
            @export="exportPlan(entry)"
            @rename="renaming = entry"
            @archive="archive(entry)"
            @remove="remove(entry)"
          />
        </li>
      </ul>
      <nav v-if="pages > 1" class="pages" aria-label="Pages of plans">
        <VBtn variant="outlined" size="small" :disabled="page === 0" @click="page--">
          Previous
        </VBtn>
        <span>Page {{ page + 1 }} of {{ pages }}, {{ counted(found.length, 'plan') }}</span>
        <VBtn variant="outlined" size="small" :disabled="page >= pages - 1" @click="page++">
          Next
        </VBtn>
      </nav>
      <RenameDialog :entry="renaming" @close="renaming = null" @rename="rename" />
    </main>
  </VMain>
</template>

<style scoped>
.plans {
  max-width: 1180px;
  margin: 0 auto;
  padding: 20px 20px 60px;
  display: flex;
  flex-direction: column;
  gap: 14px;
  min-height: 100vh;
}
.plans.dropping {
  outline: 3px dashed rgb(var(--v-theme-primary));
  outline-offset: -8px;
}
header {
  display: flex;
  align-items: center;
  gap: 8px;
}
header > :first-child {
  margin-right: auto;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.find {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
}
.list {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px;
  align-items: stretch;
}
.list li {
  display: grid;
}
.pages {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: center;
}
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding: 8px 14px;
  background: rgb(var(--v-theme-surface));
}
.notice {
  border-left: 4px solid rgb(var(--v-theme-primary));
  padding: 8px 14px;
  background: rgb(var(--v-theme-surface));
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
}
#import-file:focus-visible + .v-btn {
  outline: 2px solid rgb(var(--v-theme-primary));
}
@media (max-width: 600px) {
  .find {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
