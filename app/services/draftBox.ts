import type { Plan } from '~~/core/plan/planSchema'

/** A plan changed here and not yet acknowledged by the server, with the version it was based on. */
export interface Draft { readonly version: number, readonly plan: Plan }

const key = (id: string) => `numeron.draft.${id}`

/**
 * Keeps what the server has not acknowledged in the browser's own storage, so that neither a closed tab nor a dead
 * server loses it. A full or forbidden storage is no reason to stop the work: the server is still asked to save.
 */
export const draftBox = {
  put(id: string, draft: Draft): void {
    try {
      localStorage.setItem(key(id), JSON.stringify(draft))
    }
    catch { /* the autosave goes on without it */ }
  },
  async take(id: string): Promise<Draft | null> {
    try {
      const text = localStorage.getItem(key(id))
      if (text === null) return null
      // The schema that checks it is fetched only where there is something to check.
      const { readPlan } = await import('~~/core/plan/readPlan')
      const { version, plan } = JSON.parse(text)
      const read = readPlan(plan)
      return read.ok && Number.isInteger(version) ? { version, plan: read.plan } : null
    }
    catch {
      return null
    }
  },
  drop(id: string): void {
    try {
      localStorage.removeItem(key(id))
    }
    catch { /* nothing is kept then */ }
  },
}
