import { ref } from 'vue'
import type { Plan } from '~~/core/plan/planSchema'

/** A plan changed here and not yet acknowledged by the server, with the version it was based on. */
export interface Draft {
  readonly version: number
  readonly plan: Plan
}

/** A draft as it lies in this browser. */
export interface KeptDraft {
  readonly key: string
  readonly planId: string
  /** it is this tab's; otherwise a closed tab left it */
  readonly isOwn: boolean
  /** when it was kept, ms since 1970 */
  readonly at: number
  /** null when it cannot be read; it is kept all the same */
  readonly draft: Draft | null
  /** what is kept, as it is */
  readonly raw: unknown
}

/** Whether the last draft could be kept: a full or forbidden storage keeps none. */
export const isKeeping = ref(true)
/** A draft is on its way into the storage: a tab that is closed now may not have kept it. */
export const isWriting = ref(false)

const flag = 'numeron.drafts'
/**
 * Notes that there may be drafts, or that there are none: a page without any need not fetch what
 * reads them.
 */
export function noteDrafts(some: boolean): void {
  try {
    if (some) localStorage.setItem(flag, 'some')
    else localStorage.removeItem(flag)
  } catch {
    /* they are looked for every time then */
  }
}
function mayHaveDrafts(): boolean {
  try {
    return Object.keys(localStorage).some(key => key === flag || key.startsWith('numeron.draft.'))
  } catch {
    return true
  }
}

/** The storage is reached by code that the first view does not wait for. */
const store = () => import('./draftStore').then(module => module.draftStore)

/**
 * Keeps what the server has not acknowledged in the browser's own storage, for each tab by itself,
 * so that neither a closed
 * tab nor a dead server nor another tab loses it. A draft goes only by the tab that wrote it, or by
 * a person's hand.
 */
export const draftBox = {
  isKeeping,
  isWriting,
  /** Opens what keeps drafts before the first is there, so that it is kept at once. */
  prepare(): void {
    void store()
      .then(drafts => drafts.prepare())
      .catch(() => undefined)
  },
  put(planId: string, draft: Draft): void {
    noteDrafts(true)
    isWriting.value = true
    void store()
      .then(drafts => drafts.put(planId, draft))
      .catch(() => {
        isKeeping.value = false
        isWriting.value = false
      })
  },
  /**
   * The newest draft of a plan that is this tab's or was left by a closed one; this tab has it from
   * then on.
   */
  take: async (planId: string): Promise<Draft | null> =>
    mayHaveDrafts()
      ? store().then(
          drafts => drafts.take(planId),
          () => null,
        )
      : null,
  /** Ends this tab's draft of a plan. */
  drop(planId: string): void {
    if (mayHaveDrafts())
      void store()
        .then(drafts => drafts.drop(planId))
        .catch(() => undefined)
  },
  /** All drafts that lie here and that no other open tab is working on, newest first. */
  list: (): Promise<KeptDraft[]> =>
    store().then(
      drafts => drafts.list(),
      () => [],
    ),
  /** Ends one draft, because a person says so. */
  discard: (key: string): Promise<void> => store().then(drafts => drafts.discard(key)),
}
