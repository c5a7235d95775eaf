<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { mdiDownload, mdiKeyboardOutline, mdiRedo, mdiUndo } from '@mdi/js'
import { navigateTo, useHead, useRoute } from '#imports'
import HeadroomLine from '~/components/common/HeadroomLine.vue'
import NumeronMark from '~/components/common/NumeronMark.vue'
import SaveStatus from '~/components/common/SaveStatus.vue'
import SchemeButton from '~/components/common/SchemeButton.vue'
import { downloadPlan } from '~/composables/planDownload'
import { viewAddress, views } from '~/composables/views'
import { afterPaint } from '~/services/afterPaint'
import { ApiProblem } from '~/services/planApi'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'

// Loaded after the first view.
const WorkingPanel = defineAsyncComponent(() => afterPaint().then(() => import('~/components/common/WorkingPanel.vue')))
const ConflictDialog = defineAsyncComponent(() => afterPaint().then(() => import('~/components/common/ConflictDialog.vue')))
const ShortcutsDialog = defineAsyncComponent(() => afterPaint().then(() => import('~/components/common/ShortcutsDialog.vue')))

const route = useRoute()
const store = usePlanStore()
const working = useWorkingStore()
const problem = ref('')
const showKeys = ref(false)
const planId = computed(() => String(route.params.id))
const nameError = ref<string | null>(null)

async function open(): Promise<void> {
  problem.value = ''
  try {
    await store.open(planId.value)
  }
  catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'The plan cannot be opened.'
  }
}
watch(planId, open, { immediate: true })
watch(() => route.path, () => working.close())
useHead({ title: () => store.plan ? `${store.plan.name} – Numeron` : 'Numeron' })

function rename(event: Event): void {
  const input = event.target as HTMLInputElement
  nameError.value = store.edit('name', input.value)
  if (nameError.value) return
}
function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) && !(target instanceof HTMLInputElement && target.type === 'radio')
}
function onKey(event: KeyboardEvent): void {
  const command = event.ctrlKey || event.metaKey
  if (event.altKey && !command && /^Digit\d$/.test(event.code)) {
    // The tenth view is on 0.
    const view = views[(Number(event.code.slice(5)) + 9) % 10]
    if (view) {
      event.preventDefault()
      void navigateTo(viewAddress(planId.value, view.id))
    }
    return
  }
  if (isTyping(event.target)) return
  if (command && event.key.toLowerCase() === 'z') {
    event.preventDefault()
    if (event.shiftKey) store.redo()
    else store.undo()
  }
  else if (command && event.key.toLowerCase() === 'y') {
    event.preventDefault()
    store.redo()
  }
  else if (event.key === '?') {
    showKeys.value = true
  }
}
function onLeave(event: BeforeUnloadEvent): void {
  // What is not acknowledged lies in this browser's storage already; the server gets it as soon as it can.
  void store.flush()
  if (store.saveState === 'refused') event.preventDefault()
}
onMounted(() => {
  window.addEventListener('keydown', onKey)
  window.addEventListener('beforeunload', onLeave)
})
onBeforeUnmount(() => {
  window.removeEventListener('keydown', onKey)
  window.removeEventListener('beforeunload', onLeave)
})
</script>

<template>
  <VMain tag="div">
    <a
      href="#view"
      class="skip"
    >Skip to the view</a>
    <template v-if="store.plan && store.id === planId">
      <header class="top no-print">
        <NumeronMark />
        <div class="plan-name">
          <input
            id="field-name"
            :value="store.plan.name"
            aria-label="Name of the plan"
            maxlength="80"
            :aria-invalid="nameError !== null"
            @input="rename"
          >
          <small
            v-if="nameError"
            role="alert"
          >{{ nameError }}</small>
        </div>
        <SaveStatus />
        <div class="tools">
          <VBtn
            :icon="mdiUndo"
            size="small"
            aria-label="Undo"
            :disabled="!store.canUndo"
            @click="store.undo()"
          />
          <VBtn
            :icon="mdiRedo"
            size="small"
            aria-label="Redo"
            :disabled="!store.canRedo"
            @click="store.redo()"
          />
          <VBtn
            :icon="mdiDownload"
            size="small"
            aria-label="Export this plan"
            @click="downloadPlan(store.plan)"
          />
          <VBtn
            :icon="mdiKeyboardOutline"
            size="small"
            aria-label="Keys"
            @click="showKeys = true"
          />
          <SchemeButton />
        </div>
      </header>
      <div class="line">
        <HeadroomLine />
      </div>
      <div class="body">
        <nav
          class="rail no-print"
          aria-label="Views"
        >
          <NuxtLink
            v-for="view in views"
            :key="view.id"
            :to="viewAddress(planId, view.id)"
            :aria-current="route.path === viewAddress(planId, view.id) ? 'page' : undefined"
          >
            <VIcon
              :icon="view.icon"
              size="20"
            />{{ view.label }}
          </NuxtLink>
        </nav>
        <main
          id="view"
          tabindex="-1"
        >
          <p
            v-if="store.restoredDraft"
            class="notice"
            role="status"
          >
            Changes from last time that had not reached the server were taken up again. <button
              type="button"
              class="plain-button link"
              @click="store.restoredDraft = false"
            >
              All right
            </button>
          </p>
          <NuxtPage />
        </main>
      </div>
      <WorkingPanel />
      <ConflictDialog v-if="store.conflict" />
      <ShortcutsDialog
        v-if="showKeys"
        v-model="showKeys"
      />
    </template>
    <div
      v-else-if="problem"
      class="missing"
    >
      <NumeronMark />
      <h1>{{ problem }}</h1>
      <div>
        <VBtn
          variant="outlined"
          color="primary"
          @click="open"
        >
          Try again
        </VBtn>
        <VBtn to="/plans">
          All plans
        </VBtn>
      </div>
    </div>
  </VMain>
</template>

<style scoped>
.skip { position: absolute; left: -999px; }
.skip:focus { left: 8px; top: 8px; z-index: 20; background: rgb(var(--v-theme-surface)); padding: 6px 10px; }
.top { display: flex; align-items: center; gap: 16px; padding: 6px 14px; background: rgb(var(--v-theme-surface)); border-bottom: 1px solid rgb(var(--v-theme-hairline)); }
.plan-name { display: flex; flex-direction: column; min-width: 0; flex: 0 1 320px; }
.plan-name input { font: inherit; font-weight: 600; color: inherit; background: none; border: 1px solid transparent; border-radius: 4px; padding: 4px 8px; width: 100%; }
.plan-name input:hover, .plan-name input:focus { border-color: rgb(var(--v-theme-hairline)); }
.plan-name small { color: rgb(var(--v-theme-error)); padding-left: 8px; }
.tools { margin-left: auto; display: flex; }
.line { position: sticky; top: 0; z-index: 5; }
.body { display: grid; grid-template-columns: 150px minmax(0, 1fr); }
.rail { display: flex; flex-direction: column; padding: 14px 8px; gap: 2px; position: sticky; top: 92px; align-self: start; }
.rail a { display: flex; align-items: center; gap: 10px; padding: 8px 10px; border-radius: 5px; color: inherit; text-decoration: none; font-size: 0.94rem; }
.rail a:hover { background: rgb(var(--v-theme-surface-light)); }
.rail a[aria-current] { background: rgba(var(--v-theme-primary), 0.14); font-weight: 650; box-shadow: inset 3px 0 rgb(var(--v-theme-primary)); }
main { padding: 18px 20px 60px; min-width: 0; }
main:focus { outline: none; }
.notice { border-left: 4px solid rgb(var(--v-theme-primary)); padding: 8px 14px; background: rgb(var(--v-theme-surface)); margin: 0 0 14px; }
.link { color: rgb(var(--v-theme-primary)); text-decoration: underline; }
.missing { padding: 40px; display: flex; flex-direction: column; gap: 20px; align-items: flex-start; }
@media (max-width: 800px) {
  .top { flex-wrap: wrap; gap: 6px 12px; }
  .plan-name { flex: 1 1 40%; order: 5; }
  .tools { order: 6; }
  .body { grid-template-columns: minmax(0, 1fr); }
  .rail { flex-direction: row; overflow-x: auto; position: static; padding: 8px; border-bottom: 1px solid rgb(var(--v-theme-hairline)); }
  .rail a { white-space: nowrap; }
  .rail a[aria-current] { box-shadow: inset 0 -3px rgb(var(--v-theme-primary)); }
  main { padding: 14px 12px 60px; }
}
</style>
