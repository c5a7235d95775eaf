import { mapEstimate } from '../band'
import type { VideoEngine } from '../catalogue/videoEngines'
import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
import type { Hardware } from '../machine/hardware'
import type { Choices } from '../plan/choices'
import { singleConversionCapacity } from './capacity'
import { engineTakes } from './engineShares'
import { correctedEngines } from './measuredConversions'
import { plannedCapacity } from './plannedCapacity'
import type { ConversionTask } from './softwareWork'

/** The machine as far as conversions go. */
export interface ConversionMachine {
  readonly table: WorkTable
  /** reference streams in software; null while the processor is not known */
  readonly processor: Estimate | null
  readonly cores: number
  /** engines that take conversions, all of them at once */
  readonly engines: readonly VideoEngine[]
  /** built-in engines that are left out, because the memory does not feed one session of theirs */
  readonly unfed: readonly VideoEngine[]
  /** share of conversions that end in software although an engine takes them, 0..1 */
  readonly fallbackShare: number
  /** memory that a built-in engine's sessions may take, MB */
  readonly systemMemoryMB: number
}

/** Less than a session's worth, MB: such an engine is not counted. */
export const minSessionMB = 300

/** What of the choices decides how conversions are done. */
export type ConversionChoices = Pick<
  Choices,
  'pointsPerStream' | 'systemReserveShare' | 'hardwareConversion' | 'fallbackShare' | 'toneMapping'
>

/**
 * The engines that take conversions: one at a time means the cards, where there is one. Cards stand
 * first.
 */
export function enginesInUse(
  { builtIn, cards, oneEngineAtATime }: Pick<Hardware, 'builtIn' | 'cards' | 'oneEngineAtATime'>,
  { hardwareConversion }: Pick<Choices, 'hardwareConversion'>,
): VideoEngine[] {
  if (!hardwareConversion) return []
  const own = builtIn ? [builtIn] : []
  return oneEngineAtATime && cards.length ? [...cards] : [...cards, ...own]
}

/** What work or games, and services, leave of the processor, never below nothing. */
function leftFor(
  capacity: Estimate | null,
  { usedShare, servicesLoad }: Pick<Hardware, 'usedShare' | 'servicesLoad'>,
): Estimate | null {
  return capacity && (servicesLoad > 0 || usedShare > 0)
    ? mapEstimate(capacity, value => Math.max(0, value * (1 - usedShare) - servicesLoad))
    : capacity
}

/** A plan's machine as far as conversions go. */
export function conversionMachine(
  hardware: Hardware,
  choices: ConversionChoices,
  table: WorkTable,
): ConversionMachine {
  const { cores, engineMemoryMB: systemMemoryMB, trials } = hardware
  const all = enginesInUse(hardware, choices)
  const isFed = ({ memoryGB }: VideoEngine) => memoryGB !== null || systemMemoryMB >= minSessionMB
  const { toneMapping } = choices
  const whole = plannedCapacity(hardware, { ...choices, table })
  const engines = correctedEngines(all.filter(isFed), trials, {
    table,
    toneMapping,
    systemMemoryMB,
    processor: whole?.likely ?? 0,
  })
  return {
    table,
    cores,
    engines,
    unfed: all.filter(engine => !isFed(engine)),
    systemMemoryMB,
    processor: leftFor(whole, hardware),
    fallbackShare:
      all.length === 0
        ? 0
        : (choices.fallbackShare ?? Math.max(...all.map(engine => engine.usualFallback))),
  }
}

/**
 * Whether a conversion can run in software in real time by itself; unknown processors are given the
 * benefit of the doubt.
 */
export function softwareTakes(
  work: number,
  { processor, cores }: Pick<ConversionMachine, 'processor' | 'cores'>,
): boolean {
  return processor === null || work <= singleConversionCapacity(processor.likely, cores)
}

/**
 * Of such conversions the share that the machine is too slow for: all where neither an engine nor
 * software does one in real time; of those that an engine takes, what falls back to software that
 * is too slow.
 */
export function tooSlowShare(
  task: ConversionTask,
  work: number,
  machine: ConversionMachine,
): number {
  if (softwareTakes(work, machine)) return 0
  return machine.engines.some(engine => engineTakes(task, engine)) ? machine.fallbackShare : 1
}

/** Whether the machine can do one such conversion at all, on an engine or in software. */
export function machineTakes(
  task: ConversionTask,
  work: number,
  machine: ConversionMachine,
): boolean {
  return machine.engines.some(engine => engineTakes(task, engine)) || softwareTakes(work, machine)
}
