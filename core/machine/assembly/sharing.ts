import type { Board } from '../../catalogue/hardware/hardwarePart'
import type { Item } from './items'

/** What the taken places of a board cost elsewhere. */
export interface Sharing {
  /** places that are dead, with the place that makes them so */
  readonly off: ReadonlyMap<string, string>
  /** places with fewer lanes than they are wired with */
  readonly lanes: ReadonlyMap<string, { readonly lanes: number; readonly by: string }>
}

function applied(
  { sharing }: Pick<Board, 'sharing'>,
  holding: ReadonlyMap<string, Pick<Item, 'wants'>>,
  dead: ReadonlyMap<string, string>,
): { off: Map<string, string>; lanes: Map<string, { lanes: number; by: string }> } {
  const off = new Map<string, string>()
  const lanes = new Map<string, { lanes: number; by: string }>()
  for (const { when, by, off: kills = [], narrows } of sharing) {
    const item = holding.get(when)
    if (!item || dead.has(when) || (by !== undefined && by !== item.wants)) continue
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
export function sharingOf(
  board: Pick<Board, 'sharing'>,
  holding: ReadonlyMap<string, Pick<Item, 'wants'>>,
): Sharing {
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
