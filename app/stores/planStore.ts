import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Assessment } from '~~/core/assess'
import { editPlan } from '~~/core/plan/editPlan'
import type { Plan } from '~~/core/plan/planSchema'
import { createAssessor } from '~/services/assessor'
import { draftBox } from '~/services/draftBox'
import { ApiProblem, planApi, type StoredPlan } from '~/services/planApi'

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'offline' | 'conflict' | 'refused'

const saveDelayMs = 350
const retryDelayMs = 3000
const mostUndoSteps = 200
/** Edits of one field within this time undo together. */
const sameEditMs = 1200

function same(a: Plan, b: Plan): boolean {
  return JSON.stringify(a) === JSON.stringify(b)
}

/** The open plan: its edits, their undoing, and its saving by itself. */
export const usePlanStore = defineStore('plan', () => {
  const id = ref<string | null>(null)
  const version = ref(0)
  const plan = shallowRef<Plan | null>(null)
  /** a plan looked at without taking it over, such as a way of building under the pointer */
  const tried = shallowRef<Plan | null>(null)
  const past = shallowRef<readonly Plan[]>([])
  const future = shallowRef<readonly Plan[]>([])
  const saveState = ref<SaveState>('saved')
  const saveMessage = ref('')
  const conflict = shallowRef<StoredPlan | null>(null)
  const restoredDraft = ref(false)

  let acknowledged: Plan | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let saving: Promise<void> | null = null
  let gesture: 'begun' | 'goesOn' | null = null
  let lastEdit = { path: '', at: 0 }

  const assessment = shallowRef<Assessment | null>(null)
  const triedAssessment = shallowRef<Assessment | null>(null)
  /** the assessment belongs to an earlier state of the plan, and the new one is being worked out */
  const assessing = ref(false)
  let assessedId: string | null = null
  const assessor = createAssessor({
    take(found, of) {
      assessment.value = plan.value && found
      assessing.value = plan.value !== null && of !== plan.value
    },
  })
  const triedAssessor = createAssessor({
    take(found, of) {
      triedAssessment.value = of === tried.value ? found : null
    },
  })
  // At once with the change, so that whoever edits finds the assessment of what is in the plan now.
  watch(plan, (next) => {
    if (!next) {
      assessment.value = null
      return
    }
    assessing.value = true
    if (assessment.value === null || id.value !== assessedId) assessor.askAnew(next)
    else assessor.ask(next)
    assessedId = id.value
  }, { flush: 'sync' })
  watch(tried, (next) => {
    triedAssessment.value = null
    if (next) triedAssessor.ask(next)
  }, { flush: 'sync' })
  const canUndo = computed(() => past.value.length > 0)
  const canRedo = computed(() => future.value.length > 0)

  function adopt(stored: StoredPlan): void {
    id.value = stored.id
    version.value = stored.version
    plan.value = stored.plan
    acknowledged = stored.plan
    saveState.value = 'saved'
    saveMessage.value = ''
    conflict.value = null
  }

  /** Opens a plan; a draft that the server never acknowledged is taken up again. */
  async function open(planId: string): Promise<void> {
    if (id.value === planId && plan.value) return
    await flush()
    const stored = await planApi.get(planId)
    past.value = []
    future.value = []
    tried.value = null
    restoredDraft.value = false
    adopt(stored)
    const draft = draftBox.take(planId)
    if (!draft || same(draft.plan, stored.plan)) {
      draftBox.drop(planId)
      return
    }
    plan.value = draft.plan
    past.value = [stored.plan]
    restoredDraft.value = true
    if (draft.version === stored.version) schedule(0)
    else meet(stored)
  }

  function meet(stored: StoredPlan): void {
    conflict.value = stored
    saveState.value = 'conflict'
  }

  function put(next: Plan): void {
    plan.value = next
    if (id.value) draftBox.put(id.value, { version: version.value, plan: next })
    if (saveState.value !== 'conflict') schedule(saveDelayMs)
  }

  /** From here to {@link letGo} all edits undo together: one drag on a picture is one step. */
  function grab(): void {
    gesture = 'begun'
  }
  function letGo(): void {
    gesture = null
    lastEdit = { path: '', at: 0 }
  }

  function remember(path: string): void {
    const now = Date.now()
    const goesOn = gesture === 'goesOn' || (path !== '' && path === lastEdit.path && now - lastEdit.at < sameEditMs)
    if (gesture === 'begun') gesture = 'goesOn'
    lastEdit = { path, at: now }
    future.value = []
    if (!goesOn && plan.value) past.value = [...past.value.slice(1 - mostUndoSteps), plan.value]
  }

  /** Sets one field. Answers what is wrong with the value, and then changes nothing; null when it was taken. */
  function edit(path: string, value: unknown): string | null {
    if (!plan.value) return null
    const result = editPlan(plan.value, path, value)
    if (!result.ok) return result.issues[0]?.message ?? 'This value is not possible.'
    if (!same(result.plan, plan.value)) {
      remember(path)
      put(result.plan)
    }
    return null
  }

  /** Takes over a whole plan as one step that can be undone. */
  function replace(next: Plan): void {
    if (!plan.value || same(next, plan.value)) return
    remember('')
    put(next)
  }

  function undo(): void {
    const before = past.value.at(-1)
    if (!before || !plan.value) return
    past.value = past.value.slice(0, -1)
    future.value = [...future.value, plan.value]
    lastEdit = { path: '', at: 0 }
    put(before)
  }

  function redo(): void {
    const next = future.value.at(-1)
    if (!next || !plan.value) return
    future.value = future.value.slice(0, -1)
    past.value = [...past.value, plan.value]
    lastEdit = { path: '', at: 0 }
    put(next)
  }

  function schedule(delayMs: number): void {
    clearTimeout(timer)
    if (saveState.value !== 'offline' || delayMs === 0) saveState.value = 'unsaved'
    timer = setTimeout(() => void save(), delayMs)
  }

  async function save(): Promise<void> {
    if (saving) {
      await saving
      if (plan.value && acknowledged && !same(plan.value, acknowledged) && saveState.value === 'unsaved') await save()
      return
    }
    saving = sendOnce().finally(() => {
      saving = null
    })
    await saving
  }

  async function sendOnce(): Promise<void> {
    const sent = plan.value
    const planId = id.value
    if (!sent || !planId || saveState.value === 'conflict') return
    if (acknowledged && same(sent, acknowledged)) {
      saveState.value = 'saved'
      draftBox.drop(planId)
      return
    }
    saveState.value = 'saving'
    try {
      acknowledge(planId, await planApi.save(planId, version.value, sent), sent)
    }
    catch (error) {
      if (id.value !== planId) return
      if (error instanceof ApiProblem) refuse(planId, error, sent)
      else throw error
    }
  }

  function acknowledge(planId: string, stored: StoredPlan, sent: Plan): void {
    if (id.value !== planId) return
    version.value = stored.version
    acknowledged = sent
    if (plan.value && same(plan.value, sent)) {
      saveState.value = 'saved'
      saveMessage.value = ''
      draftBox.drop(planId)
    }
    else {
      if (plan.value) draftBox.put(planId, { version: version.value, plan: plan.value })
      schedule(saveDelayMs)
    }
  }

  function refuse(planId: string, problem: ApiProblem, sent: Plan): void {
    if (problem.status === 409 && problem.current) {
      // The same content under a newer version: this very save got through, only its answer was lost.
      if (same(problem.current.plan, sent)) acknowledge(planId, problem.current, sent)
      else meet(problem.current)
      return
    }
    saveMessage.value = problem.errors[0]?.message ?? problem.message
    if (problem.status === 0 || problem.status >= 500) {
      saveState.value = 'offline'
      clearTimeout(timer)
      timer = setTimeout(() => void save(), retryDelayMs)
    }
    else {
      saveState.value = 'refused'
    }
  }

  /** Saves what is pending now; used before leaving a plan. */
  async function flush(): Promise<void> {
    clearTimeout(timer)
    if (saveState.value === 'unsaved') await save()
  }

  /** Settles a conflict: keep mine over theirs, take theirs, or keep mine as a plan of its own (its id is returned). */
  async function settle(how: 'mine' | 'theirs' | 'both'): Promise<string | null> {
    const theirs = conflict.value
    const mine = plan.value
    if (!theirs || !mine) return null
    if (how === 'both') {
      const copy = await planApi.create({ ...mine, name: `${mine.name.slice(0, 70)} (mine)` })
      draftBox.drop(theirs.id)
      adopt(theirs)
      return copy.id
    }
    if (how === 'theirs') {
      remember('')
      draftBox.drop(theirs.id)
      adopt(theirs)
      return null
    }
    version.value = theirs.version
    conflict.value = null
    saveState.value = 'unsaved'
    await save()
    return null
  }

  function close(): void {
    clearTimeout(timer)
    id.value = null
    plan.value = null
    tried.value = null
    acknowledged = null
    saveState.value = 'saved'
    conflict.value = null
  }

  return {
    id, version, plan, tried, assessment, triedAssessment, assessing, saveState, saveMessage, conflict, restoredDraft,
    canUndo, canRedo, open, edit, grab, letGo, replace, undo, redo, save, flush, settle, close,
  }
})
