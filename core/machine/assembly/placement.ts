import type { Board, BoardPlace, PlaceUser } from '../../catalogue/hardware/hardwarePart'
import type { Item } from './items'
import { sharingOf } from './sharing'

/** A place of the board with what it holds, and what other places leave of it. */
export interface PlaceState {
  readonly place: BoardPlace
  readonly holds: Item | null
  /** id of the place that switches it off by being taken; null while it is alive */
  readonly offBy: string | null
  /** lanes that are left, and the place that took the rest */
  readonly lanes: number
  readonly narrowedBy: string | null
}

/** Whether something goes into a place at all, whatever else is taken. */
export function takes(
  { kind, length, takesData, openEnded }: BoardPlace,
  item: Pick<Item, 'wants' | 'length'>,
): boolean {
  switch (item.wants) {
    case 'data':
      return kind === 'data'
    case 'nvme':
      return kind === 'm2' && takesData !== 'only'
    case 'sata':
      return kind === 'm2' && takesData !== undefined
    case 'slot':
      return kind === 'slot' && (length >= item.length || openEnded === true)
  }
}

type Holding = ReadonlyMap<string, Item>

/**
 * How much of what is still needed a place would take away: places that it switches off, and lanes
 * that it or others lose.
 */
function harm(
  board: Board,
  holding: Holding,
  { place: candidate, item }: { readonly place: BoardPlace; readonly item: Item },
): number {
  const before = sharingOf(board, holding)
  const after = sharingOf(board, new Map([...holding, [candidate.id, item]]))
  const lost = [...after.off.keys()].filter(id => !before.off.has(id))
  const narrowed = [...after.lanes].reduce(
    (sum, [id, { lanes }]) =>
      sum +
      Math.max(
        0,
        (before.lanes.get(id)?.lanes ?? board.places.find(place => place.id === id)!.lanes) - lanes,
      ),
    0,
  )
  const missing = Math.max(
    0,
    item.lanes - (after.lanes.get(candidate.id)?.lanes ?? candidate.lanes),
  )
  return (
    10 * lost.length +
    30 * lost.filter(id => holding.has(id)).length +
    narrowed / 4 +
    missing * (item.wants === 'slot' ? 2 : 1)
  )
}

/**
 * Puts cards, SSDs and disc drives into the places of a board: first where the plan says, then the
 * largest card first where it costs
 * least elsewhere; of equals into the shortest place that takes it, from the socket downwards. A
 * place that the plan names and that cannot take the piece, or is
 * taken, counts as not named.
 */
export function placeItems(
  board: Board | null,
  items: readonly Item[],
): {
  readonly places: PlaceState[]
  readonly unplaced: { readonly item: Item; readonly wants: PlaceUser }[]
} {
  if (!board) return { places: [], unplaced: [] }
  const places = placesWithCards(board, items)
  const whole = { ...board, places }
  const holding = new Map<string, Item>()
  const left: Item[] = []
  for (const item of items) {
    const named = places.find(({ id }) => id === item.at)
    if (named && !holding.has(named.id) && takes(named, item)) holding.set(named.id, item)
    else left.push(item)
  }
  const unplaced: { readonly item: Item; readonly wants: PlaceUser }[] = []
  // Cards by their length, then M.2 SSDs, and what hangs on ports last: it takes what is left
  // alive.
  const order: readonly PlaceUser[] = ['slot', 'nvme', 'sata', 'data']
  const inOrder = left
    .map((item, index) => ({ item, index }))
    .sort(
      (a, b) =>
        order.indexOf(a.item.wants) - order.indexOf(b.item.wants) ||
        b.item.length - a.item.length ||
        a.index - b.index,
    )
  for (const { item } of inOrder) {
    const { off } = sharingOf(whole, holding)
    // A place on a card is there once the card has its slot.
    const cards = [...holding.values()].filter(({ kind }) => kind === 'm2Card').length
    const open = places.filter(
      place =>
        !holding.has(place.id) &&
        !off.has(place.id) &&
        takes(place, item) &&
        !(place.id.startsWith('card-m2-') && Number(place.id.slice(8)) > cards),
    )
    const best = open
      .map(place => ({
        place,
        cost:
          item.wants === 'data' ? 0 : harm(whole, holding, { place, item }) + place.length / 100,
      }))
      .reduce<{ readonly place: BoardPlace; readonly cost: number } | null>(
        (least, next) => (least === null || next.cost < least.cost ? next : least),
        null,
      )
    if (best) holding.set(best.place.id, item)
    else unplaced.push({ item, wants: item.wants })
  }
  const found = unplaced.length > 0 ? arrangementOf(whole, items) : null
  const settled = found ?? holding
  const { off, lanes } = sharingOf(whole, settled)
  return {
    unplaced: found ? [] : unplaced,
    places: places.map(place => ({
      place,
      holds: settled.get(place.id) ?? null,
      offBy: off.get(place.id) ?? null,
      lanes: lanes.get(place.id)?.lanes ?? place.lanes,
      narrowedBy: lanes.get(place.id)?.by ?? null,
    })),
  }
}

/** Arrangements that are looked at before none is taken to exist. */
const maxArranged = 4000

/**
 * A way to give every piece a place that is alive, found by going through them where the quick way
 * left one over: what has fewest places to choose from first, and cards before what sits on them.
 * Names of places count as wishes. Null where there is none.
 */
function arrangementOf(board: Board, items: readonly Item[]): Map<string, Item> | null {
  const choices = items
    .map(item => {
      const open = board.places.filter(place => takes(place, item))
      // Its named place first.
      return {
        item,
        open: open.sort((a, b) => Number(b.id === item.at) - Number(a.id === item.at)),
      }
    })
    .sort(
      (a, b) =>
        Number(b.item.kind === 'm2Card') - Number(a.item.kind === 'm2Card') ||
        a.open.length - b.open.length,
    )
  const holding = new Map<string, Item>()
  let looked = 0
  const place = (at: number): boolean => {
    const choice = choices[at]
    if (!choice) return true
    const cards = [...holding.values()].filter(({ kind }) => kind === 'm2Card').length
    for (const { id } of choice.open) {
      if (looked++ > maxArranged) return false
      if (holding.has(id) || (id.startsWith('card-m2-') && Number(id.slice(8)) > cards)) continue
      holding.set(id, choice.item)
      const { off } = sharingOf(board, holding)
      if (![...holding.keys()].some(held => off.has(held)) && place(at + 1)) return true
      holding.delete(id)
    }
    return false
  }
  return place(0) ? holding : null
}

/** The places of a board, and an M.2 place for each card that takes an M.2 SSD. */
function placesWithCards(board: Board, items: readonly Item[]): BoardPlace[] {
  const cards = items.filter(({ kind }) => kind === 'm2Card').length
  return [
    ...board.places,
    ...Array.from({ length: cards }, (_, index): BoardPlace => ({
      id: `card-m2-${index + 1}`,
      label: `M.2 place on card ${index + 1}`,
      kind: 'm2',
      length: 4,
      lanes: 4,
      generation: 3,
      from: 'chipset',
    })),
  ]
}
