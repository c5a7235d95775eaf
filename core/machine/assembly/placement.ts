import type { Board, BoardPlace, PlaceUser } from '../../catalogue/hardware/hardwarePart'
import type { Item } from './items'
import { sharingOf, withCovered, type Shared } from './sharing'

/** A place of the board with what it holds, and what other places leave of it. */
export interface PlaceState {
  readonly place: BoardPlace
  readonly holds: Item | null
  /** id of the place that switches it off by being taken; null while it is alive */
  readonly offBy: string | null
  /** it is not switched off: a wide card in that place lies over it */
  readonly covered: boolean
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
type WholeBoard = Pick<Board, 'places'> & Shared

/**
 * How much of what is still needed a place would take away: places that it switches off, and lanes
 * that it or others lose.
 */
function harm(
  board: WholeBoard,
  holding: Holding,
  { place: candidate, item }: { readonly place: BoardPlace; readonly item: Item },
): number {
  const before = sharingOf(board, holding)
  const after = sharingOf(board, new Map([...holding, [candidate.id, item]]))
  const lost = [...after.off.keys()].filter(id => !before.off.has(id))
  // A slot that lies under a wide card and holds nothing is seldom missed.
  const under = board.sharing.find(({ when, wide }) => wide && when === candidate.id)?.off?.[0]
  const killed = lost.filter(id => id !== under || holding.has(id))
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
    10 * killed.length +
    (lost.length - killed.length) +
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
  const whole: WholeBoard = withCovered({ ...board, places })
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
        !(place.id.startsWith(onCard) && Number(place.id.slice(onCard.length)) > cards),
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
  const states = places.map((place): PlaceState => ({
    place,
    holds: settled.get(place.id) ?? null,
    offBy: off.get(place.id) ?? null,
    covered: off.has(place.id) && !board.sharing.some(rule => rule.off?.includes(place.id)),
    lanes: lanes.get(place.id)?.lanes ?? place.lanes,
    narrowedBy: lanes.get(place.id)?.by ?? null,
  }))
  return { unplaced: found ? [] : unplaced, places: behindCards(states) }
}

/** A place on a card has the lanes and the generation of the slot that the card sits in. */
function behindCards(states: readonly PlaceState[]): PlaceState[] {
  const under = states.filter(({ holds }) => holds?.kind === 'm2Card')
  return states.map(state => {
    const slot = state.place.id.startsWith(onCard)
      ? under[Number(state.place.id.slice(onCard.length)) - 1]
      : undefined
    if (!slot) return state
    const { generation } = slot.place
    return {
      ...state,
      place: { ...state.place, generation },
      lanes: Math.min(state.place.lanes, slot.lanes),
      narrowedBy: slot.narrowedBy,
    }
  })
}

/** Arrangements that are looked at before none is taken to exist. */
const maxArranged = 4000

/**
 * A way to give every piece a place that is alive, found by going through them where the quick way
 * left one over: what has fewest places to choose from first, and cards before what sits on them.
 * Names of places count as wishes. Null where there is none.
 */
function arrangementOf(board: WholeBoard, items: readonly Item[]): Map<string, Item> | null {
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
      if (holding.has(id) || (id.startsWith(onCard) && Number(id.slice(onCard.length)) > cards))
        continue
      holding.set(id, choice.item)
      const { off } = sharingOf(board, holding)
      if (![...holding.keys()].some(held => off.has(held)) && place(at + 1)) return true
      holding.delete(id)
    }
    return false
  }
  return place(0) ? holding : null
}

/** Ids of places that cards bring begin so; their number follows. */
export const onCard = 'card-m2-'

/** The places of a board, and an M.2 place for each card that takes an M.2 SSD. */
function placesWithCards(board: Board, items: readonly Item[]): BoardPlace[] {
  const cards = items.filter(({ kind }) => kind === 'm2Card').length
  return [
    ...board.places,
    ...Array.from({ length: cards }, (_, index): BoardPlace => ({
      id: `${onCard}${index + 1}`,
      label: `M.2 place on card ${index + 1}`,
      kind: 'm2',
      length: 4,
      lanes: 4,
      generation: 3,
      from: 'chipset',
    })),
  ]
}
