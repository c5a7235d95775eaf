import type { PlanEntry } from '~~/core/plan/storedPlan'

/** Names the place in the list behind a plan; a page after it holds what was saved before. */
export function cursorOf({ updatedAt, id }: Pick<PlanEntry, 'updatedAt' | 'id'>): string {
  return `${updatedAt}_${id}`
}

/** The place that a cursor names; null for what is none. */
export function readCursor(
  cursor: string,
): { readonly updatedAt: Date; readonly id: string } | null {
  const [, time = '', id = ''] = /^([\dT:.Z-]{20,30})_([\w-]{1,40})$/.exec(cursor) ?? []
  const updatedAt = new Date(time)
  return Number.isFinite(Number(updatedAt)) ? { updatedAt, id } : null
}
