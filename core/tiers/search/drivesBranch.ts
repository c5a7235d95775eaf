import type { BoxRow, PoolRow } from '../buildRows'
import type { Group, Option } from './frame'
import { lazily } from '../../lazily'
import { onceByKey, type OnceByKey } from '../../onceByKey'
import type { CostsWith } from './bounds'
import type { Branch } from './branchAndBound'
import type { DriveLines } from './driveLines'
import type { NeedId } from '../../headrooms'
import type { PoolOffer } from './poolOffers'
import type { SearchConditions } from '../conditions/searchConditions'
import type { Pruning } from './pruning'
import { takesLayout } from './systemGroup'
import type { State } from './searchState'

export interface DrivesBranchParts {
  readonly pruning: Pruning
  readonly conditions: SearchConditions
  readonly needs: (id: NeedId) => boolean
  /** conversions at once, at least */
  readonly possibleAtLeast: number
  /** cheapest first */
  readonly offersOf: (state: State) => readonly PoolOffer[]
  readonly lines: DriveLines
  readonly poolCost: (offer: PoolOffer) => number
  readonly costsWith: (state: State) => CostsWith
  readonly isOverCap: (state: State) => boolean
  readonly isTooWarm: (state: State) => boolean
  readonly lacksDrives: (row: PoolRow) => boolean
}

const hasCards = ({ machine: { build } }: BoxRow) =>
  build.parts.some(({ kind }) => kind === 'card' || kind === 'controller' || kind === 'networkCard')
const isCopyOnWrite = ({ choice }: PoolOffer) => choice.fileSystem === 'copyOnWrite'

/** Bays that a frame can have at most. */
function maxBays(
  { bays, groups }: NonNullable<State['frame']>,
  takes: (option: Option) => boolean,
): number {
  const most = (id: Group['id']) =>
    groups
      .filter(group => group.id === id)
      .flatMap(({ options }) => options)
      .filter(takes)
      .reduce((max, { bays: more = 0 }) => Math.max(max, more), 0)
  return bays + most('case') + most('enclosure')
}

/**
 * Drives that go into a frame under a kind of system, as far as bays and layouts say so; in the
 * order of the offers, gone through once for each.
 */
export function offersByFrame(
  offers: readonly PoolOffer[],
  takesOption: SearchConditions['takesOption'],
): (state: State) => readonly PoolOffer[] {
  const known = new Map<State['frame'], OnceByKey<readonly PoolOffer[]>>()
  return ({ frame, chosen }) => {
    const system = chosen.system ?? frame!.system
    const bySystem = known.get(frame) ?? onceByKey()
    known.set(frame, bySystem)
    return bySystem.get(system?.id ?? '', () => {
      // Whether drives stand alone is all that conditions look at when bays are counted.
      const most = onceByKey<number>()
      const mostFor = (offer: PoolOffer) =>
        most.get(String(offer.standsAlone), () =>
          maxBays(frame!, option => takesOption(option, offer)),
        )
      return offers.filter(offer => offer.turning <= mostFor(offer) && takesLayout(system, offer))
    })
  }
}

/** Whether any drives are in reach of a limit: the cheapest come first. */
function reachesAny(
  state: State,
  upTo: number,
  { offersOf, poolCost, costsWith }: DrivesBranchParts,
): boolean {
  const cheapest = offersOf(state)[0]
  return cheapest !== undefined && costsWith(state).bare + poolCost(cheapest) <= upTo
}

/** Drives that are in reach of a limit with the bound of each, lowest first. */
function withinReach(
  state: State,
  upTo: number,
  { offersOf, poolCost, costsWith }: DrivesBranchParts,
): { readonly pool: PoolOffer; readonly bound: number }[] {
  const costs = costsWith(state)
  const found: { pool: PoolOffer; bound: number }[] = []
  for (const pool of offersOf(state)) {
    if (costs.bare + poolCost(pool) > upTo) break
    const bound = costs.with(pool)
    if (bound <= upTo) found.push({ pool, bound })
  }
  return found.sort((a, b) => a.bound - b.bound)
}

/** The state with its drives chosen. */
const withDrives = (state: State, pool: PoolOffer): State => ({
  ...state,
  step: state.step + 1,
  pool,
  chosen: { ...state.chosen, count: pool.count - pool.nvme, turning: pool.turning },
})

/** Whether drives are too warm in a machine; the coolest are asked first. */
function heatOf(
  state: State,
  offers: readonly PoolOffer[],
  { coreRow, isTooWarm, poolRowOf }: Pruning,
): (offer: PoolOffer) => boolean {
  const isWarm = (offer: PoolOffer): boolean =>
    isTooWarm(state, offer, () => [coreRow(state, isCopyOnWrite(offer)), poolRowOf(offer)])
  if (offers.length > 0)
    isWarm(offers.reduce((coolest, next) => (next.idleW < coolest.idleW ? next : coolest)))
  return isWarm
}

/** The drives that go with a machine so far, and with what it must do. */
export function* drivesBranches(
  state: State,
  upTo: number,
  parts: DrivesBranchParts,
): Generator<Branch<State>> {
  const { pruning, conditions, needs, possibleAtLeast, lacksDrives, isOverCap, lines } = parts
  const { coreRow, poolRowOf, isInfeasible, isTooLoud, convertsTooLittle } = pruning
  const frame = state.frame!
  if (!reachesAny(state, upTo, parts)) return
  const stays = frame.replaces && !frame.groups.some(({ id }) => id === 'supply')
  const looksAtHeat = stays && needs('fit')
  // By whether the drives' file system takes memory from what converts.
  const cores = [false, true].map(copyOnWrite =>
    lazily((): BoxRow | null => {
      if (needs('streams') && convertsTooLittle(state, copyOnWrite)) return null
      const row = coreRow(state, copyOnWrite)
      const isEnough = row.possible >= possibleAtLeast
      return isEnough && (!needs('streams') || conditions.takesCore(row, frame)) ? row : null
    }),
  )
  // No file system leaves a machine more memory to convert with than a journalled one.
  if (!cores[0]!()) return
  const within = withinReach(state, upTo, parts)
  const coreOf = (pool: PoolOffer) => cores[Number(isCopyOnWrite(pool))]!()
  const isTooWarm = lazily(() =>
    heatOf(state, looksAtHeat ? within.map(({ pool }) => pool) : [], pruning),
  )
  for (const { pool, bound } of within) {
    if (lines.isBeaten(pool)) continue
    const next = withDrives(state, pool)
    if (isOverCap(next) || parts.isTooWarm(next)) continue
    const row = coreOf(pool)
    if (!row) continue
    if (looksAtHeat && isTooWarm()(pool)) continue
    const drives = poolRowOf(pool)
    if (lacksDrives(drives)) continue
    lines.does(pool)
    const isFinal =
      needs('fit') &&
      ((stays && isTooLoud(state, () => row, drives)) ||
        isInfeasible(row, drives, stays ? 'machine' : 'core') ||
        (looksAtHeat && hasCards(row) && isInfeasible(row, drives, 'cards')))
    if (!isFinal) yield { state: { ...next, core: row }, bound }
  }
}
