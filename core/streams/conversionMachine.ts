import { engineRateBand, hostWorkOfBurning, hostWorkPerSession, usableRateShare, videoEngines, type VideoEngine } from '../catalogue/videoEngines'
import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
import type { Choices } from '../plan/choices'
import type { Machine } from '../plan/machine'
import { singleConversionCapacity } from './capacity'
import type { ConversionTask } from './softwareWork'

/** What can run out: the units of an engine, and the processor. */
export const units = ['decode', 'toneMap', 'encode', 'memory', 'sessions', 'processor'] as const
export type Unit = typeof units[number]
export const unitLabels: Readonly<Record<Unit, string>> = {
  decode: 'the engine\'s decoding', toneMap: 'the engine\'s tone mapping', encode: 'the engine\'s encoding', memory: 'the engine\'s memory', sessions: 'the driver\'s session limit', processor: 'the processor',
}

/** Where the uncertain quantities stand: each at its low, likely or high end. */
export interface Ends { readonly rates: number, readonly sessionCap: keyof Estimate, readonly host: keyof Estimate }
export const likelyEnds: Ends = { rates: engineRateBand.likely, sessionCap: 'likely', host: 'likely' }

/** The machine as far as conversions go. */
export interface ConversionMachine {
  readonly table: WorkTable
  /** reference streams in software; null while the processor is not known */
  readonly processor: Estimate | null
  readonly cores: number
  /** engines that take conversions, all of them at once */
  readonly engines: readonly VideoEngine[]
  /** share of conversions that end in software although an engine takes them, 0..1 */
  readonly fallbackShare: number
  /** memory that a built-in engine's sessions may take, MB */
  readonly systemMemoryMB: number
}

/** Left to the system and the media software before a built-in engine's sessions, GB: 1 and 1.5. */
const systemMemoryGB = 2.5
/** Less than a session's worth, MB: such an engine is not counted. */
const leastSessionMB = 300

/** The engines of a plan's machine that take conversions: one at a time means the first card, where there is one. */
export function enginesInUse(machine: Pick<Machine, 'engine' | 'cards' | 'oneEngineAtATime'>, { hardwareConversion }: Pick<Choices, 'hardwareConversion'>): VideoEngine[] {
  if (!hardwareConversion) return []
  const engineOf = (id: string) => videoEngines.filter(engine => engine.id === id)
  const cards = machine.cards.flatMap(card => engineOf(card.class))
  const builtIn = engineOf(machine.engine)
  return machine.oneEngineAtATime ? (cards.length ? cards : builtIn) : [...cards, ...builtIn]
}

/** The machine of a plan. */
export function conversionMachine(machine: Machine, choices: Choices, table: WorkTable, processor: Estimate | null): ConversionMachine {
  const systemMemoryMB = Math.max(0, machine.memoryGB - systemMemoryGB) * 1000
  const engines = enginesInUse(machine, choices).filter(engine => engine.memoryGB !== null || systemMemoryMB >= leastSessionMB)
  return {
    table, processor, cores: machine.cores, engines,
    fallbackShare: engines.length === 0 ? 0 : choices.fallbackShare ?? Math.max(...engines.map(engine => engine.usualFallback)),
    systemMemoryMB,
  }
}

/** Picture elements of a 1080p picture, millions. */
const hdMegapixels = 2.0736

/**
 * Memory of one session, MB: 60 + (45·source + 30·output megapixels)·(1.5 with 10 bits).
 * @example sessionMemoryMB({ source: 1080p 8 bits, outputSize: 1 }) // 216; 2160p in 10 bits to 1080p: 713
 */
export function sessionMemoryMB({ source, outputSize }: Pick<ConversionTask, 'source' | 'outputSize'>): number {
  const tenBits = source.codec === 'hevc10' || source.highDynamicRange
  return 60 + (45 * source.pictureSize + 30 * outputSize) * hdMegapixels * (tenBits ? 1.5 : 1)
}

/** Of each unit, the share that one conversion takes: 1 is all of it. */
export type UnitShares = Readonly<Partial<Record<Unit, number>>>

/** Whether an engine takes a conversion: it must decode the codec, and do one alone in real time. */
export function engineTakes(task: ConversionTask, engine: VideoEngine): boolean {
  const shares = engineShares(task, engine, 0, likelyEnds, Infinity)
  return shares !== null && (['decode', 'toneMap', 'encode'] as const).every(unit => (shares[unit] ?? 0) <= 1)
}

/**
 * What one conversion takes of an engine's units, each as a share of what is usable of it; the processor's in reference
 * streams. Null where the engine cannot decode the codec.
 * @param toneMapWork reference streams of mapping tones on the processor, where the engine cannot
 */
export function engineShares(task: ConversionTask, engine: VideoEngine, toneMapWork: number, { rates, sessionCap, host }: Ends, systemMemoryMB: number): (UnitShares & { readonly hostWork: number }) | null {
  const { source, outputSize } = task
  const rate = engine.decode[source.codec]
  if (rate === undefined) return null
  const perSecond = hdMegapixels * (source.framesPerSecond ?? 24)
  const usable = usableRateShare * rates
  const mapsHere = source.highDynamicRange && engine.toneMap !== null
  return {
    decode: source.pictureSize * perSecond / (rate * usable),
    encode: outputSize * perSecond / (engine.encodeH264 * usable),
    ...(mapsHere ? { toneMap: source.pictureSize * perSecond / (engine.toneMap! * usable) } : {}),
    memory: sessionMemoryMB(task) / Math.max(1, engine.memoryGB === null ? systemMemoryMB : engine.memoryGB * 1000),
    ...(engine.sessionCap ? { sessions: 1 / Math.max(1e-9, engine.sessionCap[sessionCap]) } : {}),
    hostWork: hostWorkPerSession[host] + (task.burn ? hostWorkOfBurning : 0) + (source.highDynamicRange && !mapsHere ? toneMapWork : 0),
  }
}

/** Work of mapping a title's tones on the processor, at source size, reference streams. */
export function toneMapWorkOf(task: ConversionTask, table: WorkTable): number {
  return task.source.highDynamicRange ? table.toneMap.likely * task.source.pictureSize * (task.source.framesPerSecond ?? 24) / 24 : 0
}

/** Whether a conversion can run in software in real time by itself; unknown processors are given the benefit of the doubt. */
export function softwareTakes(work: number, { processor, cores }: Pick<ConversionMachine, 'processor' | 'cores'>): boolean {
  return processor === null || work <= singleConversionCapacity(processor.likely, cores)
}

/** Whether the machine can do one such conversion at all, on an engine or in software. */
export function machineTakes(task: ConversionTask, work: number, machine: ConversionMachine): boolean {
  return machine.engines.some(engine => engineTakes(task, engine)) || softwareTakes(work, machine)
}
