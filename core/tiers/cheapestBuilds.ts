import { entryOf, type Catalogue } from '../catalogue/catalogue'
import type { MachineBase } from '../catalogue/machineBases'
import { headroomOrder } from '../headrooms'
import { layouts } from '../drives/layouts/layouts'
import type { Plan } from '../plan/planSchema'
import { adoptBuild, ownedLots, type Build, type ConverterChoice, type PoolChoice } from './builds'
import type { Evaluation } from './buildRows'
import { createEvaluator } from './evaluator'

/** A build for a need, the cheapest on its base. */
export interface BuildForNeed {
  readonly build: Build
  readonly evaluation: Evaluation
  /**
   * ids of the headrooms that fall short; empty when everything that is known of the need is met
   */
  readonly lacks: readonly string[]
}

/** Drives that are tried, TB, and how many of them. */
const driveSizesTB = [4, 8, 12, 16, 20, 24]
const driveCounts = [1, 2, 3, 4, 5, 6, 8]
const maxBays = 8
/** Layouts that are tried: those that say so, with the fewest drives that make sense of them. */
const triedLayouts = layouts.flatMap(({ id, searched }) =>
  searched?.atStart ? [{ ...searched, layout: id }] : [],
)
const cards = [null, 'cardEntry', 'cardModern'] as const
/** What a board takes of it. */
const memoryOfBoardsGB = 16
/** Processors more costly than this are left to a search of their own. */
export const maxProcessorPrice = 400

/**
 * What a base takes: a whole machine keeps its processor and memory, a board needs one of its
 * socket and a stick of its kind.
 */
interface BaseChoice {
  readonly id: string | null
  readonly bays: number
  /** null for a whole machine */
  readonly board: { readonly socket: string | null; readonly memory: string } | null
}

function fits(
  { board }: BaseChoice,
  { processor, memory }: ConverterChoice,
  { processors }: Pick<Catalogue, 'processors'>,
): boolean {
  if (!board) return processor === null && memory === null
  return (
    processor !== null &&
    memory === board.memory &&
    entryOf(processors, processor)?.socket === board.socket
  )
}

function baseChoice(
  { id, processor, bays, inside: { board } }: MachineBase,
  { memoryModules }: Pick<Catalogue, 'memoryModules'>,
): BaseChoice {
  const { type, shape } = board.memory
  const memory = memoryModules.find(
    entry =>
      entry.memoryGB === memoryOfBoardsGB &&
      entry.type === type &&
      entry.shape === shape &&
      !entry.ecc,
  )
  return {
    id,
    bays,
    board: processor === null ? { socket: board.socket, memory: memory?.id ?? '' } : null,
  }
}

/**
 * New drives by themselves, and beside those owned, under every layout that so many drives make
 * sense of.
 */
function poolsOf(ownedDrives: number): PoolChoice[] {
  const ways = ownedDrives > 0 ? [false, true] : [false]
  return ways.flatMap(keepsOwned =>
    triedLayouts.flatMap(({ layout, from, to: most = maxBays, fileSystem }) => {
      const makesSense = (count: number) => count >= from && count <= most
      const pool = { driveClass: 'nas', layout, fileSystem, keepsOwned }
      const kept = keepsOwned ? ownedDrives : 0
      const asOwned =
        keepsOwned && makesSense(kept) ? [{ ...pool, sizeTB: driveSizesTB[0]!, count: 0 }] : []
      return [
        ...asOwned,
        ...driveCounts
          .filter(count => makesSense(kept + count))
          .flatMap(count => driveSizesTB.map((sizeTB): PoolChoice => ({ ...pool, sizeTB, count }))),
      ]
    }),
  )
}

/** Another card goes into a machine that has none yet. */
function hasCard({ machine: { parts } }: Plan, { videoEngines }: Catalogue): boolean {
  return parts.some(({ ref }) => entryOf(videoEngines, ref)?.kind === 'card')
}

/**
 * Whether the plan has a machine that is there already and of which enough is known to judge it.
 */
function hasMachine({ machine: { base, condition, score, cores, sustainedGHz } }: Plan): boolean {
  return (
    condition === 'owned' &&
    (base !== 'own' || score !== null || cores !== null || sustainedGHz !== null)
  )
}

/**
 * The cheapest build on each base of the catalogue that meets the plan's need, cheapest first;
 * behind them, for bases on
 * which nothing does, the one that lacks least. What is bought are drives of one size; owned drives
 * are used where that is
 * cheaper. A machine that is owned is a base as well, and comes before all others. Of equals the
 * first in the order of the
 * catalogue.
 * @param most at most so many are returned, the owned machine not counted
 */
export function cheapestBuilds(plan: Plan, catalogue: Catalogue, most: number): BuildForNeed[] {
  const processors = catalogue.processors.filter(
    ({ price }) => price > 0 && price <= maxProcessorPrice,
  )
  const hasOne = hasCard(plan, catalogue)
  const owned = ownedLots(plan).reduce((sum, { count }) => sum + count, 0)
  const bases: BaseChoice[] = [
    ...(hasMachine(plan) ? [{ id: null, board: null, bays: Infinity }] : []),
    ...catalogue.machineBases.map(base => baseChoice(base, catalogue)),
  ]
  const sticks = [...new Set(bases.flatMap(({ board }) => board?.memory ?? []))]
  const axes = {
    bases: bases.map(({ id }) => id),
    converters: cards
      .filter(card => card === null || entryOf(catalogue.videoEngines, card))
      .flatMap((card): ConverterChoice[] => [
        { processor: null, card, memory: null },
        ...processors.flatMap(({ id }) => sticks.map(memory => ({ processor: id, card, memory }))),
      ]),
    pools: poolsOf(owned),
  }
  const evaluator = createEvaluator(plan, catalogue, axes)
  const best = bases.flatMap((choice, base): BuildForNeed[] => {
    const { id, bays } = choice
    let found: {
      readonly converter: number
      readonly pool: number
      readonly evaluation: Evaluation
      readonly lacks: readonly string[]
    } | null = null
    axes.converters.forEach((put, converter) => {
      if (!fits(choice, put, catalogue) || (id === null && put.card !== null && hasOne)) return
      axes.pools.forEach((pool, poolAt) => {
        if (pool.count + (pool.keepsOwned ? owned : 0) > bays) return
        const evaluation = evaluator.evaluate(base, converter, poolAt)
        const lacks = headroomOrder.filter(
          headroom => evaluation[headroom] === 'short' || evaluation[headroom] === 'impossible',
        )
        if (
          found === null ||
          lacks.length < found.lacks.length ||
          (lacks.length === found.lacks.length && evaluation.toPay < found.evaluation.toPay)
        )
          found = { converter, pool: poolAt, evaluation, lacks }
      })
    })
    if (found === null) return []
    const { converter, pool, evaluation, lacks } = found
    return [
      {
        build: { base: id, converter: axes.converters[converter]!, pool: axes.pools[pool]! },
        evaluation,
        lacks,
      },
    ]
  })
  const isOwned = ({ build }: BuildForNeed) => build.base === null
  const others = best
    .filter(entry => !isOwned(entry))
    .sort((a, b) => a.lacks.length - b.lacks.length || a.evaluation.toPay - b.evaluation.toPay)
  return [...best.filter(isOwned), ...others.slice(0, most)]
}

/** The plan with a build applied, named after its base; the plan's own machine keeps its name. */
export function applyBuild(plan: Plan, build: Build, catalogue: Catalogue): Plan {
  const applied = adoptBuild(plan, build, catalogue)
  return build.base === null
    ? applied
    : {
        ...applied,
        machine: {
          ...applied.machine,
          name: entryOf(catalogue.machineBases, build.base)?.label ?? '',
        },
      }
}
