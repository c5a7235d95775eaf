import type { BoxRow, PoolRow } from '../buildRows'
import type { Option } from './frame'
import { sorted, type Branch } from './branchAndBound'
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
  readonly offers: readonly PoolOffer[]
  readonly poolCost: (offer: PoolOffer) => number
  readonly minPoolCost: number
  readonly boundOf: (state: State) => number
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
  const added = groups.map(({ id, options }) =>
    id === 'case' || id === 'enclosure'
      ? Math.max(0, ...options.filter(takes).map(({ bays: more = 0 }) => more))
      : 0,
  )
  return bays + Math.max(...added)
}

/** Drives that are in reach of a limit, lowest bound first. */
function branchesWithin(
  state: State,
  upTo: number,
  { conditions, offers, poolCost, minPoolCost, boundOf, isOverCap, isTooWarm }: DrivesBranchParts,
): Branch<State>[] {
  const branches: Branch<State>[] = []
  const least = boundOf(state) - minPoolCost
  const system = state.chosen.system ?? state.frame!.system
  // Whether drives stand alone is all that conditions look at when bays are counted.
  const most = new Map<boolean, number>()
  const mostFor = (offer: PoolOffer) => {
    let known = most.get(offer.standsAlone)
    if (known === undefined) {
      known = maxBays(state.frame!, option => conditions.takesOption(option, offer))
      most.set(offer.standsAlone, known)
    }
    return known
  }
  for (const pool of offers) {
    if (least + poolCost(pool) > upTo) break
    if (pool.turning > mostFor(pool) || !takesLayout(system, pool)) continue
    const next: State = {
      ...state,
      step: state.step + 1,
      pool,
      chosen: { ...state.chosen, count: pool.count - pool.nvme, turning: pool.turning },
    }
    const bound = boundOf(next)
    if (bound <= upTo && !isOverCap(next) && !isTooWarm(next)) branches.push({ state: next, bound })
  }
  return sorted(branches)
}

/**
 * Whether drives are too warm in a machine: those that draw more than some which are too warm
 * already are too warm as well. The coolest are asked first.
 */
function heatOf(
  state: State,
  offers: readonly PoolOffer[],
  { coreRow, isInfeasible, poolRowOf }: Pruning,
): (offer: PoolOffer) => boolean {
  const tooWarm: PoolOffer[] = []
  const isTooWarm = (offer: PoolOffer): boolean => {
    if (tooWarm.some(({ idleW, activeW }) => offer.idleW >= idleW && offer.activeW >= activeW))
      return true
    const row = coreRow(state, isCopyOnWrite(offer))
    const warm = isInfeasible(row, poolRowOf(offer), 'heat')
    if (warm) tooWarm.push(offer)
    return warm
  }
  if (offers.length > 0)
    isTooWarm(offers.reduce((coolest, next) => (next.idleW < coolest.idleW ? next : coolest)))
  return isTooWarm
}

/** The drives that go with a machine so far, and with what it must do. */
export function* drivesBranches(
  state: State,
  upTo: number,
  parts: DrivesBranchParts,
): Generator<Branch<State>> {
  const { pruning, conditions, needs, possibleAtLeast, lacksDrives } = parts
  const { coreRow, poolRowOf, isInfeasible, convertsTooLittle } = pruning
  const branches = branchesWithin(state, upTo, parts)
  const { frame } = state
  const stays = frame!.replaces && !frame!.groups.some(({ id }) => id === 'supply')
  const looksAtHeat = stays && needs('fit') && branches.length > 0
  const offers = branches.map(branch => branch.state.pool!)
  const isTooWarm = heatOf(state, looksAtHeat ? offers : [], pruning)
  const tooLittle: (boolean | undefined)[] = [undefined, undefined]
  for (const next of branches) {
    const pool = next.state.pool!
    const copyOnWrite = isCopyOnWrite(pool)
    const converts = Number(copyOnWrite)
    if (needs('streams') && (tooLittle[converts] ??= convertsTooLittle(state, copyOnWrite)))
      continue
    const row = coreRow(state, copyOnWrite)
    if (row.possible < possibleAtLeast) continue
    if (needs('streams') && !conditions.takesCore(row, frame!)) continue
    if (looksAtHeat && isTooWarm(pool)) continue
    const drives = poolRowOf(pool)
    if (lacksDrives(drives)) continue
    const isFinal =
      needs('fit') &&
      (isInfeasible(row, drives, stays ? 'machine' : 'core') ||
        (looksAtHeat && hasCards(row) && isInfeasible(row, drives, 'cards')))
    if (!isFinal) yield { ...next, state: { ...next.state, core: row } }
  }
}
