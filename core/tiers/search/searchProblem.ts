import type { FitRule } from '../../machine/fit/fitRule'
import type { Plan } from '../../plan/planSchema'
import type { SearchConditions } from '../conditions/searchConditions'
import type { BoxEvaluator, Evaluation, PoolRow } from '../buildRows'
import { maxDriveC, warmDriveC } from '../../machine/place/heat'
import { isPlaceSaid } from '../../machine/place/standsIn'
import { boundOf, costsWith, leastDrivesOf, leastW, tailAt, tailsOf } from './bounds'
import { coolestC } from './coolest'
import type { MeasuredBounds } from './measuredBounds'
import { costEpsilon, sorted, type Branch, type SearchProblem } from './branchAndBound'
import type { NeedId } from '../../headrooms'
import { failsNeed, type BuildQuestion, type FoundBuild } from './buildQuestion'
import { linksShort } from './linksShort'
import { createDriveLines, type DriveLines } from './driveLines'
import { drivesBranches, offersByFrame } from './drivesBranch'
import type { Frame, Group } from './frame'
import type { PoolOffer } from './poolOffers'
import type { Pruning } from './pruning'
import { nothingChosen, stateOfFrame, withOption, type State } from './searchState'
import { compareChanges, compareFound } from './ties'

/** A plan made ready for searching: what its questions have in common. */
export interface SearchBasis {
  readonly plan: Plan
  readonly frames: readonly Frame[]
  readonly offers: readonly PoolOffer[]
  readonly withoutDrives: PoolOffer
  readonly evaluator: BoxEvaluator
  /** by whether conditions are asked for */
  readonly asked: Readonly<Record<'asked' | 'free', Asked>>
  /** layout that the plan has */
  readonly ownLayout: string
  /** failed drives that any drives must survive */
  readonly survivesAtLeast: number
  /** the library that the drives have to hold: the larger of today's and the horizon's */
  readonly contentTB: number
  /** conversions at once that are needed */
  readonly conversions: number
  /** of the copy away that comes with every build */
  readonly copyPrice: number
  /** nothing is kept, so drives are not needed for it */
  readonly keepsNothing: boolean
  /** how far the plan's own machine may be better than its parts say */
  readonly measured: MeasuredBounds
}

/** Conditions, with what is pruned by them. */
export interface Asked {
  readonly conditions: SearchConditions
  readonly pruning: Pruning
  /** rules of fit that must not even warn */
  readonly strict: readonly FitRule[]
}

export type BuildProblem = SearchProblem<State, FoundBuild> & { readonly least: () => number }

/** Drives that can answer a question at all. */
function offersFor(
  { offers, withoutDrives: none, contentTB, keepsNothing, survivesAtLeast }: SearchBasis,
  question: BuildQuestion,
): readonly PoolOffer[] {
  const { cap, without = [], roomAtLeastTB = 0, withoutDrives = false } = question
  if (withoutDrives) return [none]
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
function costsOf(
  { objective }: BuildQuestion,
  { plan, copyPrice, evaluator: { keptShare, wattCost } }: SearchBasis,
) {
  const overYears = objective === 'horizon'
  // What is paid whatever is built belongs to the bound too: left out, it would keep every way open
  // that is dearer by less.
  const always = objective === 'now' ? plan.costs.extras : copyPrice
  return {
    priceWeight: overYears ? keptShare : 1,
    wattWeight: overYears ? wattCost : 0,
    poolCost: ({ price, yearsCost }: PoolOffer) => (overYears ? yearsCost : price + always),
    costOf: ({ toPay, horizonCost }: Evaluation, { frame, price, pool }: State) =>
      objective === 'now'
        ? toPay
        : overYears
          ? horizonCost + frame!.risk
          : price + pool!.price + copyPrice,
  }
}

/** The first step behind case, supply, cooler and enclosure; -1 where there is none. */
function endOfBody({ groups }: Frame): number {
  const drives = groups.findIndex(({ id }) => id === 'pool')
  const later: readonly Group['id'][] = ['boot', 'controller', 'networkCard']
  return groups.findIndex(({ id }, at) => at > drives && later.includes(id))
}

/** The first step behind drives, case and its fans; -1 where no case is chosen. */
function endOfCase({ groups }: Frame): number {
  const drives = groups.findIndex(({ id }) => id === 'pool')
  const housing = groups.findLastIndex(({ id }) => id === 'case')
  const fans = groups.findLastIndex(({ id }, at) => id === 'fan' && at > drives)
  return housing < 0 ? -1 : Math.max(housing, fans) + 1
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
    basis: { plan, evaluator },
    pruning,
    strict,
    spareBays,
    question: { cap, possibleAtLeast = 0 },
    needs,
    lacksDrives,
    lines,
    costOf,
  }: {
    readonly basis: SearchBasis
    readonly pruning: Pruning
    readonly strict: readonly FitRule[]
    readonly spareBays: number
    readonly question: BuildQuestion
    readonly needs: (id: NeedId) => boolean
    readonly lacksDrives: (row: PoolRow) => boolean
    readonly lines: DriveLines
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
  if (evaluator.warns(box, row, strict)) return null
  if (lacksDrives(evaluator.hung(box, row))) {
    lines.fallsShort(pool)
    return null
  }
  const evaluation = evaluator.evaluate(box, row)
  if (cap !== null && evaluation.toPay > cap + costEpsilon) return null
  if (spareBays > 0 && evaluation.freeBays < spareBays) return null
  const { machine, network, system } = box.adopted
  return {
    cost: costOf(evaluation, state),
    found: {
      way: frame!.way,
      frame: frame!.id,
      risk: frame!.risk,
      refs: [...refs].sort(),
      pool,
      evaluation,
      plan: { ...plan, drives: pool.drives, machine, network, system },
    },
  }
}

/** A question as a choice in steps: frames, their groups with the drives among them, the whole. */
export function searchProblem(basis: SearchBasis, question: BuildQuestion): BuildProblem {
  const { plan, evaluator, ownLayout } = basis
  const { conditions, pruning, strict } = basis.asked[question.withoutConditions ? 'free' : 'asked']
  const { objective, cap, ways, without = [], possibleAtLeast = 0 } = question
  const needs = (id: NeedId) => !without.includes(id)
  const { priceWeight, wattWeight, poolCost, costOf } = costsOf(question, basis)
  const lacks = lacksDrivesIn(question, needs)
  const lacksDrives = (row: PoolRow) =>
    lacks(row) || (!question.withoutDrives && !conditions.takesDrives(row))
  const sellable = offersFor(basis, question)
    .filter(conditions.takesOffer)
    .sort((a, b) => poolCost(a) - poolCost(b))
  // What no machine makes up for is left out before any is looked at; the rest as it is met.
  const first = sellable.findIndex(offer => !lacksDrives(pruning.poolRowOf(offer)))
  const offers = first < 0 ? [] : sellable.slice(first)
  const leastDrives = leastDrivesOf(offers)
  const minPoolCost = offers.length > 0 ? poolCost(offers[0]!) : Infinity
  const frames = basis.frames.filter(
    frame =>
      (ways === null || ways.includes(frame.way)) &&
      (question.frame === undefined || frame.id === question.frame) &&
      conditions.takesFrame(frame) &&
      !linksShort(frame, evaluator).some(needs),
  )
  const tails = tailsOf(frames)
  const choosesCase = new Set(frames.filter(({ groups }) => groups.some(({ id }) => id === 'case')))
  const caseEnds = new Map(frames.map(frame => [frame, endOfCase(frame)]))
  const bodyEnds = new Map(frames.map(frame => [frame, endOfBody(frame)]))
  const { hours } = evaluator
  const countsYears = objective === 'horizon'
  const { leastOfWatts, leastOfRise } = basis.measured
  const bounds = {
    tails,
    priceWeight,
    wattWeight,
    countsYears,
    hours,
    leastDrives,
    poolCost,
    leastOfWatts,
  }
  const bound = (state: State) => boundOf(state, bounds)
  // Only drives that are chosen can be too warm; while the place is not said nothing is.
  const warmest = conditions.strictRules.has('warmDrives') ? warmDriveC : maxDriveC
  const coolest = leastDrivesOf([...offers].sort((a, b) => a.idleW - b.idleW))
  const isWarmWith = (state: State) =>
    coolestC(state, plan.brief, { leastW: other => leastW(other, bounds), leastOfRise }) >
    warmest + costEpsilon
  const looksAtHeat = needs('fit') && isPlaceSaid(plan.brief)
  const isTooWarm = (state: State) =>
    looksAtHeat &&
    (state.pool
      ? state.pool.count > 0 && isWarmWith(state)
      : coolest.every(pool => pool.count > 0 && isWarmWith({ ...state, pool })))
  const isOverCap = ({ price, pool }: State) =>
    cap !== null && price + (pool?.price ?? 0) + plan.costs.extras > cap + 0.005 + costEpsilon
  const lines = createDriveLines()
  const drives = {
    pruning,
    conditions,
    needs,
    possibleAtLeast,
    offersOf: offersByFrame(offers, conditions.takesOption),
    lines,
    poolCost,
    costsWith: (state: State) => costsWith(state, bounds),
    isOverCap,
    isTooWarm,
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
        if (!conditions.takesOption(option, state.pool)) return []
        const next = withOption(state, option, plan.brief.mainsVolts)
        const least = bound(next)
        return least > upTo || isOverCap(next) || isTooWarm(next)
          ? []
          : [{ state: next, bound: least }]
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
      // Case, fans and supply are chosen: the cooler does nothing for the air at the drives.
      const isAiry =
        frame.groups[step - 1]?.id === 'supply' && choosesCase.has(frame) && needs('fit')
      if (
        isAiry &&
        pruning.isInfeasible(pruning.rowOf(state), pruning.poolRowOf(state.pool!), 'heat')
      )
        return []
      const isHeard = step === caseEnds.get(frame) && needs('fit')
      if (
        isHeard &&
        pruning.isTooLoud(state, () => pruning.rowOf(state), pruning.poolRowOf(state.pool!))
      )
        return []
      const isWholeBody = step === bodyEnds.get(frame) && needs('fit')
      if (
        isWholeBody &&
        pruning.isInfeasible(pruning.rowOf(state), pruning.poolRowOf(state.pool!), 'body')
      )
        return []
      return optionBranches(state, group, upTo)
    },
    finish: state =>
      builtOf(state, {
        basis,
        question,
        pruning,
        needs,
        lacksDrives,
        lines,
        costOf,
        strict,
        spareBays: conditions.spareBays,
      }),
    compare: objective === 'change' ? compareChanges(ownLayout) : compareFound,
  }
}
