import { entryOf, type Catalogue } from '../../core/catalogue/catalogue'
import { freshMachine } from '../../core/machine/freshMachine'
import { newPart } from '../../core/machine/partChanges'
import type { Plan } from '../../core/plan/planSchema'
import { createBoxEvaluator } from '../../core/tiers/boxEvaluator'
import type { Evaluation } from '../../core/tiers/buildRows'
import { adoptPool, type PoolChoice } from '../../core/tiers/builds'

/** What is put into a base so that it converts: ids of parts. */
export interface ConverterChoice {
  /** null where the base keeps the processor it comes with */
  readonly processor: string | null
  readonly card: string | null
  readonly memory: string | null
}

/** One build of a search: an entry of each axis. */
export interface Build {
  /** id of a base; null where the plan's machine stays */
  readonly base: string | null
  readonly converter: ConverterChoice
  readonly pool: PoolChoice
}

/** The parts of a converter, in the order they are put in. */
export function partsOf({ processor, card, memory }: ConverterChoice): string[] {
  return [processor, card, memory].filter((ref): ref is string => ref !== null)
}

function machineOf(
  { machine }: Plan,
  { base, parts }: { readonly base: string | null; readonly parts: Plan['machine']['parts'] },
  catalogue: Pick<Catalogue, 'hardware'>,
): Plan['machine'] {
  return base === null
    ? { ...machine, parts: [...machine.parts, ...parts] }
    : freshMachine(machine, { base, parts }, catalogue)
}

/** The plan with a build as its machine and drives; the need stays as it is. */
export function adoptBuild(
  plan: Plan,
  { base, converter, pool }: Build,
  { machineBases, hardware }: Pick<Catalogue, 'machineBases' | 'hardware'>,
): Plan {
  return {
    ...adoptPool(plan, pool),
    machine: machineOf(plan, { base, parts: partsOf(converter).map(newPart) }, { hardware }),
    network: {
      ...plan.network,
      serverPortMbps:
        (base === null ? undefined : entryOf(machineBases, base)?.portMbps) ??
        plan.network.serverPortMbps,
    },
  }
}

/** The axes of a search; a build is one entry of each. */
export interface Axes {
  /** ids of bases; null is the plan's own machine */
  readonly bases: readonly (string | null)[]
  readonly converters: readonly ConverterChoice[]
  readonly pools: readonly PoolChoice[]
}

export interface Evaluator {
  /** what the build of these entries of the axes comes to */
  readonly evaluate: (base: number, converter: number, pool: number) => Evaluation
  /** works out every row of the tables that are not there yet; how many there are */
  readonly fill: () => number
}

/** Evaluates builds along three axes: bases, what is put into them, and drives. */
export function createEvaluator(plan: Plan, catalogue: Catalogue, axes: Axes): Evaluator {
  const evaluator = createBoxEvaluator(plan, catalogue, adoptPool(plan, axes.pools[0]!).drives)
  const boxAt = (base: number, converter: number, copyOnWrite: boolean) => {
    const id = axes.bases[base]!
    const { machine } = adoptBuild(
      plan,
      { base: id, converter: axes.converters[converter]!, pool: axes.pools[0]! },
      catalogue,
    )
    return evaluator.box(
      {
        key: `${base} ${converter}`,
        machine,
        serverPortMbps:
          (id === null ? undefined : entryOf(catalogue.machineBases, id)?.portMbps) ??
          plan.network.serverPortMbps,
      },
      copyOnWrite,
    )
  }
  const rows: (ReturnType<typeof boxAt> | undefined)[] = []
  const boxRow = (base: number, converter: number, copyOnWrite: boolean) =>
    (rows[2 * (base * axes.converters.length + converter) + Number(copyOnWrite)] ??= boxAt(
      base,
      converter,
      copyOnWrite,
    ))
  const pools: (ReturnType<typeof evaluator.pool> | undefined)[] = []
  const poolRow = (pool: number) =>
    (pools[pool] ??= evaluator.pool({
      key: String(pool),
      drives: adoptPool(plan, axes.pools[pool]!).drives,
    }))

  return {
    evaluate(base, converter, pool) {
      const drives = poolRow(pool)
      return evaluator.evaluate(boxRow(base, converter, drives.copyOnWrite), drives)
    },
    fill() {
      const ways = new Set(axes.pools.map(({ fileSystem }) => fileSystem === 'copyOnWrite'))
      for (let base = 0; base < axes.bases.length; base++)
        for (let converter = 0; converter < axes.converters.length; converter++)
          for (const way of ways) boxRow(base, converter, way)
      for (let pool = 0; pool < axes.pools.length; pool++) poolRow(pool)
      const { boxes, pools: all } = evaluator.counts()
      return boxes + all
    },
  }
}
