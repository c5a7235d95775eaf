import type { Plan } from '../../plan/planSchema'
import type { BoxEvaluator, Evaluation, PoolRow } from '../buildRows'
import { boundOf, tailAt, tailsOf } from './bounds'
import { costEpsilon, sorted, type Branch, type SearchProblem } from './branchAndBound'
import type { NeedId } from '../../headrooms'
import { failsNeed, type BuildQuestion, type FoundBuild } from './buildQuestion'
import { drivesBranches } from './drivesBranch'
import type { Frame, Group } from './frame'
import { noDrives, type PoolOffer } from './poolOffers'
import type { Pruning } from './pruning'
import { nothingChosen, stateOfFrame, withOption, type State } from './searchState'
import { compareChanges, compareFound } from './ties'

/** A plan made ready for searching: what its questions have in common. */
export interface SearchBasis {
  readonly plan: Plan
  readonly frames: readonly Frame[]
  readonly offers: readonly PoolOffer[]
  readonly evaluator: BoxEvaluator
  readonly pruning: Pruning
  /** layout that the plan has */
  readonly ownLayout: string
  /** failed drives that any drives must survive */
  readonly survivesAtLeast: number
  /** the library that the drives have to hold: the larger of today's and the horizon's */
  readonly contentTB: number
  /** nothing is kept, so drives are not needed for it */
  readonly keepsNothing: boolean
}

export type BuildProblem = SearchProblem<State, FoundBuild> & { readonly least: () => number }

/** Drives that can answer a question at all. */
function offersFor(
  { plan, offers, contentTB, keepsNothing, survivesAtLeast }: SearchBasis,
  question: BuildQuestion,
): readonly PoolOffer[] {
  const { cap, without = [], roomAtLeastTB = 0, withoutDrives = false } = question
  if (withoutDrives) return [noDrives(plan)]
  const mustHold = !without.includes('space') && !keepsNothing
  const mustSurvive = !without.includes('survival') && !keepsNothing
  return offers.filter(
    ({ roomTB, survives, price }) =>
      (!mustHold || roomTB >= contentTB - 1e-9) &&
      (!mustSurvive || survives >= survivesAtLeast) &&
      roomTB >= roomAtLeastTB - 1e-9 &&
      (cap === null || price <= cap + costEpsilon),
  )
}

/** What each drive costs a question, and what a whole build does. */
function costsOf({ objective }: BuildQuestion, { keptShare, wattCost }: BoxEvaluator) {
  const overYears = objective === 'horizon'
  return {
    priceWeight: overYears ? keptShare : 1,
    wattWeight: overYears ? wattCost : 0,
    poolCost: ({ price, yearsCost }: PoolOffer) => (overYears ? yearsCost : price),
    costOf: ({ toPay, horizonCost }: Evaluation, { price, pool }: State) =>
      objective === 'now' ? toPay : overYears ? horizonCost : price + pool!.price,
  }
}

/** The first step behind case, supply, cooler and enclosure; -1 where there is none. */
function endOfBody({ groups }: Frame): number {
  const drives = groups.findIndex(({ id }) => id === 'pool')
  const later: readonly Group['id'][] = ['boot', 'controller', 'networkCard']
  return groups.findIndex(({ id }, at) => at > drives && later.includes(id))
}

/** Whether drives are not what a question wants of them. */
function lacksDrivesIn(question: BuildQuestion, needs: (id: NeedId) => boolean) {
  const { roomAtLeastTB = 0, lossAtMost = 1, withoutDrives = false } = question
  return (row: PoolRow): boolean =>
    !withoutDrives &&
    ((needs('space') && failsNeed(row.space)) ||
      (needs('survival') && failsNeed(row.survival)) ||
      row.roomTB < roomAtLeastTB - 1e-9 ||
      row.lossChanceAtHorizon > lossAtMost)
}

/** A whole choice as a build, with its cost; null where it does not answer the question. */
function builtOf(
  state: State,
  {
    basis: { plan, evaluator, pruning },
    question: { cap, possibleAtLeast = 0 },
    needs,
    lacksDrives,
    costOf,
  }: {
    readonly basis: SearchBasis
    readonly question: BuildQuestion
    readonly needs: (id: NeedId) => boolean
    readonly lacksDrives: (row: PoolRow) => boolean
    readonly costOf: (evaluation: Evaluation, state: State) => number
  },
): { readonly cost: number; readonly found: FoundBuild } | null {
  const { frame, refs, pool } = state
  if (!pool || state.chosen.bays < pool.turning) return null
  const row = pruning.poolRowOf(pool)
  if (lacksDrives(row)) return null
  const box = pruning.rowOf(state)
  const fails = (['streams', 'home', 'away'] as const).some(id => needs(id) && failsNeed(box[id]))
  if (fails || box.possible < possibleAtLeast) return null
  if (needs('fit') && failsNeed(evaluator.fit(box, row))) return null
  if (lacksDrives(evaluator.hung(box, row))) return null
  const evaluation = evaluator.evaluate(box, row)
  if (cap !== null && evaluation.toPay > cap + costEpsilon) return null
  const { machine, network } = box.adopted
  return {
    cost: costOf(evaluation, state),
    found: {
      way: frame!.way,
      frame: frame!.id,
      refs: [...refs].sort(),
      pool,
      evaluation,
      plan: { ...plan, drives: pool.drives, machine, network },
    },
  }
}

/** A question as a choice in steps: frames, their groups with the drives among them, the whole. */
export function searchProblem(basis: SearchBasis, question: BuildQuestion): BuildProblem {
  const { plan, evaluator, pruning, ownLayout } = basis
  const { objective, cap, ways, without = [], possibleAtLeast = 0 } = question
  const needs = (id: NeedId) => !without.includes(id)
  const { priceWeight, wattWeight, poolCost, costOf } = costsOf(question, evaluator)
  const offers = [...offersFor(basis, question)].sort((a, b) => poolCost(a) - poolCost(b))
  const minPoolCost = offers.length > 0 ? poolCost(offers[0]!) : Infinity
  const frames = basis.frames.filter(({ way }) => ways === null || ways.includes(way))
  const tails = tailsOf(frames)
  const bodyEnds = new Map(frames.map(frame => [frame, endOfBody(frame)]))
  const { hours } = evaluator
  const bounds = { tails, priceWeight, wattWeight, hours, minPoolCost, poolCost }
  const bound = (state: State) => boundOf(state, bounds)
  const isOverCap = ({ price, pool }: State) =>
    cap !== null && price + (pool?.price ?? 0) + plan.costs.extras > cap + 0.005 + costEpsilon
  const lacksDrives = lacksDrivesIn(question, needs)
  const drives = {
    pruning,
    needs,
    possibleAtLeast,
    offers,
    poolCost,
    minPoolCost,
    boundOf: bound,
    isOverCap,
    lacksDrives,
  }
  const rootBranches = () =>
    sorted(
      frames
        .filter(frame => tails.get(frame)![0]?.ends)
        .map((frame): Branch<State> => {
          const state = stateOfFrame(frame)
          return { state, bound: bound(state) }
        }),
    )

  /** The options of a group that are in reach of a limit. */
  function optionBranches(state: State, group: Group, upTo: number): Branch<State>[] {
    // The least of what is left to choose, electricity aside: most options are left out by it
    // alone.
    const rest = tailAt(tails, { frame: state.frame, step: state.step + 1 })
    const minWith =
      (state.price + rest.price) * priceWeight + (state.pool ? poolCost(state.pool) : minPoolCost)
    return sorted(
      group.options.flatMap((option): Branch<State>[] => {
        if (minWith + option.price * priceWeight > upTo) return []
        if (group.allowed && !group.allowed(option, state.chosen)) return []
        const next = withOption(state, option, plan.brief.mainsVolts)
        const least = bound(next)
        return least > upTo || isOverCap(next) ? [] : [{ state: next, bound: least }]
      }),
    )
  }

  return {
    root: nothingChosen,
    least: () => rootBranches()[0]?.bound ?? Infinity,
    branch(state, upTo) {
      const { frame, step } = state
      if (!frame) return rootBranches()
      const group = frame.groups[step]
      if (!group) return null
      if (group.id === 'pool') return drivesBranches(state, upTo, drives)
      const isWholeBody = step === bodyEnds.get(frame) && needs('fit')
      if (
        isWholeBody &&
        pruning.isInfeasible(pruning.rowOf(state), pruning.poolRowOf(state.pool!), 'body')
      )
        return []
      return optionBranches(state, group, upTo)
    },
    finish: state => builtOf(state, { basis, question, needs, lacksDrives, costOf }),
    compare: objective === 'change' ? compareChanges(ownLayout) : compareFound,
  }
}
