import type { Catalogue } from '../../catalogue/catalogue'
import { planAssessor } from '../../assess'
import { layoutOf } from '../../drives/automaticLayout'
import { drivesOf } from '../../drives/poolOf'
import { fitRules } from '../../machine/fit/fitRules'
import { wallW, type SupplyLosses } from '../../machine/power/supplyCurve'
import { effectiveCatalogue } from '../../plan/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'
import type { VerdictState } from '../../verdict'
import {
  createBoxEvaluator,
  type Box,
  type BoxEvaluator,
  type BoxRow,
  type Evaluation,
  type PoolRow,
} from '../boxEvaluator'
import {
  sameCost,
  sorted,
  type Branch,
  type SearchProblem,
  branchAndBound,
  type SearchResult,
} from './branchAndBound'
import { framesOf, machineOf, type Chosen, type Frame, type Option, type WayId } from './frames'
import { noDrives, poolOffers, type PoolOffer } from './poolOffers'

/** What is paid now, over the years, or for what is added to what is there. */
export type Objective = 'now' | 'horizon' | 'change'

export const needIds = ['streams', 'space', 'survival', 'home', 'away', 'fit'] as const
export type NeedId = (typeof needIds)[number]

/** What a build has to be. */
export interface BuildQuestion {
  readonly objective: Objective
  /** null: every way */
  readonly ways: readonly WayId[] | null
  /** most to pay now */
  readonly cap: number | null
  /** headrooms that need not be met */
  readonly without?: readonly NeedId[]
  /** at least, on top of the need */
  readonly possibleAtLeast?: number
  readonly roomAtLeastTB?: number
  readonly lossAtMost?: number
  /** a machine without drives */
  readonly withoutDrives?: boolean
}

/** What is searched, where that is not everything. */
export interface SearchSpace {
  readonly frames: readonly Frame[]
  readonly pools: readonly PoolOffer[]
}

/** A build that a search ended with. */
export interface FoundBuild {
  readonly way: WayId
  readonly frame: string
  /** ids of the parts that go into the frame, sorted */
  readonly refs: readonly string[]
  readonly pool: PoolOffer
  readonly evaluation: Evaluation
  readonly plan: Plan
}

interface State {
  readonly frame: Frame | null
  readonly step: number
  readonly refs: readonly string[]
  readonly price: number
  readonly idleW: number
  readonly loadW: number
  readonly losses: SupplyLosses | null
  readonly hasSupply: boolean
  readonly portMbps: number
  readonly chosen: Chosen
  readonly pool: PoolOffer | null
  /** the machine as far as it converts */
  readonly core: BoxRow | null
}

/**
 * Rules that follow from board, processor, memory, cards and system alone: what fails of them is
 * cured by nothing that is chosen later, whatever the drives are.
 */
export const rulesOfCore = [
  'socket',
  'memoryType',
  'memorySlots',
  'memoryMaximum',
  'memoryEnough',
  'eccMemory',
  'display',
  'engineThere',
  'knownCards',
  'wifiOnly',
] as const
/** The same of a machine whose case, cooler and supply stay. */
export const rulesOfMachine = [
  ...rulesOfCore,
  'fixedParts',
  'boardInCase',
  'coolerFits',
  'coolerHeat',
] as const
/**
 * What of such a machine its drives decide as well: heat by their watts alone, cards by the places
 * that they leave.
 */
export const rulesOfHeat = ['warmDrives'] as const
export const rulesOfCards = ['cardInCase', ...rulesOfHeat] as const

/**
 * Rules that nothing cures which is chosen after case, supply, cooler and enclosure: a disk for the
 * system and cards only add to what is taken.
 */
export const rulesOfBody = [
  ...rulesOfMachine,
  ...rulesOfCards,
  'supplyForm',
  'supplyRunning',
  'supplyStart',
  'supplyAmps',
  'powerPlugs',
  'drivesOnLead',
  'cardPlug',
  'portPower',
  'bays',
  'mouldedPlugs',
] as const
type RuleIds =
  | typeof rulesOfCore
  | typeof rulesOfMachine
  | typeof rulesOfHeat
  | typeof rulesOfCards
  | typeof rulesOfBody

/** No supply passes on more: the best of the table at 230 V. */
export const bestEfficiency = 0.955

export interface BuildSearch {
  /**
   * the cheapest build for a question, in steps; memory of what was worked out is kept between
   * questions
   */
  readonly search: (
    question: BuildQuestion,
  ) => Generator<SearchResult<FoundBuild>, SearchResult<FoundBuild>>
  readonly frames: readonly Frame[]
  readonly evaluator: BoxEvaluator
  /** the least that any build can cost for a question */
  readonly leastCost: (question: BuildQuestion) => number
}

const hasCards = ({
  machine: {
    build: { parts },
  },
}: BoxRow) =>
  parts.some(({ kind }) => kind === 'card' || kind === 'controller' || kind === 'networkCard')
const failsNeed = (state: VerdictState) => state === 'short' || state === 'impossible'

/** Needs that a build does not meet, in the order of the headroom line. */
export function lacksOf(evaluation: Evaluation): NeedId[] {
  return needIds.filter(id => failsNeed(evaluation[id]))
}

/** Ties: idle watts at the wall, then the parts by id, layout, drives. */
export function compareFound(one: FoundBuild, other: FoundBuild): number {
  const watts = one.evaluation.idleW - other.evaluation.idleW
  if (Math.abs(watts) > sameCost) return watts
  const key = ({ frame, refs, pool }: FoundBuild) =>
    [[frame, ...refs].sort().join(' '), pool.choice.layout, pool.key].join('|')
  return key(one) < key(other) ? -1 : key(one) > key(other) ? 1 : 0
}

/**
 * Ties of a change: the fewest parts and drives that are moved, then the layout that is there, then
 * as any build.
 */
export function compareChanges(ownLayout: string): (one: FoundBuild, other: FoundBuild) => number {
  const moved = ({ refs, pool }: FoundBuild) => refs.length + pool.choice.count
  const relaid = ({ pool }: FoundBuild) => Number(pool.choice.layout !== ownLayout)
  return (one, other) =>
    moved(one) - moved(other) || relaid(one) - relaid(other) || compareFound(one, other)
}

/** Searches of one plan over the catalogue, with one memory for all of them. */
export function createBuildSearch(
  plan: Plan,
  shipped: Catalogue,
  space?: SearchSpace,
): BuildSearch {
  const catalogue = effectiveCatalogue(plan, shipped)
  const frames = space?.frames ?? framesOf(plan, catalogue)
  const { convertingHoursPerDay: hours } = plan.choices
  const facts = planAssessor(1).facts(plan, shipped, ['library'])
  const atHorizonTB = Math.max(
    facts.library.contentAtHorizonTB.likely,
    facts.library.contentTB.likely,
  )
  const emptyNeed = facts.library.empty
  const allPools = space?.pools ?? poolOffers(plan, catalogue, { roomTB: 0, survives: 0 })
  const usual = allPools.find(({ count }) => count > 0)?.drives ?? plan.drives
  const evaluator = createBoxEvaluator(plan, shipped, usual)
  const ownLayout = layoutOf(plan.drives, drivesOf(plan.drives), plan.choices.survivesAtLeast)
  const average = (idle: number, load: number) => (idle * (24 - hours) + load * hours) / 24
  /**
   * streams of machines that fail or meet the need, so that a weaker or stronger one is not looked
   * at again
   */
  const cores = new Map<string, BoxRow>()
  const failed = new Map<string, { readonly score: number; readonly cores: number }[]>()

  /** A machine is only put together where its row is not known yet. */
  const boxOf = (key: string, { frame, portMbps }: State, refs: readonly string[]): Box => ({
    key,
    serverPortMbps: portMbps as Plan['network']['serverPortMbps'],
    get machine() {
      return machineOf(frame!, refs, { plan, catalogue })
    },
  })
  const coreBox = (state: State): Box =>
    boxOf(`core ${state.frame!.id} ${state.refs.join(' ')}`, state, state.refs)
  function coreRow(state: State, copyOnWrite: boolean): BoxRow {
    const key = `${state.frame!.id} ${state.refs.join(' ')} ${copyOnWrite}`
    let known = cores.get(key)
    if (!known) cores.set(key, (known = evaluator.box(coreBox(state), copyOnWrite)))
    return known
  }
  /**
   * Whether a machine is known to convert too little: one with the same engines and no weaker a
   * processor does too.
   */
  function convertsTooLittle(state: State, copyOnWrite: boolean): boolean {
    const {
      processor,
      cores: count,
      memoryGB,
      ...rest
    } = evaluator.hardware(coreBox(state), copyOnWrite)
    void memoryGB
    const score = processor === null || !('score' in processor) ? null : processor.score
    const key = JSON.stringify(rest)
    const weak = score === null ? [] : (failed.get(key) ?? [])
    if (weak.some(other => score! <= other.score && count <= other.cores)) return true
    const fails = failsNeed(coreRow(state, copyOnWrite).streams)
    if (fails && score !== null) failed.set(key, [...weak, { score, cores: count }])
    return fails
  }

  const rulesFor = new Map(
    [rulesOfCore, rulesOfMachine, rulesOfHeat, rulesOfCards, rulesOfBody].map((ids: RuleIds) => [
      ids,
      fitRules.filter(({ id }) => (ids as readonly string[]).includes(id)),
    ]),
  )
  /**
   * Whether what is chosen already can be part of a machine that goes together; asked once for
   * drives that are alike, or for all drives.
   */
  const spoilt = new Map<string, boolean>()
  function isSpoilt(row: BoxRow, drives: PoolRow, ids: RuleIds): boolean {
    const key =
      `${row.id} ${ids === rulesOfCore || ids === rulesOfMachine ? '' : drives.fitKey} ` +
      `${ids.length}`
    let known = spoilt.get(key)
    if (known === undefined)
      spoilt.set(key, (known = evaluator.failing(row, drives, rulesFor.get(ids)!).length > 0))
    return known
  }

  function problemOf(
    question: BuildQuestion,
  ): SearchProblem<State, FoundBuild> & { readonly least: () => number } {
    const {
      objective,
      cap,
      without = [],
      possibleAtLeast = 0,
      roomAtLeastTB = 0,
      lossAtMost = 1,
      withoutDrives = false,
    } = question
    const needs = (id: NeedId) => !without.includes(id)
    const priceWeight = objective === 'horizon' ? evaluator.keptShare : 1
    const wattWeight = objective === 'horizon' ? evaluator.wattCost : 0
    const pools = withoutDrives
      ? [noDrives(plan)]
      : allPools.filter(
          offer =>
            (!needs('space') || emptyNeed || withoutDrives || offer.roomTB >= atHorizonTB - 1e-9) &&
            (!needs('survival') || emptyNeed || offer.survives >= plan.choices.survivesAtLeast) &&
            offer.roomTB >= roomAtLeastTB - 1e-9 &&
            (cap === null || offer.price <= cap + sameCost),
        )
    const poolCost = ({ price, yearsCost }: PoolOffer) =>
      objective === 'horizon' ? yearsCost : price
    const byCost = [...pools].sort((a, b) => poolCost(a) - poolCost(b))
    const costOf = ({ toPay, horizonCost }: Evaluation, { price, pool }: State) =>
      objective === 'now' ? toPay : objective === 'horizon' ? horizonCost : price + pool!.price
    const cheapestPool = pools.reduce((least, offer) => Math.min(least, poolCost(offer)), Infinity)
    const used = frames.filter(({ way }) => question.ways === null || question.ways.includes(way))
    /** the least that the groups from a step on add: price, and watts */
    const tails = new Map(
      used.map(frame => [
        frame,
        frame.groups.map((_, step) => {
          const rest = frame.groups.slice(step)
          const least = (of: (option: Option) => number) =>
            rest.reduce(
              (sum, { id, options }) =>
                id === 'pool'
                  ? sum
                  : sum + options.reduce((min, option) => Math.min(min, of(option)), Infinity),
              0,
            )
          return {
            price: least(({ price }) => price),
            idleW: least(({ idleW }) => idleW),
            loadW: least(({ loadW }) => loadW),
            ends: rest.every(({ id, options }) => id === 'pool' || options.length > 0),
          }
        }),
      ]),
    )
    const wallOf = (dcW: number, { losses, hasSupply }: State) =>
      hasSupply ? wallW(Math.max(0, dcW), losses) : Math.max(0, dcW) / bestEfficiency
    function boundOf(state: State): number {
      const { frame, step, pool, price } = state
      const tail =
        frame!.groups.length > step ? tails.get(frame!)![step]! : { price: 0, idleW: 0, loadW: 0 }
      const own =
        frame!.groups.some(({ id }, at) => id === 'supply' && at >= step) && frame!.replaces
      const like = own ? { ...state, hasSupply: false } : state
      const idle = wallOf(state.idleW + tail.idleW + (pool?.idleW ?? 0), like)
      const load = Math.max(idle, wallOf(state.loadW + tail.loadW + (pool?.activeW ?? 0), like))
      return (
        (price + tail.price) * priceWeight +
        average(idle, load) * wattWeight +
        (pool ? poolCost(pool) : cheapestPool)
      )
    }
    function rootBranches(): Branch<State>[] {
      return sorted(
        used.flatMap((frame): Branch<State>[] => {
          if (!tails.get(frame)![0]?.ends) return []
          const state: State = {
            frame,
            step: 0,
            refs: [],
            price: frame.price,
            idleW: frame.idleW,
            loadW: frame.loadW,
            losses: frame.losses,
            hasSupply: frame.hasSupply,
            portMbps: frame.portMbps,
            chosen: { bays: frame.bays, count: 0 },
            pool: null,
            core: null,
          }
          return [{ state, bound: boundOf(state) }]
        }),
      )
    }
    function withOption(state: State, option: Option): State {
      const {
        refs,
        price,
        idleW,
        loadW,
        processor,
        supply,
        housing,
        bays = 0,
        portMbps: port,
      } = option
      return {
        ...state,
        step: state.step + 1,
        refs: refs.length ? [...state.refs, ...refs] : state.refs,
        price: state.price + price,
        idleW: state.idleW + idleW,
        loadW: state.loadW + loadW,
        ...(supply
          ? {
              hasSupply: true,
              losses: {
                ratingW: supply.ratingW,
                efficiency: supply.efficiency,
                mainsVolts: plan.brief.mainsVolts,
              },
            }
          : {}),
        portMbps: port === undefined ? state.portMbps : Math.max(state.portMbps, port),
        chosen: {
          ...state.chosen,
          bays: state.chosen.bays + bays,
          ...(processor ? { processor } : {}),
          ...(supply ? { supply } : {}),
          ...(housing ? { housing } : {}),
        },
      }
    }
    /** the first step behind case, supply, cooler and enclosure */
    const bodyEnds = new Map(
      used.map(frame => [
        frame,
        frame.groups.findIndex(
          ({ id }, at) =>
            at > frame.groups.findIndex(group => group.id === 'pool') &&
            (id === 'boot' || id === 'controller' || id === 'networkCard'),
        ),
      ]),
    )
    function rowOf(state: State): BoxRow {
      const { frame, refs, portMbps, pool, core } = state
      const own = [...refs].sort()
      return evaluator.box(
        boxOf(`${frame!.id} ${own.join(' ')} ${portMbps}`, state, own),
        pool!.choice.fileSystem === 'copyOnWrite',
        core ?? undefined,
      )
    }
    const overCap = ({ price, pool }: State) =>
      cap !== null && price + (pool?.price ?? 0) + plan.costs.extras > cap + 0.005 + sameCost
    const lacksDrives = (row: PoolRow) =>
      !withoutDrives &&
      ((needs('space') && failsNeed(row.space)) ||
        (needs('survival') && failsNeed(row.survival)) ||
        row.roomTB < roomAtLeastTB - 1e-9 ||
        row.lossChanceAtHorizon > lossAtMost)
    function* poolBranches(state: State, upTo: number): Generator<Branch<State>> {
      const { frame } = state
      const most = Math.max(
        ...frame!.groups.map(({ id, options }) =>
          id === 'case' || id === 'enclosure'
            ? Math.max(...options.map(({ bays = 0 }) => bays))
            : 0,
        ),
      )
      const branches: Branch<State>[] = []
      const least = boundOf(state) - cheapestPool
      for (const pool of byCost) {
        if (least + poolCost(pool) > upTo) break
        if (pool.count > frame!.bays + most) continue
        const next: State = {
          ...state,
          step: state.step + 1,
          pool,
          chosen: { ...state.chosen, count: pool.count },
        }
        const bound = boundOf(next)
        if (bound <= upTo && !overCap(next)) branches.push({ state: next, bound })
      }
      const tooLittle: (boolean | undefined)[] = [undefined, undefined]
      const stays = frame!.replaces && !frame!.groups.some(({ id }) => id === 'supply')
      // Drives that draw more than some which are too warm already are too warm as well.
      const tooWarm: PoolOffer[] = []
      const isTooWarm = (offer: PoolOffer) => {
        if (tooWarm.some(({ idleW, activeW }) => offer.idleW >= idleW && offer.activeW >= activeW))
          return true
        const warm = isSpoilt(
          coreRow(state, offer.choice.fileSystem === 'copyOnWrite'),
          poolRowOf(offer),
          rulesOfHeat,
        )
        if (warm) tooWarm.push(offer)
        return warm
      }
      const looksAtHeat = stays && needs('fit') && branches.length > 0
      if (looksAtHeat)
        isTooWarm(
          branches.reduce(
            (coolest, { state: { pool } }) => (pool!.idleW < coolest.idleW ? pool! : coolest),
            branches[0]!.state.pool!,
          ),
        )
      for (const next of sorted(branches)) {
        const copyOnWrite = next.state.pool!.choice.fileSystem === 'copyOnWrite'
        if (
          needs('streams') &&
          (tooLittle[Number(copyOnWrite)] ??= convertsTooLittle(state, copyOnWrite))
        )
          continue
        const row = coreRow(state, copyOnWrite)
        if (row.possible < possibleAtLeast) continue
        if (looksAtHeat && isTooWarm(next.state.pool!)) continue
        const drives = poolRowOf(next.state.pool!)
        if (lacksDrives(drives)) continue
        if (
          needs('fit') &&
          (isSpoilt(row, drives, stays ? rulesOfMachine : rulesOfCore) ||
            (looksAtHeat && hasCards(row) && isSpoilt(row, drives, rulesOfCards)))
        )
          continue
        yield { ...next, state: { ...next.state, core: row } }
      }
    }
    const poolRowOf = ({ key, drives }: PoolOffer): PoolRow => evaluator.pool({ key, drives })

    return {
      root: {
        frame: null,
        step: 0,
        refs: [],
        price: 0,
        idleW: 0,
        loadW: 0,
        losses: null,
        hasSupply: false,
        portMbps: 0,
        chosen: { bays: 0, count: 0 },
        pool: null,
        core: null,
      },
      least: () => rootBranches()[0]?.bound ?? Infinity,
      branch(state, upTo) {
        const { frame, step } = state
        if (!frame) return rootBranches()
        const group = frame.groups[step]
        if (!group) return null
        if (group.id === 'pool') return poolBranches(state, upTo)
        if (
          step === bodyEnds.get(frame) &&
          needs('fit') &&
          isSpoilt(rowOf(state), poolRowOf(state.pool!), rulesOfBody)
        )
          return []
        // The least of what is left to choose, electricity aside: most options are left out by it
        // alone.
        const rest = tails.get(frame)![step + 1]
        const leastWith =
          (state.price + (rest?.price ?? 0)) * priceWeight +
          (state.pool ? poolCost(state.pool) : cheapestPool)
        return sorted(
          group.options.flatMap((option): Branch<State>[] => {
            if (
              leastWith + option.price * priceWeight > upTo ||
              (group.goes && !group.goes(option, state.chosen))
            )
              return []
            const next = withOption(state, option)
            const bound = boundOf(next)
            return bound > upTo || overCap(next) ? [] : [{ state: next, bound }]
          }),
        )
      },
      finish(state) {
        const { frame, refs, pool } = state
        if (!pool || state.chosen.bays < pool.count) return null
        const row = poolRowOf(pool)
        if (lacksDrives(row)) return null
        const box = rowOf(state)
        if (
          (needs('streams') && failsNeed(box.streams)) ||
          box.possible < possibleAtLeast ||
          (needs('home') && failsNeed(box.home)) ||
          (needs('away') && failsNeed(box.away))
        )
          return null
        if (needs('fit') && failsNeed(evaluator.fit(box, row))) return null
        const evaluation = evaluator.evaluate(box, row)
        if (cap !== null && evaluation.toPay > cap + sameCost) return null
        return {
          cost: costOf(evaluation, state),
          found: {
            way: frame!.way,
            frame: frame!.id,
            refs: [...refs].sort(),
            pool,
            evaluation,
            plan: {
              ...plan,
              drives: pool.drives,
              machine: box.adopted.machine,
              network: box.adopted.network,
            },
          },
        }
      },
      compare: objective === 'change' ? compareChanges(ownLayout) : compareFound,
    }
  }

  /**
   * A first look within a narrow limit, then wider ones: dear ways are hardly looked into before a
   * good build is known.
   */
  function* search(
    question: BuildQuestion,
  ): Generator<SearchResult<FoundBuild>, SearchResult<FoundBuild>> {
    const problem = problemOf(question)
    const least = problem.least()
    let [nodes, leaves, cut] = [0, 0, 0]
    if (least === Infinity) return { best: null, nodes, leaves, cut }
    for (let upTo = least + firstStep(least); ; upTo = upTo + 2 * (upTo - least)) {
      const limit = upTo > leastOfLast ? Infinity : upTo
      const steps = branchAndBound(problem, limit)
      let step = steps.next()
      for (; !step.done; step = steps.next())
        yield {
          ...step.value,
          nodes: nodes + step.value.nodes,
          leaves: leaves + step.value.leaves,
          cut: cut + step.value.cut,
        }
      nodes += step.value.nodes
      leaves += step.value.leaves
      cut += step.value.cut
      if (step.value.best || limit === Infinity)
        return { best: step.value.best, nodes, leaves, cut }
    }
  }
  return { search, frames, evaluator, leastCost: question => problemOf(question).least() }
}

/** The first limit stands so far above the least that a build can cost. */
const firstStep = (least: number) => Math.max(80, 0.25 * least)
/** Beyond this there is no limit any more. */
const leastOfLast = 60_000

/** Runs a search to its end. */
export function finishSearch(
  steps: Generator<SearchResult<FoundBuild>, SearchResult<FoundBuild>>,
): SearchResult<FoundBuild> {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}
