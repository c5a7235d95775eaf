import type { Processor } from '../catalogue/processors'
import type { VideoEngine } from '../catalogue/videoEngines'
import type { Machine } from '../plan/machine'
import type { MachineBuild } from './machineBuild'

/** The machine as far as conversions go: what its processor, engines and memory can be put to, and what was measured. */
export interface Hardware extends Pick<Machine, 'score' | 'sustainedGHz' | 'designYear' | 'coreKind' | 'threadsPerCore' | 'oneEngineAtATime' | 'measuredStreams' | 'measuredLow' | 'measuredBy'> {
  /** a processor of the catalogue; null for one's own entries */
  readonly processor: Processor | null
  readonly cores: number
  readonly builtIn: VideoEngine | null
  readonly cards: readonly VideoEngine[]
  readonly passivelyCooled: boolean
  readonly memoryGB: number
  /** memory that a built-in engine's sessions may take, MB */
  readonly engineMemoryMB: number
}

/** Left to the system and the media software before a built-in engine's sessions, GB. */
export const systemMemoryGB = { system: 1, mediaSoftware: 1.5 } as const

/** Memory budget: what is left of the memory for a built-in engine's sessions, MB. */
export function engineMemoryMB(memoryGB: number): number {
  return Math.max(0, memoryGB - systemMemoryGB.system - systemMemoryGB.mediaSoftware) * 1000
}

export function hardwareOf(machine: Machine, { processor, cores, builtIn, cards, passivelyCooled, memoryGB }: MachineBuild): Hardware {
  const { score, sustainedGHz, designYear, coreKind, threadsPerCore, oneEngineAtATime, measuredStreams, measuredLow, measuredBy } = machine
  return {
    score, sustainedGHz, designYear, coreKind, threadsPerCore, oneEngineAtATime, measuredStreams, measuredLow, measuredBy,
    processor, cores, builtIn, cards, passivelyCooled, memoryGB, engineMemoryMB: engineMemoryMB(memoryGB),
  }
}
