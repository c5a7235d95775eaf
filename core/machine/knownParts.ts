import { entryOf, type Catalogue } from '../catalogue/catalogue'
import type { HardwareKind, HardwarePart } from '../catalogue/hardware/hardwarePart'
import type { MachinePart } from '../plan/machine'
import type { VideoEngine } from '../catalogue/videoEngines'
import type { Processor } from '../catalogue/processors'
import type { MemoryModule } from '../catalogue/memoryModules'

/** The lists that parts are looked up in. */
export type PartLists = Pick<
  Catalogue,
  'machineBases' | 'processors' | 'videoEngines' | 'memoryModules' | 'hardware'
>
export type KnownHardware = {
  [Kind in HardwareKind]: {
    readonly kind: Kind
    readonly entry: Extract<HardwarePart, { readonly kind: Kind }>
  }
}[HardwareKind]
/** A part of the plan with its entry of the catalogue. */
export type KnownPart = { readonly index: number; readonly part: MachinePart } & (
  | { readonly kind: 'processor'; readonly entry: Processor }
  | { readonly kind: 'card'; readonly entry: VideoEngine }
  | { readonly kind: 'memory'; readonly entry: MemoryModule }
  | KnownHardware
)
export type PartKind = KnownPart['kind']
export type PartOf<Kind extends PartKind> = Extract<KnownPart, { readonly kind: Kind }>
/** The entry of a part in the catalogue; null where it has none. */
export function knownPart(part: MachinePart, index: number, lists: PartLists): KnownPart | null {
  const processor = entryOf(lists.processors, part.ref)
  if (processor) return { kind: 'processor', index, part, entry: processor }
  const engine = entryOf(lists.videoEngines, part.ref)
  if (engine?.kind === 'card') return { kind: 'card', index, part, entry: engine }
  const memory = entryOf(lists.memoryModules, part.ref)
  if (memory) return { kind: 'memory', index, part, entry: memory }
  const entry = entryOf(lists.hardware, part.ref)
  return entry ? ({ index, part, kind: entry.kind, entry } as KnownPart) : null
}
/** What a part is called. */
export function partLabel({ kind, entry }: KnownPart): string {
  return kind === 'processor' ? entry.name : entry.label
}
/** The parts of one kind. */
export function partsOfKind<Kind extends PartKind>(
  parts: readonly KnownPart[],
  kind: Kind,
): PartOf<Kind>[] {
  return parts.filter((part): part is PartOf<Kind> => part.kind === kind)
}
