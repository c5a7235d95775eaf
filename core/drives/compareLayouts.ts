import type { Catalogue } from '../catalogue/catalogue'
import type { Choices } from '../plan/choices'
import type { Drives } from '../plan/drives'
import { longestRebuildHours, poolLossChance } from './layoutRisk'
import type { Layout } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { poolOf, roomTB } from './poolOf'

/** One layout tried on the plan's drives. */
export interface LayoutComparison {
  readonly layout: Layout
  /** why these drives do not make it; null when they do */
  readonly refused: string | null
  readonly usableTB: number | null
  readonly roomTB: number | null
  readonly survives: number | null
  readonly rebuildHours: number | null
  /** over the horizon, through dying drives alone */
  readonly lossChanceAtHorizon: number | null
}

/** Every layout on the same drives. */
export function compareLayouts(drives: Drives, choices: Choices, catalogue: Catalogue, contentTB: number): LayoutComparison[] {
  return layouts.map((layout) => {
    const pool = poolOf(drives, choices, catalogue, contentTB, layout.id)
    if ('refused' in pool) return { layout, refused: pool.refused, usableTB: null, roomTB: null, survives: null, rebuildHours: null, lossChanceAtHorizon: null }
    const { arrangement, conditions } = pool
    return {
      layout,
      refused: null,
      usableTB: arrangement.usableTB,
      roomTB: roomTB(arrangement.usableTB, drives),
      survives: layout.survives(arrangement.members),
      rebuildHours: longestRebuildHours(layout, arrangement, conditions),
      lossChanceAtHorizon: poolLossChance(arrangement, conditions, choices.horizonYears, choices.readErrorEndsRebuild),
    }
  })
}
