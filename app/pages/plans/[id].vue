<script setup lang="ts">
import {
  computed,
  defineAsyncComponent,
  onBeforeUnmount,
  onMounted,
  provide,
  ref,
  watch,
} from 'vue'
import { mdiMagnify, mdiRedo, mdiUndo } from '@mdi/js'
import { navigateTo, useHead, useRoute } from '#imports'
import HeadroomLine from '~/components/common/HeadroomLine.vue'
import NavRail from '~/components/common/NavRail.vue'
import NumeronMark from '~/components/common/NumeronMark.vue'
import SaveStatus from '~/components/common/SaveStatus.vue'
import { colourScheme } from '~/composables/colourScheme'
import { inspectorHost } from '~/composables/inspectorHost'
import { viewAddress, views } from '~/composables/views'
import { afterPaint } from '~/services/afterPaint'
import { draftBox } from '~/services/draftBox'
import { ApiProblem } from '~/services/planApi'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'

// Loaded after the first view.
const WorkingPanel = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/common/WorkingPanel.vue')),
)
const ConflictDialog = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/common/ConflictDialog.vue')),
)
const ShortcutsDialog = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/common/ShortcutsDialog.vue')),
)
const ShellMenu = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/common/ShellMenu.vue')),
)
const NetworkSign = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/access/NetworkSign.vue')),
)
const PlanLinkDialog = defineAsyncComponent(() => import('~/components/access/PlanLinkDialog.vue'))
const PlanNotices = defineAsyncComponent(() => import('~/components/plans/PlanNotices.vue'))
const PlanProblem = defineAsyncComponent(() => import('~/components/plans/PlanProblem.vue'))
const TriedBar = defineAsyncComponent(() => import('~/components/common/TriedBar.vue'))
const CommandPalette = defineAsyncComponent(() => import('~/components/common/CommandPalette.vue'))

const route = useRoute()
const store = usePlanStore()
const working = useWorkingStore()
const problem = ref('')
/** the text of a plan that cannot be read, as it is stored */
const raw = ref<string | null>(null)
const showKeys = ref(false)
const showLink = ref(false)
provide(inspectorHost, '#inspector')
const showPalette = ref(false)
const planId = computed(() => String(route.params.id))
const nameError = ref<string | null>(null)

async function open(): Promise<void> {
  problem.value = ''
  raw.value = null
  try {
    await store.open(planId.value)
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'The plan cannot be opened.'
    raw.value = error instanceof ApiProblem ? error.raw : null
  }
}
watch(planId, open, { immediate: true })
watch(
  () => route.path,
  () => {
    working.close()
    store.tried = null
  },
)
async function exportPlan(): Promise<void> {
  const { downloadPlan } = await import('~/composables/planDownload')
  if (store.plan) downloadPlan(store.plan)
}
/** What the palette and the menu can do besides going somewhere. */
const actions = computed(() => [
  { label: 'Undo', run: () => store.undo(), off: !store.canUndo },
  { label: 'Redo', run: () => store.redo(), off: !store.canRedo },
  { label: 'Export this plan', run: () => void exportPlan(), off: false },
  {
    label: colourScheme.value === 'day' ? 'Switch to dark colours' : 'Switch to light colours',
    run: () => (colourScheme.value = colourScheme.value === 'day' ? 'night' : 'day'),
    off: false,
  },
  { label: 'Print this view', run: () => window.print(), off: false },
  { label: 'Keyboard shortcuts', run: () => (showKeys.value = true), off: false },
  {
    label: 'Answer the five questions',
    run: () => navigateTo(`/plans/${planId.value}/start`),
    off: false,
  },
  { label: "Reader's link", run: () => (showLink.value = true), off: false },
  { label: 'All plans', run: () => navigateTo('/plans'), off: false },
])
useHead({ title: () => (store.plan ? `${store.plan.name} – Numeron` : 'Numeron') })

function rename(event: Event): void {
  const input = event.target as HTMLInputElement
  nameError.value = store.edit('name', input.value)
  if (nameError.value) return
}
function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) &&
    !(target instanceof HTMLInputElement && target.type === 'radio')
  )
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
  if (command && event.key.toLowerCase() === 'k') {
    event.preventDefault()
    showPalette.value = true
    return
  }
  if (isTyping(event.target)) return
  if (!command && !event.altKey && event.key.toLowerCase() === 't') store.togglePin()
  else if (command && event.key.toLowerCase() === 'z') {
    event.preventDefault()
    if (event.shiftKey) store.redo()
    else store.undo()
  } else if (command && event.key.toLowerCase() === 'y') {
    event.preventDefault()
    store.redo()
  } else if (event.key === '?') {
    showKeys.value = true
  }
}
function onLeave(event: BeforeUnloadEvent): void {
  // What is not acknowledged lies in this browser's storage already; the server gets it as soon as
  // it can.
  void store.flush()
  if (
    store.saveState === 'refused' ||
    (store.saveState !== 'saved' && (!draftBox.isKeeping.value || draftBox.isWriting.value))
  )
    event.preventDefault()
}
onMounted(() => {
  void afterPaint().then(draftBox.prepare)
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
    <a href="#view" class="skip">Skip to the view</a>
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
          />
          <small v-if="nameError" role="alert">{{ nameError }}</small>
        </div>
        <SaveStatus />
        <div class="tools">
          <NetworkSign />
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
          <button
            type="button"
            class="plain-button find"
            aria-label="Find a view, field, figure or action"
            aria-keyshortcuts="Control+K"
            @click="showPalette = true"
          >
            <VIcon :icon="mdiMagnify" size="18" /><span>Find</span><kbd>Ctrl K</kbd>
          </button>
          <ShellMenu :actions="actions.slice(2)" />
        </div>
      </header>
      <div v-if="!route.meta.calm" class="line">
        <HeadroomLine />
        <TriedBar v-if="store.tried || store.pinned" />
      </div>
      <div class="body" :class="{ calm: route.meta.calm }">
        <NavRail v-if="!route.meta.calm" :plan-id="planId" />
        <main id="view" tabindex="-1">
          <PlanNotices v-if="store.restoredDraft || store.gone" />
          <NuxtPage />
        </main>
        <aside id="inspector" aria-label="Inspector" />
      </div>
      <WorkingPanel />
      <ConflictDialog v-if="store.conflict" />
      <PlanLinkDialog v-if="showLink" v-model="showLink" />
      <ShortcutsDialog v-if="showKeys" v-model="showKeys" />
      <CommandPalette v-if="showPalette" v-model="showPalette" :actions="actions" />
    </template>
    <PlanProblem v-else-if="problem" :problem="problem" :raw="raw" @retry="open" />
  </VMain>
</template>

<style scoped>
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 20;
  background: rgb(var(--v-theme-surface));
  padding: 6px 10px;
}
.top {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 4px 14px;
  background: rgb(var(--v-theme-surface));
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
}
.plan-name {
  display: flex;
  flex-direction: column;
  min-width: 0;
  flex: 0 1 320px;
}
.plan-name input {
  font: inherit;
  font-weight: 600;
  color: inherit;
  background: none;
  border: 1px solid transparent;
  border-radius: 4px;
  padding: 4px 8px;
  width: 100%;
  text-overflow: ellipsis;
}
.plan-name input:hover,
.plan-name input:focus {
  border-color: rgb(var(--v-theme-hairline));
}
.plan-name small {
  color: rgb(var(--v-theme-error));
  padding-left: 8px;
}
.tools {
  margin-left: auto;
  display: flex;
  align-items: center;
  flex: none;
}
.find {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 32px;
  padding: 2px 10px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 5px;
  font-size: 0.88rem;
}
.find:hover {
  background: rgb(var(--v-theme-surface-light));
}
.find kbd {
  font: inherit;
  font-size: 0.76rem;
  color: rgb(var(--v-theme-ink-soft));
}
.line {
  position: sticky;
  top: 0;
  z-index: 5;
}
.body {
  display: grid;
  grid-template-columns: 158px minmax(0, 1fr) auto;
}
.body.calm {
  grid-template-columns: minmax(0, 1fr) auto;
}
main {
  padding: 16px 20px 60px;
  min-width: 0;
}
main:focus {
  outline: none;
}
#inspector {
  position: sticky;
  top: 96px;
  align-self: start;
  width: 0;
  max-height: calc(100vh - 110px);
  z-index: 4;
}
#inspector:not(:empty) {
  width: 350px;
  padding: 16px 16px 0 0;
}
@media (max-width: 1080px) {
  .body {
    grid-template-columns: 158px minmax(0, 1fr);
  }
  .body.calm {
    grid-template-columns: minmax(0, 1fr);
  }
  /*
   * What is selected is edited in a sheet from below; the page keeps room to be scrolled clear of
   * it.
   */
  #inspector {
    position: fixed;
    left: 0;
    right: 0;
    bottom: 0;
    top: auto;
    max-height: 62vh;
    z-index: 8;
  }
  #inspector:not(:empty) {
    width: auto;
    padding: 0;
    box-shadow: 0 -6px 24px rgb(0 0 0 / 0.25);
  }
  .body:has(#inspector:not(:empty)) main {
    padding-bottom: 66vh;
  }
}
@media (max-width: 800px) {
  .top {
    gap: 6px;
    padding: 4px 8px;
  }
  .top :deep(.numeron-mark span),
  .find span,
  .find kbd {
    display: none;
  }
  .find {
    border: 0;
    padding: 2px 8px;
  }
  .plan-name {
    flex: 1 1 0;
  }
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  main {
    padding: 12px 12px 60px;
  }
}
@media print {
  .line {
    position: static;
  }
  .body {
    display: block;
  }
  main {
    padding: 0;
  }
  #inspector {
    display: none;
  }
}
</style>
