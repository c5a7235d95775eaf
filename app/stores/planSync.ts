import { ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import { joinTickedPlan } from '~~/core/commissioning/carried/joinTickedPlan'
import type { Plan } from '~~/core/plan/planSchema'
import type { StoredPlan } from '~~/core/plan/storedPlan'
import { sameValue } from '~~/core/sameValue'
import { draftBox } from '~/services/draftBox'
import { ApiProblem, planApi } from '~/services/planApi'
import { afterEvent, type SaveEvent, type SaveState } from './saveStates'

const saveDelayMs = 350
const retryDelayMs = 3000

/**
 * Keeps the open plan on the server: saving by itself with a version check, retries, and conflicts
 * that a person settles.
 */
export function usePlanSync({
  id,
  plan,
  joined,
}: {
  readonly id: Ref<string | null>
  readonly plan: ShallowRef<Plan | null>
  /** what came from elsewhere was joined; earlier states of the plan get it the same way */
  readonly joined: (join: (plan: Plan) => Plan) => void
}) {
  const version = ref(0)
  const saveState = ref<SaveState>('saved')
  const saveMessage = ref('')
  const conflict = shallowRef<StoredPlan | null>(null)
  /** the plan was deleted elsewhere while it is open here */
  const gone = ref(false)
  /**
   * the server wants a passphrase again: saving goes on as soon as somebody has signed in, in any
   * tab
   */
  const signedOut = ref(false)
  let acknowledged: Plan | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let saving: Promise<void> | null = null

  function happen(event: SaveEvent): void {
    saveState.value = afterEvent(saveState.value, event)
  }
  function keepDraft(): void {
    if (id.value && plan.value) draftBox.put(id.value, { version: version.value, plan: plan.value })
  }
  function inTime(delayMs: number): void {
    clearTimeout(timer)
    timer = setTimeout(() => void save(), delayMs)
  }
  /** The stored plan is the one that is open. */
  function adopt(stored: StoredPlan): void {
    clearTimeout(timer)
    id.value = stored.id
    version.value = stored.version
    plan.value = stored.plan
    acknowledged = stored.plan
    saveMessage.value = ''
    conflict.value = null
    gone.value = false
    happen('opened')
  }
  /**
   * The open plan was changed here: it lies in this browser at once, and goes to the server when
   * the typing rests.
   */
  function changed(delayMs = saveDelayMs): void {
    keepDraft()
    if (saveState.value === 'conflict') return
    happen('edited')
    inTime(delayMs)
  }
  function meet(stored: StoredPlan): void {
    conflict.value = stored
    happen('conflicted')
  }
  async function save(): Promise<void> {
    if (saving) {
      await saving
      if (
        plan.value &&
        acknowledged &&
        !sameValue(plan.value, acknowledged) &&
        saveState.value === 'unsaved'
      )
        await save()
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
    if (acknowledged && sameValue(sent, acknowledged)) {
      happen('acknowledged')
      draftBox.drop(planId)
      return
    }
    happen('sent')
    try {
      acknowledge(planId, await planApi.save(planId, version.value, sent), sent)
    } catch (error) {
      if (id.value !== planId) return
      if (error instanceof ApiProblem) refuse(planId, error, sent)
      else throw error
    }
  }
  function acknowledge(planId: string, stored: StoredPlan, sent: Plan): void {
    if (id.value !== planId) return
    version.value = stored.version
    acknowledged = sent
    signedOut.value = false
    if (plan.value && sameValue(plan.value, sent)) {
      saveMessage.value = ''
      happen('acknowledged')
      draftBox.drop(planId)
    } else {
      happen('overtaken')
      keepDraft()
      inTime(saveDelayMs)
    }
  }
  /**
   * Ticks that came by the run-book link meanwhile join what is edited here. False where more than
   * that was changed: a person decides.
   */
  function takeTicks(theirs: StoredPlan): boolean {
    const base = acknowledged
    if (!base || !plan.value) return false
    const join = (mine: Plan) => joinTickedPlan({ base, mine, theirs: theirs.plan })
    const both = join(plan.value)
    if (!both) return false
    joined(earlier => join(earlier) ?? earlier)
    version.value = theirs.version
    acknowledged = theirs.plan
    plan.value = both
    happen('overtaken')
    keepDraft()
    inTime(0)
    return true
  }
  function refuse(planId: string, problem: ApiProblem, sent: Plan): void {
    if (problem.status === 409 && problem.current) {
      // The same content under a newer version: this very save got through, only its answer was
      // lost.
      if (sameValue(problem.current.plan, sent)) acknowledge(planId, problem.current, sent)
      else if (!takeTicks(problem.current)) meet(problem.current)
      return
    }
    saveMessage.value = problem.errors[0]?.message ?? problem.message
    gone.value = problem.status === 404
    signedOut.value = problem.status === 401
    if (problem.status === 0 || problem.status === 401 || problem.status >= 500) {
      if (saveState.value === 'unsaved') happen('sent')
      happen('unreachable')
      inTime(retryDelayMs)
    } else {
      happen('refused')
    }
  }
  /** Saves what is pending now; used before leaving a plan. */
  async function flush(): Promise<void> {
    clearTimeout(timer)
    if (saveState.value === 'unsaved') await save()
  }
  /** The conflict is decided for the plan that is open here: it goes over the stored one. */
  async function overwrite(theirs: StoredPlan): Promise<void> {
    version.value = theirs.version
    conflict.value = null
    happen('settled')
    await save()
  }
  function close(): void {
    clearTimeout(timer)
    id.value = null
    plan.value = null
    acknowledged = null
    conflict.value = null
    gone.value = false
    happen('opened')
  }
  return {
    version,
    saveState,
    saveMessage,
    conflict,
    gone,
    signedOut,
    adopt,
    changed,
    meet,
    save,
    flush,
    overwrite,
    close,
  }
}
