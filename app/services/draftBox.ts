import {
  isKeeping,
  isWriting,
  mayHaveDrafts,
  noteDrafts,
  type Draft,
  type KeptDraft,
} from './draftState'

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
