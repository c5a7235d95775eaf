import type { Choices } from '../plan/choices'
import { ownEntry } from '../plan/constants'
import type { Drives } from '../plan/drives'
import { wholeCents } from '../units/wholeCents'
import { arrangeDrives } from './arrangeDrives'
import type { DriveCatalogue } from './driveTraits'
import { driveOffers } from './growth/driveOffers'
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
 * The same need under every layout: of all sizes that can be bought and numbers of drives the
 * cheapest that has the room, hot spares with it; of equal prices the fewer drives.
 */
export function needByLayout(question: NeedQuestion): NeedOfLayout[] {
  return layouts.map(layout => ({ layout, drives: cheapestFor(layout, question) }))
}

function cheapestFor(
  layout: Layout,
  { drives, choices, catalogue, contentTB, maxDrives }: NeedQuestion,
): NeedOfLayout['drives'] {
  const offers = driveOffers(drives, catalogue)
  let best: { readonly count: number; readonly sizeTB: number; readonly price: number } | null =
    null
  for (const { sizeTB, price: each } of offers) {
    for (let count = 1; count <= maxDrives; count++) {
      const price = wholeCents(count * each)
      if (best && (price > best.price || (price === best.price && count >= best.count))) break
      const arrangement = arrangeDrives(
        layout,
        Array.from({ length: count }, () => ({ sizeTB, role: 'any' as const })),
        drives.hotSpares,
      )
      if (isRefusal(arrangement) || roomTB(arrangement.usableTB, drives) < contentTB) continue
      best = { count, sizeTB, price }
      break
    }
  }
  if (!best) return null
  const pool = poolOf({
    drives: {
      ...drives,
      lots: [{ count: best.count, sizeTB: best.sizeTB, role: 'any', model: ownEntry, group: 1 }],
    },
    choices,
    catalogue,
    contentTB,
    layoutId: layout.id,
  }) as Pool
  return {
    ...best,
    roomTB: roomTB(pool.arrangement.usableTB, drives),
    lossChanceAtHorizon: poolLossChance(pool.arrangement.groups, {
      years: choices.horizonYears,
      readErrorEndsRebuild: choices.readErrorEndsRebuild,
    }),
  }
}
