import { entryOf, type Catalogue } from '../catalogue/catalogue'
import type { MachineBase } from '../catalogue/machineBases'
import type { MemoryModule } from '../catalogue/memoryModules'
import type { Processor } from '../catalogue/processors'
import type { VideoEngine } from '../catalogue/videoEngines'
import { engineOfProcessor, ownEntry } from '../plan/constants'
import type { Machine, MachinePart } from '../plan/machine'

/** The lists that parts are looked up in. */
export type PartLists = Pick<Catalogue, 'machineBases' | 'processors' | 'videoEngines' | 'memoryModules'>

/** A part of the plan with its entry of the catalogue. */
export type KnownPart = { readonly index: number, readonly part: MachinePart } & (
  | { readonly kind: 'processor', readonly entry: Processor }
  | { readonly kind: 'card', readonly entry: VideoEngine }
  | { readonly kind: 'memory', readonly entry: MemoryModule }
)

/** What a plan's machine is built of, every reference looked up. */
export interface MachineBuild {
  /** null for a machine described by one's own entries */
  readonly base: MachineBase | null
  /** the processor that the base comes with, where it is one of the catalogue's */
  readonly ownProcessor: Processor | null
  /** the processor in use: one that is put in goes before the one it came with */
  readonly processor: Processor | null
  readonly isReplaced: boolean
  readonly parts: readonly KnownPart[]
  readonly cards: readonly VideoEngine[]
  readonly builtIn: VideoEngine | null
  readonly cores: number
  readonly memoryGB: number
  readonly bays: number
  readonly passivelyCooled: boolean
  /** references that stand in none of the lists, by path */
  readonly unknown: readonly { readonly path: string, readonly ref: string }[]
}

/** What stands in for what neither the plan nor the catalogue says. */
export const usualMachine = { cores: 4, memoryGB: 8, bays: 4, idleW: 20, loadW: 60 } as const

/** The entry of a part in the catalogue; null where it has none. */
export function knownPart(part: MachinePart, index: number, lists: PartLists): KnownPart | null {
  const processor = entryOf(lists.processors, part.ref)
  if (processor) return { kind: 'processor', index, part, entry: processor }
  const engine = entryOf(lists.videoEngines, part.ref)
  if (engine?.kind === 'card') return { kind: 'card', index, part, entry: engine }
  const memory = entryOf(lists.memoryModules, part.ref)
  return memory ? { kind: 'memory', index, part, entry: memory } : null
}

/** Looks up what a machine is built of. What the plan says itself goes before what the catalogue says of a part. */
export function machineBuild(machine: Machine, lists: PartLists): MachineBuild {
  const base = entryOf(lists.machineBases, machine.base)
  const parts = machine.parts.flatMap((part, index) => knownPart(part, index, lists) ?? [])
  const processorId = base ? base.processor : machine.processor
  const ownProcessor = processorId === null ? null : entryOf(lists.processors, processorId)
  const putIn = parts.findLast((part): part is KnownPart & { kind: 'processor' } => part.kind === 'processor')
  const processor = putIn?.entry ?? ownProcessor
  const engineId = machine.engine === engineOfProcessor ? processor?.engine ?? 'none' : machine.engine
  const builtIn = entryOf(lists.videoEngines, engineId)
  const memoryGB = parts.reduce((sum, part) => part.kind === 'memory' ? sum + part.part.count * part.entry.memoryGB : sum, base?.memoryGB ?? 0)
  return {
    base, ownProcessor, processor, isReplaced: putIn !== undefined, parts, builtIn,
    cards: parts.flatMap(part => part.kind === 'card' ? Array.from({ length: part.part.count }, () => part.entry) : []),
    cores: machine.cores ?? processor?.cores ?? usualMachine.cores,
    memoryGB: machine.memoryGB ?? (memoryGB || usualMachine.memoryGB),
    bays: machine.bays ?? base?.bays ?? usualMachine.bays,
    passivelyCooled: machine.passivelyCooled || (base?.passivelyCooled ?? false),
    unknown: [
      ...(machine.base !== ownEntry && !base ? [{ path: 'machine.base', ref: machine.base }] : []),
      ...(machine.processor !== ownEntry && !base && !ownProcessor ? [{ path: 'machine.processor', ref: machine.processor }] : []),
      ...(engineId !== 'none' && !builtIn ? [{ path: 'machine.engine', ref: engineId }] : []),
      ...machine.parts.flatMap(({ ref }, index) => parts.some(part => part.index === index) ? [] : [{ path: `machine.parts.${index}.ref`, ref }]),
    ],
  }
}
