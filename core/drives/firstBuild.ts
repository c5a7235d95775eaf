import { groupRebuildHours, type PoolGroup } from './layoutRisk'
import type { Layout } from './layouts/layout'

/** The first time that parity is computed, and the two orders to fill a new pool in. */
export interface FirstBuild {
  readonly buildHours: number
  /** copying first, then computing the parity: nothing is protected until the end */
  readonly copyFirstHours: number
  /** computing the parity first, then copying slower, because each write also writes parity */
  readonly buildFirstHours: number
  readonly slowedTo: number
}

/** MB/s at which a new pool is filled over a cable of 1 Gb/s: its payload of 941.5 Mb/s. */
export const fillMBps = 941.5 / 8
/**
 * Of their rate, what writes keep while parity is kept: spread over all drives, and on drives of
 * its own.
 */
export const writesKept = { rotating: 0.7, dedicated: 0.4 } as const

/**
 * Hours of the first build of parity and of filling the pool in both orders; null for layouts
 * without parity that is kept while writing.
 * @param contentTB what is copied in
 * @example a parity drive of 14 TB at 160 MB/s: 24.3 h
 */
export function firstBuild(
  layout: Layout,
  { groups }: { readonly groups: readonly PoolGroup[] },
  { contentTB }: { readonly contentTB: number },
): FirstBuild | null {
  if (!layout.parity) return null
  const buildHours = Math.max(
    ...groups.map(group =>
      groupRebuildHours({ ...group, conditions: { ...group.conditions, usedShare: 1 } }),
    ),
  )
  const copyHours = (contentTB * 1e6) / fillMBps / 3600
  const slowedTo =
    layout.loss === 'everything' ? writesKept.rotating : layout.runsOn ? writesKept.dedicated : 1
  return {
    buildHours,
    copyFirstHours: copyHours + buildHours,
    buildFirstHours: buildHours + copyHours / slowedTo,
    slowedTo,
  }
}
