import TinyQueue from 'tinyqueue'
import { epsilon, growsByDrives, usableOf, type WayOutQuestion } from './wayOutQuestion'

/** Drives that are alike as far as joining goes: of one size, with data on them or not. */
interface Kind {
  readonly sizeTB: number
  /** no data lie on them, or they can be emptied before the pool as a whole is */
  readonly isFree: boolean
  readonly count: number
}

/** Which drives join the new pool together, by kind and number; none where the old pool is left. */
export type Joining = readonly number[]

export interface JoinOrder {
  readonly kinds: readonly Kind[]
  readonly joins: readonly Joining[]
  /** TB that find no space on the drives themselves at the worst moment */
  readonly lackingTB: number
}

/** More sets of drives than this are not looked at; then they join in the order of their sizes. */
const maxSets = 20_000

/** How many of each kind are in the new pool, and whether the old one is left. */
interface State {
  readonly inNew: readonly number[]
  readonly isLeft: boolean
  readonly lackingTB: number
  /** TB that leave the old pool for other places than the new one */
  readonly besideTB: number
  readonly steps: number
  readonly before: State | null
}

/**
 * The order in which drives join the new pool that asks for least space elsewhere. A drive joins
 * empty: what is kept lies in the new pool as it is, and on the drives that are still plain disks.
 * A pool that is read as a whole is left all at once. Found by search over the sets of drives in
 * the new pool.
 * @returns null where no order ends with a new pool that holds everything
 */
export function joinOrder(question: WayOutQuestion): JoinOrder | null {
  const { to, fillShare, emptiesOneByOne } = question
  const kinds = kindsOf(question)
  const contentTB = question.drives.reduce((sum, drive) => sum + drive.contentTB, 0)
  const few = kinds.reduce((product, { count }) => product * (count + 1), 1) <= maxSets
  const sizesIn = (inNew: readonly number[]) =>
    kinds.flatMap(({ sizeTB }, at) => Array<number>(inNew[at]!).fill(sizeTB))
  const usableIn = (inNew: readonly number[]) => usableOf(to, sizesIn(inNew))
  /** what does not fit into the new pool and onto plain disks, of those that are free or of all */
  const lacking = (inNew: readonly number[], taken: readonly number[], freeAlone: boolean) =>
    contentTB -
    fillShare *
      ((usableIn(inNew) ?? 0) +
        kinds.reduce(
          (sum, { sizeTB, isFree, count }, at) =>
            freeAlone && !isFree ? sum : sum + sizeTB * (count - taken[at]!),
          0,
        ))

  const { length } = question.drives
  const members = length - (length % to.takesAtATime)
  const begun = new Set<string>()
  const open = new TinyQueue<State>(
    [
      {
        inNew: kinds.map(() => 0),
        isLeft: emptiesOneByOne || kinds.every(({ isFree }) => isFree),
        lackingTB: 0,
        besideTB: 0,
        steps: 0,
        before: null,
      },
    ],
    (a, b) =>
      Math.abs(a.lackingTB - b.lackingTB) > epsilon
        ? a.lackingTB - b.lackingTB
        : a.besideTB - b.besideTB || a.steps - b.steps,
  )
  for (let state = open.pop(); state; state = open.pop()) {
    const { inNew, isLeft, lackingTB, besideTB, steps } = state
    const key = `${isLeft} ${inNew.join(' ')}`
    if (begun.has(key)) continue
    begun.add(key)
    const usable = usableIn(inNew)
    const isWhole = inNew.reduce((sum, count) => sum + count, 0) === members
    if (isLeft && isWhole && usable !== null && usable * fillShare >= contentTB - epsilon)
      return { kinds, joins: joinsTo(state), lackingTB }
    const put = (
      next: readonly number[],
      step: Pick<State, 'isLeft' | 'besideTB'> & { readonly lacks: number },
    ) =>
      open.push({
        inNew: next,
        isLeft: step.isLeft,
        lackingTB: Math.max(lackingTB, step.lacks),
        besideTB: besideTB + step.besideTB,
        steps: steps + 1,
        before: state,
      })
    const room = (usable ?? 0) * fillShare
    if (!isLeft)
      put(inNew, {
        isLeft: true,
        lacks: lacking(inNew, inNew, true),
        besideTB: Math.max(0, contentTB - room),
      })
    for (const join of possibleJoins(question, { kinds, inNew, isLeft, few })) {
      const next = inNew.map((count, at) => count + join[at]!)
      put(next, { isLeft, lacks: isLeft ? lacking(inNew, next, false) : 0, besideTB: 0 })
    }
  }
  return null
}

function kindsOf({ drives, emptiesOneByOne }: WayOutQuestion): Kind[] {
  const kinds = new Map<string, Kind>()
  for (const { sizeTB, isSpare } of drives) {
    const isFree = emptiesOneByOne || isSpare
    const key = `${sizeTB} ${isFree}`
    kinds.set(key, { sizeTB, isFree, count: 1 + (kinds.get(key)?.count ?? 0) })
  }
  return [...kinds.values()].sort((a, b) => a.sizeTB - b.sizeTB)
}

/** Sets of drives that can join the new pool as it is: as few as its layout takes at a time. */
function possibleJoins(
  { to, expandsParity, drives }: WayOutQuestion,
  {
    kinds,
    inNew,
    isLeft,
    few,
  }: {
    readonly kinds: readonly Kind[]
    readonly inNew: readonly number[]
    readonly isLeft: boolean
    readonly few: boolean
  },
): Joining[] {
  const has = inNew.reduce((sum, count) => sum + count, 0)
  const count =
    has > 0
      ? to.takesAtATime
      : growsByDrives(to, expandsParity)
        ? to.minimumDrives
        : drives.length - (drives.length % to.takesAtATime)
  const there = kinds.map(({ isFree, count: all }, at) => (isFree || isLeft ? all - inNew[at]! : 0))
  const usable = (added: Joining) =>
    usableOf(
      to,
      kinds.flatMap(({ sizeTB }, at) => Array<number>(inNew[at]! + added[at]!).fill(sizeTB)),
    )
  const before = has > 0 ? (usable(kinds.map(() => 0)) ?? 0) : 0
  const sets = few ? combinations(there, count) : endsOf(there, count)
  return sets.filter(added => {
    const after = usable(added)
    return after !== null && after >= before - epsilon
  })
}

/** Every way to take so many of what is there of each kind. */
function combinations(there: readonly number[], count: number): number[][] {
  if (there.length === 0) return count === 0 ? [[]] : []
  const [first = 0, ...rest] = there
  return Array.from({ length: Math.min(first, count) + 1 }, (_, taken) =>
    combinations(rest, count - taken).map(others => [taken, ...others]),
  ).flat()
}

/** The smallest that are there, and the largest. */
function endsOf(there: readonly number[], count: number): number[][] {
  const take = (order: readonly number[]) => {
    let left = count
    const taken = there.map(() => 0)
    for (const at of order) {
      taken[at] = Math.min(left, there[at]!)
      left -= taken[at]
    }
    return left === 0 ? [taken] : []
  }
  const order = there.map((_, at) => at)
  return [...take(order), ...take(order.toReversed())]
}

function joinsTo(state: State): Joining[] {
  const joins: Joining[] = []
  for (let at: State = state; at.before; at = at.before) {
    const { before } = at
    joins.push(
      at.isLeft === before.isLeft ? at.inNew.map((count, kind) => count - before.inNew[kind]!) : [],
    )
  }
  return joins.reverse()
}
