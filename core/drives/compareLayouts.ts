import type { Choices } from '../plan/choices'
import type { Drives } from '../plan/drives'
import type { DriveCatalogue } from './driveTraits'
import { expectedLostShare } from './expectedLoss'
import { longestRebuildHours, poolLossChance } from './layoutRisk'
import type { Layout, LayoutRefusal } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { poolOf, roomTB, type PoolChoices } from './poolOf'

/** One layout tried on the plan's drives. */
export interface LayoutComparison {
  readonly layout: Layout
  /** why these drives do not make it; null when they do */
  readonly refusal: LayoutRefusal | null
  readonly usableTB: number | null
  readonly roomTB: number | null
  readonly survives: number | null
  readonly rebuildHours: number | null
  /** over the horizon, through failing drives alone */
  readonly lossChanceAtHorizon: number | null
  /** of what is kept, the share that is expected to be lost by then */
  readonly expectedLostShare: number | null
}

/**
 * Every layout on the same drives.
 * @param contentTB the library at the horizon, likely
 */
export function compareLayouts(
  { drives, choices }: { readonly drives: Drives; readonly choices: Choices & PoolChoices },
  catalogue: DriveCatalogue,
  contentTB: number,
): LayoutComparison[] {
  return layouts.map(layout => {
    const pool = poolOf({ drives, choices, catalogue, contentTB, layoutId: layout.id })
    if ('refused' in pool)
      return {
        layout,
        refusal: pool,
        usableTB: null,
        roomTB: null,
        survives: null,
        rebuildHours: null,
        lossChanceAtHorizon: null,
        expectedLostShare: null,
      }
    const { arrangement } = pool
    const question = {
      years: choices.horizonYears,
      readErrorEndsRebuild: choices.readErrorEndsRebuild,
    }
    return {
      layout,
      refusal: null,
      usableTB: arrangement.usableTB,
      roomTB: roomTB(arrangement.usableTB, drives),
      survives: arrangement.survives,
      rebuildHours: longestRebuildHours(arrangement),
      lossChanceAtHorizon: poolLossChance(arrangement.groups, question),
      expectedLostShare: expectedLostShare(pool, question),
    }
  })
}
