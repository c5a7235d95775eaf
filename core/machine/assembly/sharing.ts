import type { Board } from '../../catalogue/hardware/hardwarePart'
import type { Item } from './items'

/** A rule of a board, or of a card that covers the slot beside its own. */
type SharingRule = Board['sharing'][number] & { readonly wide?: boolean }
/** The places of a board and what they cost each other. */
export interface Shared {
  readonly sharing: readonly SharingRule[]
}
type Held = ReadonlyMap<string, Pick<Item, 'wants' | 'openings'>>

/** What the taken places of a board cost elsewhere. */
export interface Sharing {
  /** places that are dead, with the place that makes them so */
  readonly off: ReadonlyMap<string, string>
  /** places with fewer lanes than they are wired with */
  readonly lanes: ReadonlyMap<string, { readonly lanes: number; readonly by: string }>
}

function applied(
  { sharing }: Shared,
  holding: Held,
  dead: ReadonlyMap<string, string>,
): { off: Map<string, string>; lanes: Map<string, { lanes: number; by: string }> } {
  const off = new Map<string, string>()
  const lanes = new Map<string, { lanes: number; by: string }>()
  for (const { when, by, wide, off: kills = [], narrows } of sharing) {
    const item = holding.get(when)
    if (!item || dead.has(when) || (by !== undefined && by !== item.wants)) continue
    if (wide && item.openings < 2) continue
    for (const id of kills) if (!off.has(id)) off.set(id, when)
    if (narrows && narrows.lanes < (lanes.get(narrows.place)?.lanes ?? Infinity))
      lanes.set(narrows.place, { lanes: narrows.lanes, by: when })
  }
  return { off, lanes }
}

/**
 * What taken places switch off and narrow, by the rules of the board. What sits in a dead place
 * takes nothing from others; so the
 * rules are gone through until nothing changes (boards have no rules in a circle, a test sees to
 * it).
 */
export function sharingOf(board: Shared, holding: Held): Sharing {
  let found = applied(board, holding, new Map())
  for (let round = 0; round < board.sharing.length; round++) {
    const next = applied(board, holding, found.off)
    const same =
      next.off.size === found.off.size &&
      [...next.off].every(([id, by]) => found.off.get(id) === by)
    found = next
    if (same) break
  }
  return found
}

/**
 * A board's places with what a card of two openings costs beside them: it covers the next slot of
 * the board's list, so nothing goes in there.
 */
export function withCovered<Whole extends Pick<Board, 'places' | 'sharing'>>(
  board: Whole,
): Whole & Shared {
  const slots = board.places.filter(({ kind }) => kind === 'slot')
  return {
    ...board,
    sharing: [
      ...board.sharing,
      ...slots.slice(1).map(({ id }, at) => ({ when: slots[at]!.id, wide: true, off: [id] })),
    ],
  }
}
