import { entryOf, type Catalogue } from '../catalogue/catalogue'
import { newPart } from '../machine/partChanges'
import { automaticLayout } from '../plan/constants'
import type { Drives } from '../plan/drives'
import { machineSchema } from '../plan/machine'
import type { Plan } from '../plan/planSchema'

/** What is put into a base so that it converts: ids of parts. */
export interface ConverterChoice {
  /** null where the base keeps the processor it comes with */
  readonly processor: string | null
  readonly card: string | null
  readonly memory: string | null
}

/** Drives of one model under a layout. */
export interface PoolChoice {
  readonly driveClass: string
  readonly sizeTB: number
  readonly count: number
  readonly layout: string
  readonly fileSystem: Drives['fileSystem']
}

/** One build of a search: an entry of each axis. */
export interface Build {
  /** id of a base */
  readonly base: string
  readonly converter: ConverterChoice
  readonly pool: PoolChoice
}

/** The parts of a converter, in the order they are put in. */
export function partsOf({ processor, card, memory }: ConverterChoice): string[] {
  return [processor, card, memory].filter((ref): ref is string => ref !== null)
}

/** The plan with a build as its machine and drives; the need stays as it is. */
export function adoptBuild(plan: Plan, { base, converter, pool }: Build, { machineBases }: Pick<Catalogue, 'machineBases'>): Plan {
  const { driveClass, sizeTB, count, layout, fileSystem } = pool
  return {
    ...plan,
    machine: machineSchema.parse({ base, parts: partsOf(converter).map(newPart) }),
    drives: {
      ...plan.drives, driveClass, fileSystem, layout: layout || automaticLayout, hotSpares: 0, failuresPerYear: null,
      lots: [{ count, sizeTB, condition: 'new', priceEach: null, role: 'any' }],
    },
    network: { ...plan.network, serverPortMbps: entryOf(machineBases, base)?.portMbps ?? plan.network.serverPortMbps },
  }
}
