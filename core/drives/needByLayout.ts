import { commonDriveSizesTB } from '../catalogue/driveSizes'
import type { Choices } from '../plan/choices'
import { ownEntry } from '../plan/constants'
import type { Drives } from '../plan/drives'
import { arrangeDrives } from './arrangeDrives'
import { driveClassOf, type DriveCatalogue } from './driveTraits'
import { poolLossChance } from './layoutRisk'
import { isRefusal, type Layout } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { poolOf, roomTB, type Pool, type PoolChoices } from './poolOf'

/** The cheapest new drives of one size with which a layout has room for a library. */
export interface NeedOfLayout {
  readonly layout: Layout
  /** null where no such drives are enough */
  readonly drives: {
    readonly count: number
    readonly sizeTB: number
    readonly price: number
    readonly roomTB: number
    readonly lossChanceAtHorizon: number
  } | null
}

export interface NeedQuestion {
  readonly drives: Drives
  readonly choices: Choices & PoolChoices
  readonly catalogue: DriveCatalogue
  /** the library that must fit, TB */
  readonly contentTB: number
  /** bays of the machine */
  readonly maxDrives: number
}

/**
 * The same need under every layout: of all common sizes and numbers of drives the cheapest that has
 * the room, hot spares with it.
 * Prices are the class's usual price of a terabyte; of equal prices the fewer drives.
 */
export function needByLayout(question: NeedQuestion): NeedOfLayout[] {
  return layouts.map(layout => ({ layout, drives: cheapestFor(layout, question) }))
}

function cheapestFor(
  layout: Layout,
  { drives, choices, catalogue, contentTB, maxDrives }: NeedQuestion,
): NeedOfLayout['drives'] {
  const pricePerTB = driveClassOf(drives, catalogue)?.pricePerTB ?? 0
  let best: { readonly count: number; readonly sizeTB: number } | null = null
  for (const sizeTB of commonDriveSizesTB) {
    for (let count = 1; count <= maxDrives; count++) {
      const isBetter =
        !best ||
        count * sizeTB < best.count * best.sizeTB ||
        (count * sizeTB === best.count * best.sizeTB && count < best.count)
      if (!isBetter) break
      const arrangement = arrangeDrives(
        layout,
        Array.from({ length: count }, () => ({ sizeTB, role: 'any' as const })),
        drives.hotSpares,
      )
      if (isRefusal(arrangement) || roomTB(arrangement.usableTB, drives) < contentTB) continue
      best = { count, sizeTB }
      break
    }
  }
  if (!best) return null
  const pool = poolOf({
    drives: { ...drives, lots: [{ ...best, role: 'any', model: ownEntry, group: 1 }] },
    choices,
    catalogue,
    contentTB,
    layoutId: layout.id,
  }) as Pool
  return {
    ...best,
    price: best.count * best.sizeTB * pricePerTB,
    roomTB: roomTB(pool.arrangement.usableTB, drives),
    lossChanceAtHorizon: poolLossChance(pool.arrangement.groups, {
      years: choices.horizonYears,
      readErrorEndsRebuild: choices.readErrorEndsRebuild,
    }),
  }
}
