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
export function mayHaveDrafts(): boolean {
  try {
    return Object.keys(localStorage).some(key => key === flag || key.startsWith('numeron.draft.'))
  } catch {
    return true
  }
}
