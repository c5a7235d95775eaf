import { band } from '../band'
import { engineRateBand, type VideoEngine } from '../catalogue/videoEngines'
import { exactly, type Estimate } from '../figure'
import {
  engineShares,
  engineTakes,
  likelyEnds,
  softwareTakes,
  toneMapWorkOf,
  units,
  type ConversionMachine,
  type Ends,
  type EngineConditions,
  type Unit,
} from './conversionMachine'
import type { ConversionTask } from './softwareWork'

/** A class of conversions in a mix. */
export interface MixClass {
  readonly task: ConversionTask
  /** reference streams in software */
  readonly work: number
  /** share of the conversions, > 0; only their ratio counts */
  readonly share: number
}

/**
 * What one conversion of a mix takes on average of each unit of one engine, and of the processor in
 * reference streams.
 */
interface Mean {
  readonly shares: Record<Exclude<Unit, 'processor'>, number>
  readonly hostWork: number
}

/** How many conversions of a mix run at once, and what runs out first. */
export interface MixCapacity {
  /** not rounded down */
  readonly conversions: number
  readonly binds: Unit
}

/** What an engine of this machine works under for one conversion. */
export function conditionsOf(
  task: ConversionTask,
  { table, systemMemoryMB }: Pick<ConversionMachine, 'table' | 'systemMemoryMB'>,
  ends: Ends = likelyEnds,
): EngineConditions {
  return { toneMapWork: toneMapWorkOf(task, table), ends, systemMemoryMB }
}

const engineUnits = units.filter((unit): unit is Exclude<Unit, 'processor'> => unit !== 'processor')

/** Mean over the classes that can be converted at all; null when there are none. */
function meanOn(
  engine: VideoEngine | null,
  mix: readonly MixClass[],
  { machine, ends }: { readonly machine: ConversionMachine; readonly ends: Ends },
): Mean | null {
  const shares = { decode: 0, toneMap: 0, encode: 0, memory: 0, sessions: 0 }
  let hostWork = 0
  let total = 0
  for (const { task, work, share } of mix) {
    const takes = engine !== null && engineTakes(task, engine)
    const inSoftware = softwareTakes(work, machine)
    if (!takes && !inSoftware) continue
    const onEngine = takes ? engineShares(task, engine, conditionsOf(task, machine, ends))! : null
    const there = onEngine ? 1 - machine.fallbackShare : 0
    // What falls back to software that is too slow for it is left out; it is short while it lasts.
    const here = inSoftware ? 1 - there : 0
    total += share * (there + here)
    hostWork += share * (there * (onEngine?.hostWork ?? 0) + here * work)
    for (const unit of engineUnits) shares[unit] += share * there * (onEngine?.[unit] ?? 0)
  }
  if (total === 0) return null
  for (const unit of engineUnits) shares[unit] /= total
  return { shares, hostWork: hostWork / total }
}

/**
 * Conversions at once of a mix: for one engine (or none) the minimum over its units of 1 ÷ Σ
 * share·need, in closed form;
 * several engines each take the same mix, the one that leaves least to the processor first, until
 * the processor is full.
 * @param how reference streams usable in software, and where the uncertain quantities stand; as
 *   likely unless given
 * @returns null when nothing of the mix can be converted
 */
export function mixCapacity(
  mix: readonly MixClass[],
  machine: ConversionMachine,
  {
    processor = machine.processor?.likely ?? Infinity,
    ends = likelyEnds,
  }: { readonly processor?: number; readonly ends?: Ends } = {},
): MixCapacity | null {
  const routes: readonly (VideoEngine | null)[] = machine.engines.length ? machine.engines : [null]
  const means = routes
    .flatMap(engine => meanOn(engine, mix, { machine, ends }) ?? [])
    .sort((a, b) => a.hostWork - b.hostWork)
  if (means.length === 0) return null
  let left = processor
  let conversions = 0
  let binds: Unit = 'processor'
  for (const { shares, hostWork } of means) {
    let most = Infinity
    let unit: Unit = 'processor'
    for (const candidate of engineUnits) {
      if (shares[candidate] > 0 && 1 / shares[candidate] < most)
        [most, unit] = [1 / shares[candidate], candidate]
    }
    const byProcessor = hostWork > 0 ? left / hostWork : Infinity
    const here = Math.min(most, byProcessor)
    conversions += here
    left = Math.max(0, left - here * hostWork)
    binds = byProcessor <= most ? 'processor' : unit
  }
  return { conversions: Number.isFinite(conversions) ? conversions : 0, binds }
}

/**
 * The share of the machine that one conversion takes: of its units the fullest, on the engine that
 * takes it; Infinity where none can.
 */
export function machineShare(
  task: ConversionTask,
  work: number,
  machine: ConversionMachine,
): { readonly engine: number | null; readonly software: number } {
  const processor = machine.processor?.likely ?? 0
  const software = softwareTakes(work, machine) && processor > 0 ? work / processor : Infinity
  const best = machine.engines
    .filter(engine => engineTakes(task, engine))
    .map(engine => {
      const { hostWork, ...shares } = engineShares(task, engine, conditionsOf(task, machine))!
      return Math.max(...Object.values(shares), processor > 0 ? hostWork / processor : Infinity)
    })
    .sort((a, b) => a - b)[0]
  // Several engines share the load between them; the sum of shares counts them as one, so each
  // takes its part.
  return { engine: best === undefined ? null : best / machine.engines.length, software }
}

/**
 * The same with its band: engine rates, session limit, work left to the processor, capacity and
 * software work are swung
 * to their ends one at a time, and the swings added by the root of the sum of squares, in
 * logarithms. Not rounded down.
 * @param workSpread of software work, as a factor around 1
 */
export function mixCapacityBand(
  mix: readonly MixClass[],
  machine: ConversionMachine,
  workSpread: Estimate,
): { readonly conversions: Estimate; readonly binds: Unit } | null {
  if (!machine.processor) return null
  const likely = mixCapacity(mix, machine)
  if (!likely || likely.conversions <= 0)
    return likely ? { conversions: exactly(0), binds: likely.binds } : null
  const step = { low: -1, likely: 0, high: 1 }
  const endOf = (value: number): keyof Estimate =>
    value < 0 ? 'low' : value > 0 ? 'high' : 'likely'
  const conversions = band(
    {
      rates: engineRateBand,
      cap: step,
      host: step,
      processor: machine.processor,
      work: workSpread,
    },
    values =>
      mixCapacity(
        mix.map(entry => ({ ...entry, work: entry.work * values.work })),
        machine,
        {
          processor: values.processor,
          ends: { rates: values.rates, sessionCap: endOf(values.cap), host: endOf(values.host) },
        },
      )?.conversions || 1e-9,
    'log',
  )
  return { conversions, binds: likely.binds }
}
