import { groupRebuildHours, type PoolGroup } from './layoutRisk'
import type { Layout } from './layouts/layout'

/** The first time that parity is computed. */
export interface FirstBuild {
  readonly buildHours: number
  /** of the pool's rate, what writes keep once it is kept: each writes parity too */
  readonly writesKept: number
}

/**
 * Of their rate, what writes keep while parity is kept: spread over all drives, and on drives of
 * its own.
 */
export const writesKept = { rotating: 0.7, dedicated: 0.4 } as const

/**
 * Hours of the first build of parity, and what writes keep after it; null for layouts without
 * parity.
 * @example a parity drive of 14 TB at 160 MB/s: 24.3 h
 */
export function firstBuild(
  layout: Layout,
  { groups }: { readonly groups: readonly PoolGroup[] },
): FirstBuild | null {
  if (!layout.parity) return null
  return {
    buildHours: Math.max(
      ...groups.map(group =>
        groupRebuildHours({ ...group, conditions: { ...group.conditions, usedShare: 1 } }),
      ),
    ),
    writesKept:
      layout.loss === 'everything' ? writesKept.rotating : layout.runsOn ? writesKept.dedicated : 1,
  }
}
