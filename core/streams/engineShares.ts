import {
  engineRateBand,
  hostWorkOfBurning,
  hostWorkPerSession,
  usableRateShare,
  type VideoEngine,
} from '../catalogue/videoEngines'
import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
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
  readonly rates: keyof Estimate
  readonly sessionCap: keyof Estimate
  readonly host: keyof Estimate
}
export const likelyEnds: Ends = {
  rates: 'likely',
  sessionCap: 'likely',
  host: 'likely',
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
  const usable = usableRateShare * (engine.rateBand ?? engineRateBand)[rates]
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
