import { entryOf, type Catalogue } from '../catalogue/catalogue'
import { freshMachine } from '../machine/freshMachine'
import { newPart } from '../machine/partChanges'
import { automaticLayout, ownEntry } from '../plan/constants'
import type { Drives } from '../plan/drives'
import type { Plan } from '../plan/planSchema'
import { newDrives } from './newDrives'

/** What is put into a base so that it converts: ids of parts. */
export interface ConverterChoice {
  /** null where the base keeps the processor it comes with */
  readonly processor: string | null
  readonly card: string | null
  readonly memory: string | null
}

/** Drives of one model under a layout, with the owned ones of the plan or without them. */
export interface PoolChoice {
  /** of the new drives; where owned drives stay, the plan's kind stands for all of them */
  readonly driveClass: string
  /** a model of the catalogue; without one, new drives are of the class by its usual figures */
  readonly model?: string
  readonly sizeTB: number
  /** new drives; 0 only beside owned ones */
  readonly count: number
  readonly keepsOwned?: boolean
  readonly layout: string
  readonly fileSystem: Drives['fileSystem']
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

/** The drives of a plan that are owned already. */
export function ownedLots({ drives: { lots } }: Plan): Drives['lots'] {
  return lots.filter(lot => lot.condition === 'owned')
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

/** The plan with other drives; its machine stays. */
export function adoptPool(
  plan: Plan,
  {
    driveClass,
    model = ownEntry,
    sizeTB,
    count,
    layout,
    fileSystem,
    keepsOwned = false,
  }: PoolChoice,
): Plan {
  const kept = keepsOwned ? ownedLots(plan) : []
  return {
    ...plan,
    drives: {
      ...plan.drives,
      ...(kept.length
        ? { hotSpares: 0, purchases: [] }
        : { ...newDrives(plan.drives), driveClass }),
      fileSystem,
      layout: layout || automaticLayout,
      lots: [
        ...kept,
        ...(count > 0
          ? [
              {
                count,
                sizeTB,
                model,
                group: 1,
                condition: 'new' as const,
                priceEach: null,
                warrantyMonths: null,
                role: 'any' as const,
              },
            ]
          : []),
      ],
    },
  }
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
