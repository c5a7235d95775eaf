import { entryOf, type Catalogue } from '../catalogue/catalogue'
import type { Plan } from '../plan/planSchema'
import { adoptBuild, type Build, type ConverterChoice, type PoolChoice } from './builds'
import { createEvaluator, type Evaluation } from './evaluator'

/** A build for a need, the cheapest on its base. */
export interface BuildForNeed {
  readonly build: Build
  readonly evaluation: Evaluation
  /** ids of the headrooms that fall short; empty when everything that is known of the need is met */
  readonly lacks: readonly string[]
}

/** Drives that are tried, TB, and how many of them. */
const driveSizesTB = [4, 8, 12, 16, 20, 24]
const driveCounts = [1, 2, 3, 4, 5, 6, 8]
const mostBays = 8
/** Layouts that are tried, with the fewest drives that make sense of them; copy-on-write for those that rotate parity. */
const triedLayouts = [
  { layout: 'separate', from: 1, fileSystem: 'journalled' }, { layout: 'mirror', from: 2, to: 2, fileSystem: 'journalled' },
  { layout: 'rotating-1', from: 3, fileSystem: 'copyOnWrite' }, { layout: 'rotating-2', from: 4, fileSystem: 'copyOnWrite' },
] as const
const cards = [null, 'cardEntry', 'cardModern'] as const
const memoryOfBoards = 'memory-16'
/** Processors more costly than this are left to a search of their own. */
const mostForProcessor = 400

const headrooms = ['streams', 'space', 'survival', 'home', 'away', 'fit', 'money'] as const

/** What cannot be put together, or is not sold: a prebuilt machine keeps its processor and memory, a board needs both. */
function fits(processorOfBase: string | null, { processor, memory }: ConverterChoice): boolean {
  return processorOfBase === null ? processor !== null && memory !== null : processor === null && memory === null
}

/**
 * The cheapest build on each base of the catalogue that meets the plan's need, cheapest first; behind them, for bases on
 * which nothing does, the one that lacks least. Drives are bought new, all of one size. Of equals the first in the order of
 * the catalogue.
 * @param most at most so many are returned
 */
export function cheapestBuilds(plan: Plan, catalogue: Catalogue, most: number): BuildForNeed[] {
  const processors = catalogue.processors.filter(({ price }) => price > 0 && price <= mostForProcessor)
  const axes = {
    bases: catalogue.machineBases.map(({ id }) => id),
    converters: cards.filter(card => card === null || entryOf(catalogue.videoEngines, card)).flatMap((card): ConverterChoice[] => [
      { processor: null, card, memory: null }, ...processors.map(({ id }) => ({ processor: id, card, memory: memoryOfBoards })),
    ]),
    pools: triedLayouts.flatMap(({ layout, from, fileSystem, ...rest }) => driveCounts.filter(count => count >= from && count <= ('to' in rest ? rest.to : mostBays))
      .flatMap(count => driveSizesTB.map((sizeTB): PoolChoice => ({ driveClass: 'nas', sizeTB, count, layout, fileSystem })))),
  }
  const evaluator = createEvaluator(plan, catalogue, axes)
  const best = catalogue.machineBases.flatMap(({ processor, bays }, base): BuildForNeed[] => {
    let found: { readonly converter: number, readonly pool: number, readonly evaluation: Evaluation, readonly lacks: readonly string[] } | null = null
    axes.converters.forEach((choice, converter) => {
      if (!fits(processor, choice)) return
      axes.pools.forEach((pool, poolAt) => {
        if (pool.count > bays) return
        const evaluation = evaluator.evaluate(base, converter, poolAt)
        const lacks = headrooms.filter(id => evaluation[id] === 'short' || evaluation[id] === 'impossible')
        if (found === null || lacks.length < found.lacks.length || (lacks.length === found.lacks.length && evaluation.toPay < found.evaluation.toPay)) found = { converter, pool: poolAt, evaluation, lacks }
      })
    })
    if (found === null) return []
    const { converter, pool, evaluation, lacks } = found
    return [{ build: { base: axes.bases[base]!, converter: axes.converters[converter]!, pool: axes.pools[pool]! }, evaluation, lacks }]
  })
  return best.sort((a, b) => a.lacks.length - b.lacks.length || a.evaluation.toPay - b.evaluation.toPay).slice(0, most)
}

/** The plan with a build applied, named after its base. */
export function applyBuild(plan: Plan, build: Build, catalogue: Catalogue): Plan {
  const applied = adoptBuild(plan, build, catalogue)
  return { ...applied, machine: { ...applied.machine, name: entryOf(catalogue.machineBases, build.base)?.label ?? '' } }
}
