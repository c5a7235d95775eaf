import { engineRateBand, usableRateShare, type VideoEngine } from '../catalogue/videoEngines'
import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
import { correctionOf, type Correction, type Held } from '../calibration/correction'
import { aloneSpread, figureRules } from '../calibration/figureRules'
import { heldAgainst } from '../calibration/heldTrials'
import { tenthAt } from '../calibration/prior'
import type { Converted, Trial } from '../plan/trials'
import { coresOneConversionUses } from './capacity'
import { engineShares, likelyEnds, toneMapWorkOf } from './engineShares'
import { softwareWork, type ConversionTask, type ToneMapping } from './softwareWork'

/** What was converted, as a task of today's table. */
export function taskOf(converted: Converted, toneMapping: ToneMapping): ConversionTask {
  const { codec, pictureSize, highDynamicRange, framesPerSecond, bitrateMbps } = converted
  return {
    source: { codec, pictureSize, highDynamicRange, framesPerSecond, bitrateMbps },
    outputSize: Math.min(converted.outputSize, pictureSize),
    toneMapping,
  }
}

/** The reference stream itself, where nobody said what was converted. */
const referenceStream: Estimate = { low: 1, likely: 1, high: 1 }

interface SoftwareQuestion {
  readonly table: WorkTable
  readonly toneMapping: ToneMapping
  readonly cores: number
}

/**
 * A measurement in software as reference streams: so many conversions times the work of one, and
 * what else ran; one alone uses six cores at most, and its speed says the rest.
 */
export function inReferenceStreams(
  trial: Trial,
  { table, toneMapping, cores }: SoftwareQuestion,
): { readonly trial: Trial; readonly spread: number } {
  const work = trial.converted
    ? softwareWork(table, taskOf(trial.converted, toneMapping))
    : referenceStream
  if (trial.alone) {
    const each = work.likely / Math.min(1, coresOneConversionUses / Math.max(1, cores))
    return {
      trial: { ...trial, reads: 'exact', value: trial.value * each, upTo: null },
      spread: aloneSpread,
    }
  }
  const at = (count: number) => count * work.likely + trial.otherLoad
  return {
    trial: {
      ...trial,
      value: at(trial.value),
      upTo: trial.upTo === null ? null : at(trial.upTo),
    },
    spread: Math.hypot(figureRules.software.spread, Math.log(work.high / work.low) / (2 * tenthAt)),
  }
}

/**
 * What measurements make of the processor's capacity before the reserve.
 * @param before reference streams by the score or by cores, clock and year
 */
export function softwareCorrection(
  before: Estimate,
  trials: readonly Trial[],
  question: SoftwareQuestion,
): Correction | null {
  const held = trials.flatMap((trial): Held[] => {
    const measured = inReferenceStreams(trial, question)
    return heldAgainst(measured.trial, before.likely, measured.spread).map(one => ({
      ...one,
      trial,
    }))
  })
  return correctionOf('software', before, held)
}

/** An engine at rates that measurements made of it, all by one factor. */
export function correctedEngine(engine: VideoEngine, { factor }: Correction): VideoEngine {
  const { likely } = factor
  const scaled = (rate: number) => rate * likely
  return {
    ...engine,
    decode: Object.fromEntries(
      Object.entries(engine.decode).map(([codec, rate]) => [codec, scaled(rate)]),
    ),
    toneMap: engine.toneMap === null ? null : scaled(engine.toneMap),
    encodeH264: scaled(engine.encodeH264),
    rateBand: { low: factor.low / likely, likely: 1, high: factor.high / likely },
  }
}

/**
 * What a unit of an engine comes to on its own, full: conversions of one kind at once, not rounded.
 * @returns null where the engine does not take them, or something else is the limit
 */
function conversionsOn(
  engine: VideoEngine,
  task: ConversionTask,
  { processor, table, systemMemoryMB }: EngineQuestion,
): { readonly conversions: number; readonly isLimit: boolean } | null {
  const shares = engineShares(task, engine, {
    toneMapWork: toneMapWorkOf(task, table),
    ends: likelyEnds,
    systemMemoryMB,
  })
  if (!shares) return null
  const { decode = 0, toneMap = 0, encode = 0, memory = 0, sessions = 0, hostWork } = shares
  const units = Math.max(decode, toneMap, encode) * usableRateShare
  const others = Math.max(memory, sessions, processor > 0 ? hostWork / processor : 0)
  return units > 0 ? { conversions: 1 / units, isLimit: units > others } : null
}

interface EngineQuestion {
  readonly table: WorkTable
  readonly toneMapping: ToneMapping
  /** reference streams of the processor, likely */
  readonly processor: number
  readonly systemMemoryMB: number
}

/**
 * What measurements make of an engine: one factor for all its rates. Where its memory, the session
 * limit or the processor stops it first, what ran is a lower bound.
 */
export function engineCorrection(
  engine: VideoEngine,
  trials: readonly Trial[],
  question: EngineQuestion,
): Correction | null {
  const held = trials.flatMap((trial): Held[] => {
    const predicted =
      trial.converted &&
      conversionsOn(engine, taskOf(trial.converted, question.toneMapping), question)
    if (!predicted) return []
    const bounded: Trial = predicted.isLimit ? trial : { ...trial, reads: 'atLeast', upTo: null }
    return heldAgainst(bounded, predicted.conversions).map(one => ({ ...one, trial }))
  })
  return correctionOf('engine', engineRateBand, held)
}

/** Engines at the rates that measurements of this machine made of them; like ones stay one. */
export function correctedEngines(
  engines: readonly VideoEngine[],
  trials: readonly Trial[],
  question: EngineQuestion,
): VideoEngine[] {
  const corrected = new Map<VideoEngine, VideoEngine>()
  for (const engine of engines) {
    const own = trials.filter(({ figure, of }) => figure === 'engine' && of === engine.id)
    const correction = own.length > 0 ? engineCorrection(engine, own, question) : null
    corrected.set(engine, correction ? correctedEngine(engine, correction) : engine)
  }
  return engines.map(engine => corrected.get(engine)!)
}
