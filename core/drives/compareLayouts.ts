import type { Choices } from '../plan/choices'
import type { Drives } from '../plan/drives'
import { asLots } from './bayOrder'
import type { DriveCatalogue } from './driveTraits'
import { expectedLostShare } from './expectedLoss'
import { groupsBySize } from './groupsBySize'
import { longestRebuildHours, poolLossChance } from './layoutRisk'
import type { Layout, LayoutRefusal } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { poolOf, roomTB, traitsOf, type PoolChoices } from './poolOf'
import { usablePrice, type PlacedCatalogue } from './usablePrice'

/** One layout tried on the plan's drives. */
export interface LayoutComparison {
  readonly layout: Layout
  /** why these drives do not make it; null when they do */
  readonly refusal: LayoutRefusal | null
  readonly usableTB: number | null
  readonly roomTB: number | null
  readonly survives: number | null
  readonly rebuildHours: number | null
  /** with the bay and the port of each drive, in the plan's currency */
  readonly pricePerUsableTB: number | null
  /** over the horizon, through failing drives alone */
  readonly lossChanceAtHorizon: number | null
  /** of what is kept, the share that is expected to be lost by then */
  readonly expectedLostShare: number | null
  /** null where groups by size make no more of the drives */
  readonly inGroups: InGroups | null
}

/** The same layout with the drives in groups by their size, where that makes more usable. */
export interface InGroups {
  readonly lots: Drives['lots']
  readonly groups: number
  readonly usableTB: number
  readonly roomTB: number
  readonly lossChanceAtHorizon: number
}

interface ComparedDrives {
  readonly drives: Drives
  readonly choices: Choices & PoolChoices
}

/** Of a layout that counts only the smallest drive, what groups by size make of the drives. */
function inGroups(
  layout: Layout,
  { drives, choices }: ComparedDrives,
  { catalogue, contentTB }: { readonly catalogue: DriveCatalogue; readonly contentTB: number },
): InGroups | null {
  const lots = groupsBySize(drives.lots, layout.minimumDrives)
  if (!lots) return null
  const grouped = { ...drives, lots: asLots(lots) }
  const pool = poolOf({ drives: grouped, choices, catalogue, contentTB, layoutId: layout.id })
  if ('refused' in pool) return null
  const { usableTB, groups } = pool.arrangement
  return {
    lots: grouped.lots,
    groups: new Set(lots.map(({ group }) => group)).size,
    usableTB,
    roomTB: roomTB(usableTB, drives),
    lossChanceAtHorizon: poolLossChance(groups, {
      years: choices.horizonYears,
      readErrorEndsRebuild: choices.readErrorEndsRebuild,
    }),
  }
}

/**
 * Every layout on the same drives.
 * @param contentTB the library at the horizon, likely
 */
export function compareLayouts(
  { drives, choices }: ComparedDrives,
  catalogue: PlacedCatalogue,
  contentTB: number,
): LayoutComparison[] {
  const inOwnCase = traitsOf(drives, catalogue).filter(traits => traits.inOwnCase).length
  return layouts.map(layout => {
    const grouped = inGroups(layout, { drives, choices }, { catalogue, contentTB })
    const pool = poolOf({ drives, choices, catalogue, contentTB, layoutId: layout.id })
    if ('refused' in pool)
      return {
        layout,
        refusal: pool,
        usableTB: null,
        roomTB: null,
        survives: null,
        rebuildHours: null,
        pricePerUsableTB: null,
        lossChanceAtHorizon: null,
        expectedLostShare: null,
        inGroups: grouped,
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
      pricePerUsableTB:
        usablePrice(drives, { usableTB: arrangement.usableTB, inOwnCase }, catalogue)?.perTB ??
        null,
      rebuildHours: longestRebuildHours(arrangement),
      lossChanceAtHorizon: poolLossChance(arrangement.groups, question),
      expectedLostShare: expectedLostShare(pool, question),
      inGroups: grouped && grouped.usableTB > arrangement.usableTB + 1e-9 ? grouped : null,
    }
  })
}
