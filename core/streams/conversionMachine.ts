import { mapEstimate } from '../band'
import {
  engineRateBand,
  hostWorkOfBurning,
  hostWorkPerSession,
  usableRateShare,
  type VideoEngine,
} from '../catalogue/videoEngines'
import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
import type { Hardware } from '../machine/hardware'
import type { Choices } from '../plan/choices'
import { singleConversionCapacity } from './capacity'
import { plannedCapacity } from './plannedCapacity'
import type { ConversionTask } from './softwareWork'

/** What can run out: the units of an engine, and the processor. */
export const units = ['decode', 'toneMap', 'encode', 'memory', 'sessions', 'processor'] as const
export type Unit = (typeof units)[number]
export const unitLabels: Readonly<Record<Unit, string>> = {
  decode: "the engine's decoding",
  toneMap: "the engine's tone mapping",
  encode: "the engine's encoding",
  memory: "the engine's memory",
  sessions: "the driver's session limit",
  processor: 'the processor',
}

/** Where the uncertain quantities stand: each at its low, likely or high end. */
export interface Ends {
  readonly rates: number
  readonly sessionCap: keyof Estimate
  readonly host: keyof Estimate
}
export const likelyEnds: Ends = {
  rates: engineRateBand.likely,
  sessionCap: 'likely',
  host: 'likely',
}

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
  'pointsPerStream' | 'systemReserveShare' | 'hardwareConversion' | 'fallbackShare'
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
  const { cores, engineMemoryMB: systemMemoryMB } = hardware
  const all = enginesInUse(hardware, choices)
  const isFed = ({ memoryGB }: VideoEngine) => memoryGB !== null || systemMemoryMB >= minSessionMB
  const engines = all.filter(isFed)
  return {
    table,
    cores,
    engines,
    unfed: all.filter(engine => !isFed(engine)),
    systemMemoryMB,
    processor: leftFor(plannedCapacity(hardware, choices), hardware),
    fallbackShare:
      all.length === 0
        ? 0
        : (choices.fallbackShare ?? Math.max(...all.map(engine => engine.usualFallback))),
  }
}

/** Picture elements of a 1080p picture, millions. */
const hdMegapixels = 2.0736

/**
 * Memory of one session, MB: 60 + (45·source + 30·output megapixels)·(1.5 with 10 bits).
 * @example sessionMemoryMB({ source: 1080p 8 bits, outputSize: 1 }) // 216; 2160p in 10 bits to
 *   1080p: 713
 */
export function sessionMemoryMB({
  source,
  outputSize,
}: Pick<ConversionTask, 'source' | 'outputSize'>): number {
  const tenBits = source.codec === 'hevc10' || source.highDynamicRange
  return 60 + (45 * source.pictureSize + 30 * outputSize) * hdMegapixels * (tenBits ? 1.5 : 1)
}

/** Of each unit, the share that one conversion takes: 1 is all of it. */
export type UnitShares = Readonly<Partial<Record<Unit, number>>>

/**
 * Whether an engine takes a conversion: it must decode the codec, and do one alone in real time.
 */
export function engineTakes(task: ConversionTask, engine: VideoEngine): boolean {
  const shares = engineShares(task, engine, {
    toneMapWork: 0,
    ends: likelyEnds,
    systemMemoryMB: Infinity,
  })
  return (
    shares !== null &&
    (['decode', 'toneMap', 'encode'] as const).every(unit => (shares[unit] ?? 0) <= 1)
  )
}

/** Under what an engine works. */
export interface EngineConditions {
  /** reference streams of mapping tones on the processor, where the engine cannot */
  readonly toneMapWork: number
  readonly ends: Ends
  readonly systemMemoryMB: number
}

/**
 * What one conversion takes of an engine's units, each as a share of what is usable of it; the
 * processor's in reference
 * streams. Null where the engine cannot decode the codec.
 */
export function engineShares(
  task: ConversionTask,
  engine: VideoEngine,
  { toneMapWork, ends: { rates, sessionCap, host }, systemMemoryMB }: EngineConditions,
): (UnitShares & { readonly hostWork: number }) | null {
  const { source, outputSize } = task
  const rate = engine.decode[source.codec]
  if (rate === undefined) return null
  const perSecond = hdMegapixels * (source.framesPerSecond ?? 24)
  const usable = usableRateShare * rates
  const mapsHere = source.highDynamicRange && engine.toneMap !== null
  return {
    decode: (source.pictureSize * perSecond) / (rate * usable),
    encode: (outputSize * perSecond) / (engine.encodeH264 * usable),
    ...(mapsHere ? { toneMap: (source.pictureSize * perSecond) / (engine.toneMap! * usable) } : {}),
    memory:
      sessionMemoryMB(task) /
      Math.max(1, engine.memoryGB === null ? systemMemoryMB : engine.memoryGB * 1000),
    ...(engine.sessionCap ? { sessions: 1 / Math.max(1e-9, engine.sessionCap[sessionCap]) } : {}),
    hostWork:
      hostWorkPerSession[host] +
      (task.burn ? hostWorkOfBurning : 0) +
      (source.highDynamicRange && !mapsHere ? toneMapWork : 0),
  }
}

/** Work of mapping a title's tones on the processor, at source size, reference streams. */
export function toneMapWorkOf(task: ConversionTask, table: WorkTable): number {
  return task.source.highDynamicRange
    ? (table.toneMap.likely * task.source.pictureSize * (task.source.framesPerSecond ?? 24)) / 24
    : 0
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
