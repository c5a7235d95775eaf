import type { Setup } from './setup'
import { setupConditions } from './setupConditions'
import { setupCounts } from './setupCounts'
import type { SetupSlice } from './setupSlice'

/** What of a plan and its facts a run-book is made from. */
export function setupOf(slice: SetupSlice): Setup {
  const counts = setupCounts(slice)
  return { is: setupConditions(slice, counts), counts }
}
