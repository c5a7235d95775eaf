import { onBeforeUnmount, shallowRef } from 'vue'
import { planDifferences } from '~~/core/plan/differences'
import type { StoredPlan } from '~~/core/plan/storedPlan'
import { draftBox } from '~/services/draftBox'
import type { KeptDraft } from '~/services/draftState'
import { ApiProblem, planApi } from '~/services/planApi'

/**
 * How a draft stands to what the server has: it can be saved, somebody saved meanwhile, the plan is
 * gone, or nobody answers.
 */
export type DraftState = 'ready' | 'changed' | 'gone' | 'unreachable' | 'unreadable'

export interface DraftEntry {
  readonly kept: KeptDraft
  readonly name: string
  readonly state: DraftState
  /** fields that differ from what is saved; null where that is not known */
  readonly fields: number | null
}

const retryMs = 3000

async function entryOf(kept: KeptDraft): Promise<DraftEntry> {
  const { draft } = kept
  if (!draft) return { kept, name: '', state: 'unreadable', fields: null }
  let stored: StoredPlan
  try {
    stored = await planApi.get(kept.planId)
  } catch (error) {
    return {
      kept,
      name: draft.plan.name,
      state: error instanceof ApiProblem && error.status === 404 ? 'gone' : 'unreachable',
      fields: null,
    }
  }
  return {
    kept,
    name: draft.plan.name,
    state: stored.version === draft.version ? 'ready' : 'changed',
    fields: planDifferences(draft.plan, stored.plan).length,
  }
}

/**
 * What lies in this browser and is not on the server. Drafts of this tab, whose plan was left
 * before it could be saved, are
 * sent as soon as the server answers; those that closed tabs left wait for a person.
 * @param saved called when one of them has been saved
 */
export function useDrafts(saved: () => void) {
  const drafts = shallowRef<readonly DraftEntry[]>([])
  let timer: ReturnType<typeof setTimeout> | undefined
  let ended = false

  async function load(): Promise<void> {
    clearTimeout(timer)
    drafts.value = await Promise.all((await draftBox.list()).map(entryOf))
    const sent = await Promise.all(drafts.value.map(send))
    if (sent.includes(true)) {
      saved()
      drafts.value = await Promise.all((await draftBox.list()).map(entryOf))
    }
    // Looked at again by itself: the server may answer by then, and a tab may have been closed.
    if (!ended) timer = setTimeout(() => void load(), retryMs)
  }
  async function send({ kept, state }: DraftEntry): Promise<boolean> {
    if (!kept.isOwn || !kept.draft || state !== 'ready') return false
    try {
      await planApi.save(kept.planId, kept.draft.version, kept.draft.plan)
    } catch {
      return false
    }
    await draftBox.discard(kept.key)
    return true
  }
  async function saveAsNew({ kept }: DraftEntry): Promise<void> {
    if (!kept.draft) return
    await planApi.create(kept.draft.plan)
    await discard(kept.key)
    saved()
  }
  async function discard(key: string): Promise<void> {
    await draftBox.discard(key)
    await load()
  }
  onBeforeUnmount(() => {
    ended = true
    clearTimeout(timer)
  })
  return { drafts, load, saveAsNew, discard }
}
