import type { Processor } from '../catalogue/processors'
import type { VideoEngine } from '../catalogue/videoEngines'
import type { Machine } from '../plan/machine'
import type { Trial } from '../plan/trials'
import type { MachineBuild } from './machineBuild'
import { memoryUses, systemMemoryGB, type MemoryQuestion } from './memory/memoryNeed'

/**
 * The machine as far as conversions go: what its processor, engines and memory can be put to, and
 * what was measured.
 */
export interface Hardware extends Pick<
  Machine,
  | 'score'
  | 'sustainedGHz'
  | 'designYear'
  | 'coreKind'
  | 'threadsPerCore'
  | 'oneEngineAtATime'
  | 'measuredStreams'
  | 'measuredLow'
  | 'measuredBy'
> {
  /** a processor of the catalogue; null for one's own entries */
  readonly processor: Processor | null
  readonly cores: number
  readonly builtIn: VideoEngine | null
  readonly cards: readonly VideoEngine[]
  readonly passivelyCooled: boolean
  readonly memoryGB: number
  /** reference streams that services keep busy: they are not there for conversions */
  readonly servicesLoad: number
  /** share of the processor that work or games take, 0..1; engines that they take are not listed */
  readonly usedShare: number
  /** memory that a built-in engine's sessions may take, MB */
  readonly engineMemoryMB: number
  /** measurements of this machine's conversions */
  readonly trials: readonly Trial[]
}

/** What runs on the machine, as far as memory goes. */
export type SystemMemory = Pick<MemoryQuestion, 'makersSystem' | 'copyOnWrite'>

/**
 * Memory budget: what the system's floor and the media software leave for a built-in engine's
 * sessions, MB.
 */
export function engineMemoryMB(memoryGB: number, system: SystemMemory): number {
  return Math.max(0, memoryGB - systemMemoryGB(system) - memoryUses.mediaSoftware) * 1000
}

export function hardwareOf(
  machine: Machine,
  { processor, cores, builtIn, cards, passivelyCooled, memoryGB }: MachineBuild,
  system: SystemMemory & { readonly servicesLoad?: number; readonly trials?: readonly Trial[] },
): Hardware {
  const isUsed = machine.usedHoursPerDay > 0
  const engines =
    isUsed && machine.usedEngineToo ? { builtIn: null, cards: [] } : { builtIn, cards }
  const {
    score,
    sustainedGHz,
    designYear,
    coreKind,
    threadsPerCore,
    oneEngineAtATime,
    measuredStreams,
    measuredLow,
    measuredBy,
  } = machine
  return {
    score,
    sustainedGHz,
    designYear,
    coreKind,
    threadsPerCore,
    oneEngineAtATime,
    measuredStreams,
    measuredLow,
    measuredBy,
    processor,
    cores,
    ...engines,
    passivelyCooled,
    memoryGB,
    usedShare: isUsed ? machine.usedShare : 0,
    servicesLoad: system.servicesLoad ?? 0,
    engineMemoryMB: engineMemoryMB(memoryGB, system),
    trials: system.trials ?? [],
  }
}
