import { layouts } from '../layouts/layouts'
import type { Pool } from '../poolOf'
import { externalMBps } from '../backup/backupPlan'
import { wayOut } from './wayOut'
import type { OldDrive, WayOut, WayOutQuestion } from './wayOutQuestion'

/** While moving, drives are filled to this share. */
export const movingFill = 0.95

/**
 * A plan's pool as it is left: what of the library lies on each drive, and which hold redundancy
 * alone.
 * @param heldTB what of the library is on the pool
 */
export function wayOutQuestion(
  pool: Pool,
  {
    heldTB,
    toId,
    expandsParity,
  }: { readonly heldTB: number; readonly toId: string; readonly expandsParity: boolean },
): WayOutQuestion | null {
  const { layout, arrangement, conditions } = pool
  const to = layouts.find(candidate => candidate.id === toId)
  if (!to) return null
  const { parts, memberPlaces, sparePlaces, sparesTB, usableTB } = arrangement
  const filled = usableTB > 0 ? Math.min(1, heldTB / usableTB) : 0
  // Two copies of every file: each drive holds its share, of which every file lies on another one
  // too.
  const members = parts.map(({ dataTB, copyTB, parityTB, unusedTB }, member): OldDrive => ({
    place: memberPlaces[member]!,
    sizeTB: dataTB + copyTB + parityTB + unusedTB,
    contentTB: dataTB * filled,
    isSpare: dataTB === 0,
  }))
  const spares = sparePlaces.map((place, at): OldDrive => ({
    place,
    sizeTB: sparesTB[at]!,
    contentTB: 0,
    isSpare: true,
  }))
  return {
    from: layout,
    to,
    drives: [...members, ...spares],
    emptiesOneByOne: layout.emptiesOneByOne,
    hadRedundancy:
      arrangement.survives > 0 && (layout.leavesCopies || members.some(({ isSpare }) => isSpare)),
    expandsParity,
    fillShare: movingFill,
    rateMBps: conditions.rebuildMBps,
  }
}

/** Of a layout, the way from the plan's pool to it. */
export interface WayTo {
  readonly toId: string
  readonly way: WayOut | null
}

/** The ways from a pool to every other layout, those with the fewest borrowed drives first. */
export function waysOut(
  pool: Pool,
  { heldTB, expandsParity }: { readonly heldTB: number; readonly expandsParity: boolean },
): WayTo[] {
  return layouts
    .filter(({ id }) => id !== pool.layout.id)
    .map(({ id }): WayTo => {
      const question = wayOutQuestion(pool, { heldTB, toId: id, expandsParity })
      return { toId: id, way: question && wayOut(question) }
    })
    .sort(
      (a, b) =>
        (a.way?.borrowed ?? Infinity) - (b.way?.borrowed ?? Infinity) ||
        (a.way?.hours ?? 0) - (b.way?.hours ?? 0),
    )
}

/**
 * TB of a temporary copy of everything, its price as external drives, and hours to make it and to
 * read it back.
 */
export function temporaryCopy(
  heldTB: number,
  pricePerTB: number,
): { readonly sizeTB: number; readonly price: number; readonly hours: number } {
  const sizeTB = heldTB / movingFill
  return { sizeTB, price: sizeTB * pricePerTB, hours: (2 * heldTB * 1e6) / externalMBps / 3600 }
}
