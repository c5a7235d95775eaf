import { useManualRefHistory } from '@vueuse/core'
import { markRaw, type ShallowRef } from 'vue'
import type { Plan } from '~~/core/plan/planSchema'

const maxUndoSteps = 200
/** Edits of one field within this time undo together. */
const sameEditMs = 1200

export interface HistoryParts {
  readonly plan: ShallowRef<Plan | null>
  /** puts an earlier or later plan in the place of the present one */
  readonly apply: (plan: Plan) => void
  readonly now?: () => number
}

/**
 * Undoing and redoing of the open plan's edits; typing in one field, and one drag, are one step.
 */
export function usePlanHistory({ plan, apply, now = () => Date.now() }: HistoryParts) {
  const { undoStack, redoStack, last, canUndo, canRedo, commit, undo, redo } = useManualRefHistory(
    plan,
    {
      capacity: maxUndoSteps,
      setSource: (_, value) => value && apply(value),
    },
  )
  let gesture: { readonly before: Plan | null; begun: boolean } | null = null
  let lastEdit = { path: '', at: 0 }
  // Raw, so that a plan comes back as the very one that was put in.
  const record = (snapshot = plan.value) => markRaw({ snapshot, timestamp: now() })
  const forgetEdit = () => {
    lastEdit = { path: '', at: 0 }
  }

  /** Begins anew with the present plan. */
  function reset(): void {
    undoStack.value = []
    redoStack.value = []
    last.value = record()
    gesture = null
    forgetEdit()
  }
  /** Takes the present plan as the next step after the one before it, or as one with that step. */
  function remember(path: string, before: Plan): void {
    // Whatever was put there without a step of its own is what undoing comes back to.
    if (last.value.snapshot !== before) last.value = record(before)
    const goesOn = gesture
      ? gesture.begun
      : path !== '' && path === lastEdit.path && now() - lastEdit.at < sameEditMs
    if (gesture) gesture.begun = true
    lastEdit = { path, at: now() }
    if (goesOn) {
      last.value = record()
      redoStack.value = []
    } else {
      commit()
    }
  }
  /** From here to {@link letGo} all edits undo together: one drag on a picture is one step. */
  function grab(): void {
    gesture = { before: plan.value, begun: false }
  }
  function letGo(): void {
    gesture = null
    forgetEdit()
  }
  /** Gives up the drag under way: everything is as before it, and there is nothing to redo. */
  function giveUp(): void {
    const begun = gesture?.begun ?? false
    letGo()
    if (!begun) return
    undo()
    redoStack.value = []
  }
  /** Changes every earlier and later state: what came from elsewhere is dropped by no undo. */
  function rewrite(change: (plan: Plan) => Plan): void {
    const changed = ({ snapshot, timestamp }: (typeof undoStack.value)[number]) =>
      markRaw({ snapshot: snapshot && change(snapshot), timestamp })
    undoStack.value = undoStack.value.map(changed)
    redoStack.value = redoStack.value.map(changed)
    last.value = changed(last.value)
  }
  function step(move: () => void): void {
    forgetEdit()
    move()
  }
  return {
    canUndo,
    canRedo,
    reset,
    remember,
    grab,
    letGo,
    giveUp,
    rewrite,
    undo: () => step(undo),
    redo: () => step(redo),
  }
}
