import type { PlanEntry } from '~~/core/plan/storedPlan'

/** How plans may be sorted. */
export const planOrders = [
  { value: 'saved', title: 'Last saved first' },
  { value: 'name', title: 'By name' },
  { value: 'oldest', title: 'Oldest first' },
] as const
export type PlanOrder = (typeof planOrders)[number]['value']

const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
const collator = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' })
const compare: Readonly<Record<PlanOrder, (a: PlanEntry, b: PlanEntry) => number>> = {
  saved: (a, b) => b.updatedAt.localeCompare(a.updatedAt),
  name: (a, b) => collator.compare(a.name, b.name),
  oldest: (a, b) => a.createdAt.localeCompare(b.createdAt),
}

/**
 * The plans whose names hold every word that is searched for, in an order; those put away, or the
 * others.
 */
export function selectPlans(
  entries: readonly PlanEntry[],
  {
    search,
    order,
    archived,
  }: { readonly search: string; readonly order: PlanOrder; readonly archived: boolean },
): PlanEntry[] {
  const words = plain(search).split(/\s+/).filter(Boolean)
  return entries
    .filter(
      entry => entry.archived === archived && words.every(word => plain(entry.name).includes(word)),
    )
    .sort((a, b) => compare[order](a, b) || a.id.localeCompare(b.id))
}
