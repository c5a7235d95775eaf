import { entryOf } from '../catalogue/catalogue'
import type { Board, Case, Supply } from '../catalogue/hardware/hardwarePart'
import type { MachineBase } from '../catalogue/machineBases'
import type { Processor } from '../catalogue/processors'
import type { VideoEngine } from '../catalogue/videoEngines'
import { cardsAndDisks } from './assembly/items'
import { placeItems } from './assembly/placement'
import { engineOfProcessor, fromParts, ownEntry } from '../plan/constants'
import type { Machine } from '../plan/machine'
import {
  knownPart,
  type KnownPart,
  type PartKind,
  type PartLists,
  type PartOf,
  partsOfKind,
} from './knownParts'

/** What a plan's machine is built of, every reference looked up. */
export interface MachineBuild {
  /** null for a machine described by one's own entries, or put together from parts */
  readonly base: MachineBase | null
  /** every part of it stands in the list of parts */
  readonly isFromParts: boolean
  /** the processor that the base or board comes with, where it is one of the catalogue's */
  readonly ownProcessor: Processor | null
  /** the processor in use: one that is put in goes before the one it came with */
  readonly processor: Processor | null
  readonly isReplaced: boolean
  /** in the machine, or beside it; not those that lie on the shelf */
  readonly parts: readonly KnownPart[]
  /** lying on the shelf: spares, and what is kept for later */
  readonly shelved: readonly KnownPart[]
  readonly board: Board | null
  /** its case */
  readonly housing: Case | null
  readonly supply: Supply | null
  readonly cards: readonly VideoEngine[]
  readonly builtIn: VideoEngine | null
  readonly cores: number
  readonly memoryGB: number
  /** for 3.5" drives, in the machine and in enclosures beside it */
  readonly bays: number
  /** of those the ones in enclosures */
  readonly enclosureBays: number
  readonly passivelyCooled: boolean
  /** references that stand in none of the lists, by path */
  readonly unknown: readonly { readonly path: string; readonly ref: string }[]
}

/** Of a plan's machine what it is built of. */
export type BuiltOf = Pick<
  Machine,
  'base' | 'parts' | 'processor' | 'engine' | 'cores' | 'memoryGB' | 'bays' | 'passivelyCooled'
>

/** What stands in for what neither the plan nor the catalogue says. */
export const usualMachine = { cores: 4, memoryGB: 8, bays: 4, idleW: 20, loadW: 60 } as const

/** Frames for drives in 5.25" bays: as many as bays are left by disc drives. */
export function adapterBays(housing: Case | null, parts: readonly KnownPart[]): number {
  const frames = partsOfKind(parts, 'cable')
    .filter(({ entry }) => entry.use === 'bayAdapter')
    .reduce((sum, { part, entry }) => sum + part.count * entry.gives, 0)
  const optical = partsOfKind(parts, 'optical')
    .filter(({ entry }) => entry.link === 'data')
    .reduce((sum, { part }) => sum + part.count, 0)
  return Math.max(0, Math.min(frames, (housing?.bays525 ?? 0) - optical))
}

/** Bays of the enclosures beside the machine. */
function baysOfEnclosures(parts: readonly KnownPart[]): number {
  return partsOfKind(parts, 'enclosure').reduce(
    (sum, { part, entry }) => sum + part.count * entry.bays,
    0,
  )
}

/** Video cards in slots that take them and are alive: one that finds none does nothing. */
function cardsAtWork(parts: readonly KnownPart[], board: Board | null): VideoEngine[] {
  const cards = partsOfKind(parts, 'card')
  if (!board || cards.length === 0)
    return cards.flatMap(({ part, entry }) => Array.from({ length: part.count }, () => entry))
  const { places } = placeItems(board, cardsAndDisks(parts, { nvme: 0 }))
  return places.flatMap(({ holds, offBy }) =>
    holds?.kind === 'card' && offBy === null
      ? cards.flatMap(({ index, entry }) => (index === holds.partIndex ? [entry] : []))
      : [],
  )
}

/** Memory that is put in, in slots of its kind; a stick that finds none does nothing. */
function addedMemoryGB(
  parts: readonly KnownPart[],
  board: Board | null,
  base: MachineBase | null,
): number {
  let free = board ? Math.max(0, board.memory.slots - (base?.memorySticks ?? 0)) : Infinity
  return partsOfKind(parts, 'memory').reduce((sum, { part, entry }) => {
    const isOfItsKind =
      !board || (entry.type === board.memory.type && entry.shape === board.memory.shape)
    const taken = isOfItsKind ? Math.min(free, part.count) : 0
    free -= taken
    return sum + taken * entry.memoryGB
  }, 0)
}

/**
 * Looks up what a machine is built of. What the plan says itself goes before what the catalogue
 * says of a part.
 */
export function machineBuild(machine: BuiltOf, lists: PartLists): MachineBuild {
  const base = entryOf(lists.machineBases, machine.base)
  const isFromParts = machine.base === fromParts
  const all = machine.parts.flatMap((part, index) => knownPart(part, index, lists) ?? [])
  const parts = all.filter(({ part }) => part.purpose === 'fitted')
  const last = <Kind extends PartKind>(kind: Kind): PartOf<Kind> | null =>
    partsOfKind(parts, kind).at(-1) ?? null
  const board = last('board')?.entry ?? base?.inside.board ?? null
  const housing = last('case')?.entry ?? base?.inside.case ?? null
  const supply = last('supply')?.entry ?? base?.inside.supply ?? null
  const processorId = last('board')
    ? board!.processor
    : base
      ? base.processor
      : isFromParts
        ? null
        : machine.processor
  const ownProcessor = processorId === null ? null : entryOf(lists.processors, processorId)
  const putIn = last('processor')?.entry ?? null
  const processor = putIn ?? ownProcessor
  const engineId =
    machine.engine === engineOfProcessor ? (processor?.engine ?? 'none') : machine.engine
  const builtIn = entryOf(lists.videoEngines, engineId)
  const memoryGB = (base?.memoryGB ?? 0) + addedMemoryGB(parts, board, base)
  const ownBays = housing
    ? (base && housing === base.inside.case ? base.bays : housing.bays35) +
      adapterBays(housing, parts)
    : isFromParts
      ? 0
      : usualMachine.bays
  const enclosureBays = baysOfEnclosures(parts)
  return {
    base,
    isFromParts,
    ownProcessor,
    processor,
    isReplaced: putIn !== null,
    parts,
    shelved: all.filter(({ part }) => part.purpose !== 'fitted'),
    board,
    housing,
    supply,
    builtIn,
    cards: cardsAtWork(parts, board),
    cores: machine.cores ?? processor?.cores ?? usualMachine.cores,
    memoryGB: machine.memoryGB ?? (memoryGB || (isFromParts ? 0 : usualMachine.memoryGB)),
    bays: machine.bays ?? ownBays + enclosureBays,
    enclosureBays: Math.min(enclosureBays, machine.bays ?? Infinity),
    passivelyCooled:
      machine.passivelyCooled ||
      (base?.passivelyCooled ?? false) ||
      (last('cooler')?.entry.passive ?? false),
    unknown: [
      ...(machine.base !== ownEntry && !isFromParts && !base
        ? [{ path: 'machine.base', ref: machine.base }]
        : []),
      ...(machine.processor !== ownEntry && !base && !isFromParts && !ownProcessor
        ? [{ path: 'machine.processor', ref: machine.processor }]
        : []),
      ...(engineId !== 'none' && !builtIn ? [{ path: 'machine.engine', ref: engineId }] : []),
      ...machine.parts.flatMap(({ ref }, index) =>
        all.some(part => part.index === index) ? [] : [{ path: `machine.parts.${index}.ref`, ref }],
      ),
    ],
  }
}
