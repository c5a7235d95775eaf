import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Plan } from '~~/core/plan/planSchema'
import { sameValue } from '~~/core/sameValue'
import { draftBox } from '~/services/draftBox'
import { planApi } from '~/services/planApi'
import { planEditor } from '~/services/planEditor'
import { usePlanAssessments } from './planAssessments'
import { usePlanHistory } from './planHistory'
import { usePlanSync } from './planSync'

/**
 * The open plan: its edits, their undoing, its saving by itself, and its assessment; each a part of
 * its own.
 */
export const usePlanStore = defineStore('plan', () => {
  const id = ref<string | null>(null)
  const plan = shallowRef<Plan | null>(null)
  /** a plan looked at without taking it over, such as a build under the pointer */
  const tried = shallowRef<Plan | null>(null)
  /** one that stays on the headroom line while its reader looks around; an edit drops it */
  const pinned = shallowRef<Plan | null>(null)
  const shown = computed(() => tried.value ?? pinned.value)
  const restoredDraft = ref(false)
  const sync = usePlanSync({ id, plan, joined: join => history.rewrite(join) })
  const history = usePlanHistory({ plan, apply: put })
  const { assessment, triedAssessment, assessing } = usePlanAssessments({ id, plan, tried: shown })
  /** of several openings only the last counts, however late an earlier one is answered */
  let openings = 0

  function put(next: Plan): void {
    plan.value = next
    pinned.value = null
    sync.changed()
  }
  /** Opens a plan; a draft that the server never acknowledged is taken up again. */
  async function open(planId: string): Promise<void> {
    const opening = ++openings
    if (id.value === planId && plan.value) return
    await sync.flush()
    const stored = await planApi.get(planId)
    if (opening !== openings) return
    tried.value = null
    pinned.value = null
    restoredDraft.value = false
    sync.adopt(stored)
    history.reset()
    const draft = await draftBox.take(planId)
    if (opening !== openings) return
    if (!draft || sameValue(draft.plan, stored.plan)) {
      // An edit made while it was looked for keeps its own.
      if (plan.value === stored.plan) draftBox.drop(planId)
      return
    }
    plan.value = draft.plan
    history.remember('', stored.plan)
    restoredDraft.value = true
    if (draft.version === stored.version) sync.changed(0)
    else sync.meet(stored)
  }
  /**
   * Sets one field. Answers what is wrong with the value, and then changes nothing; null when it
   * was taken.
   */
  function edit(path: string, value: unknown): string | null {
    if (!plan.value) return null
    if (!planEditor.now) {
      // Before the first view has all it needs: done as soon as it has, if the same plan is still
      // open.
      const mine = openings
      void planEditor.load().then(() => mine === openings && edit(path, value))
      return null
    }
    const result = planEditor.now(plan.value, path, value)
    if (!result.ok) return result.issues[0]?.message ?? 'This value is not possible.'
    // Typing in one field undoes together; a list or a record that is exchanged whole, such as
    // drives put in or taken out, is a step of its own.
    step(result.plan, typeof value === 'object' && value !== null ? '' : path)
    return null
  }
  /**
   * Takes over a whole plan as one step that can be undone; steps of one name, such as those of a
   * drag, are undone together.
   */
  function replace(next: Plan, name = ''): void {
    step(next, name)
  }
  function step(next: Plan, path: string): void {
    const before = plan.value
    if (!before || sameValue(next, before)) return
    put(next)
    history.remember(path, before)
  }
  /**
   * Settles a conflict: keep mine over theirs, take theirs, or keep mine as a plan of its own (its
   * id is returned).
   */
  async function settle(how: 'mine' | 'theirs' | 'both'): Promise<string | null> {
    const theirs = sync.conflict.value
    const mine = plan.value
    if (!theirs || !mine) return null
    if (how === 'mine') {
      await sync.overwrite(theirs)
      return null
    }
    const copy =
      how === 'both'
        ? await planApi.create({ ...mine, name: `${mine.name.slice(0, 70)} (mine)` })
        : null
    draftBox.drop(theirs.id)
    sync.adopt(theirs)
    history.remember('', mine)
    return copy?.id ?? null
  }
  /**
   * Stores what is open here as a plan of its own, because the stored one was deleted elsewhere.
   * Answers its id.
   */
  async function saveAsNew(): Promise<string | null> {
    const [deleted, mine] = [id.value, plan.value]
    if (!deleted || !mine) return null
    const stored = await planApi.create(mine)
    draftBox.drop(deleted)
    sync.adopt(stored)
    return stored.id
  }
  function close(): void {
    openings++
    tried.value = null
    pinned.value = null
    sync.close()
    history.reset()
  }

  /** Pins what is tried just now; without any, drops what is pinned. */
  function togglePin(): void {
    pinned.value = tried.value
  }
  function keepPinned(): void {
    const kept = pinned.value
    tried.value = null
    if (kept) replace(kept)
  }
  function dropPinned(): void {
    pinned.value = null
  }

  const { version, saveState, saveMessage, conflict, gone, signedOut, save, flush } = sync
  const { canUndo, canRedo, grab, letGo, giveUp, undo, redo } = history
  return {
    id,
    version,
    plan,
    tried,
    pinned,
    assessment,
    triedAssessment,
    assessing,
    saveState,
    saveMessage,
    conflict,
    gone,
    signedOut,
    restoredDraft,
    canUndo,
    canRedo,
    open,
    edit,
    togglePin,
    keepPinned,
    dropPinned,
    grab,
    letGo,
    giveUp,
    replace,
    undo,
    redo,
    save,
    flush,
    settle,
    saveAsNew,
    close,
  }
})
