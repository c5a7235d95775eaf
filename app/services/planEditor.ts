import type { editPlan } from '~~/core/plan/editPlan'
import { afterPaint } from './afterPaint'

let ready: typeof editPlan | null = null
let coming: Promise<typeof editPlan> | null = null

/**
 * What sets fields and checks them. It brings the plan's schema with it, and so is fetched only
 * after the first view stands.
 */
export const planEditor = {
  get now() {
    return ready
  },
  /** @throws when the server does not hand it out; the next call tries again */
  load(): Promise<typeof editPlan> {
    coming ??= import('~~/core/plan/editPlan').then(
      ({ editPlan }) => (ready = editPlan),
      (error: unknown) => {
        coming = null
        throw error
      },
    )
    return coming
  },
  /** Fetches it once the first view has been painted. */
  loadInTime(): void {
    void afterPaint()
      .then(() => planEditor.load())
      .catch(() => {
        /* asked for again by the first edit */
      })
  },
}
