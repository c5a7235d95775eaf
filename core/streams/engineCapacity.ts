import { group } from 'd3-array'
import { band } from '../band'
import type { VideoEngine } from '../catalogue/videoEngines'
import { exactly, type Estimate } from '../figure'
import { softwareTakes, type ConversionMachine } from './conversionMachine'
import {
  engineShares,
  engineTakes,
  likelyEnds,
  type Ends,
  type EngineConditions,
  type Unit,
  toneMapWorkOf,
} from './engineShares'
import { engineUnits, onUnlike, type MixCapacity, type Route, type RoutedClass } from './routes'
import type { WeighedTask } from './demand'
import type { ConversionTask } from './softwareWork'

/** A class of conversions in a mix. */
export type MixClass = WeighedTask

/** What an engine of this machine works under for one conversion. */
export function conditionsOf(
  task: ConversionTask,
  { table, systemMemoryMB }: Pick<ConversionMachine, 'table' | 'systemMemoryMB'>,
  ends: Ends = likelyEnds,
): EngineConditions {
  return { toneMapWork: toneMapWorkOf(task, table), ends, systemMemoryMB }
}

/**
 * Conversions at once of a mix. With one engine, or none, the minimum over its units of 1 ÷ Σ
 * share·need; several engines of one kind are one with so many times its units; unlike ones share
 * the mix as best they can, each conversion on one of them: a linear programme. What no engine
 * takes, and what falls back, is the processor's: with all its work even where one alone is too
 * slow there, so that a faster processor never does fewer.
 * Where memory is too little for a built-in engine, its sessions run in software instead, but never
 * more than the engine would do: more memory does not make it fewer.
 * @param how reference streams usable in software, and where the uncertain quantities stand; as
 *   likely unless given
 * @returns null for a mix of nothing
 */
export function mixCapacity(
  mix: readonly MixClass[],
  machine: ConversionMachine,
  how: HowUsed = {},
): MixCapacity | null {
  const counted = capacityOf(mix, machine, how)
  if (!counted) return null
  const { engines, unfed } = machine
  const isCramped = counted.binds === 'memory' && engines.some(usesSystemMemory)
  if (unfed.length === 0 && !isCramped) return counted
  const inSoftware = capacityOf(
    mix,
    { ...machine, engines: engines.filter(engine => !usesSystemMemory(engine)) },
    how,
  )!
  const fed = capacityOf(
    mix,
    { ...machine, engines: [...engines, ...unfed], systemMemoryMB: Infinity },
    how,
  )!
  const instead = inSoftware.conversions <= fed.conversions ? inSoftware : fed
  return unfed.length === 0 && counted.conversions >= instead.conversions ? counted : instead
}

const usesSystemMemory = ({ memoryGB }: VideoEngine) => memoryGB === null

function capacityOf(
  mix: readonly MixClass[],
  machine: ConversionMachine,
  how: HowUsed,
): MixCapacity | null {
  const parts = routedParts(mix, machine, how.ends)
  if (!parts) return null
  const { processor = machine.processor?.likely ?? Infinity } = how
  const found = isOfOneKind(machine)
    ? fullest(needsOf(parts, processor))
    : onUnlike(parts, processor)
  return Number.isFinite(found.conversions) ? found : { ...found, conversions: 0 }
}

interface HowUsed {
  /** reference streams usable in software */
  readonly processor?: number
  readonly ends?: Ends
}

/** Whether the engines are alike, or one at most: a mix takes its units in one proportion then. */
export function isOfOneKind({ engines }: Pick<ConversionMachine, 'engines'>): boolean {
  return engines.every(engine => engine === engines[0])
}

/**
 * Of each unit of engines of one kind, all of them together, and of the processor, the share that
 * one conversion of a mix takes on average; empty for a mix of nothing.
 */
export function mixNeeds(
  mix: readonly MixClass[],
  machine: ConversionMachine,
): ReadonlyMap<Unit, number> {
  const parts = routedParts(mix, machine)
  return parts ? needsOf(parts, machine.processor?.likely ?? Infinity) : new Map()
}

/** The classes of a mix with the engines that take them; null for a mix of nothing. */
function routedParts(
  mix: readonly MixClass[],
  machine: ConversionMachine,
  ends: Ends = likelyEnds,
): RoutedClass[] | null {
  const total = mix.reduce((sum, { share }) => sum + share, 0)
  if (total === 0) return null
  const engines = kindsOf(machine.engines)
  return mix.map(({ task, work, share }): RoutedClass => {
    const routes = engines.flatMap(({ engine, count }, at) =>
      engineTakes(task, engine)
        ? [routeOn(at, engineShares(task, engine, conditionsOf(task, machine, ends))!, count)]
        : [],
    )
    return {
      routes,
      share: share / total,
      inSoftware: routes.length > 0 ? machine.fallbackShare : 1,
      work,
    }
  })
}

/** Engines of one kind together. */
function kindsOf(
  engines: readonly VideoEngine[],
): { readonly engine: VideoEngine; readonly count: number }[] {
  return [...group(engines, engine => engine).entries()].map(([engine, alike]) => ({
    engine,
    count: alike.length,
  }))
}

function routeOn(
  engine: number,
  { hostWork, ...shares }: NonNullable<ReturnType<typeof engineShares>>,
  count: number,
): Route {
  const each = engineUnits.flatMap(unit =>
    shares[unit] ? [[unit, shares[unit] / count] as const] : [],
  )
  return { engine, hostWork, shares: each }
}

function needsOf(parts: readonly RoutedClass[], processor: number): ReadonlyMap<Unit, number> {
  const needs = new Map<Unit, number>()
  const add = (unit: Unit, need: number) => {
    if (need > 0) needs.set(unit, (needs.get(unit) ?? 0) + need)
  }
  for (const { routes, share, inSoftware, work } of parts) {
    const there = share * (1 - inSoftware)
    for (const { shares, hostWork } of routes) {
      for (const [unit, need] of shares) add(unit, there * need)
      add('processor', (there * hostWork) / processor)
    }
    add('processor', (share * inSoftware * work) / processor)
  }
  return needs
}

/** The unit that runs out first. */
function fullest(needs: ReadonlyMap<Unit, number>): MixCapacity {
  return [...needs].reduce<MixCapacity>(
    (least, [unit, need]) =>
      1 / need < least.conversions ? { conversions: 1 / need, binds: unit } : least,
    { conversions: Infinity, binds: 'processor' },
  )
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
  const engines = machine.engines.filter(engine => engineTakes(task, engine))
  const unfed = machine.unfed.filter(engine => engineTakes(task, engine))
  const alone = mixCapacity(
    [{ task, work, share: 1 }],
    { ...machine, engines, unfed, fallbackShare: 0 },
    { processor },
  )!
  if (engines.length === 0)
    return {
      engine: null,
      software:
        unfed.length > 0 && alone.conversions > 0
          ? Math.max(software, 1 / alone.conversions)
          : software,
    }
  return { engine: alone.conversions > 0 ? 1 / alone.conversions : Infinity, software }
}

/**
 * Classes that differ in what an engine does not look at, the bitrate above all, are one with their
 * mean work: work counts in proportion only.
 */
function alikeForEngines(mix: readonly MixClass[]): MixClass[] {
  const groups = group(mix, ({ task: { source, ...how } }) =>
    JSON.stringify({ ...how, source: { ...source, bitrateMbps: 0 } }),
  )
  return [...groups.values()].map(alike => {
    const share = alike.reduce((sum, one) => sum + one.share, 0)
    return {
      task: alike[0]!.task,
      share,
      work: alike.reduce((sum, one) => sum + one.share * one.work, 0) / share,
    }
  })
}

/**
 * The same with its band, not rounded down. Memory that is shared with the machine is known and no
 * estimate: it caps each end of the band of an engine that has enough, so that more of it never
 * lowers one.
 * @param workSpread of software work, as a factor around 1
 */
export function mixCapacityBand(
  mix: readonly MixClass[],
  machine: ConversionMachine,
  workSpread: Estimate,
): { readonly conversions: Estimate; readonly binds: Unit } | null {
  const all = [...machine.engines, ...machine.unfed]
  if (all.length === 0 || !all.every(usesSystemMemory)) return swungBand(mix, machine, workSpread)
  const likely = mixCapacity(mix, machine)
  const enough = { ...machine, engines: all, unfed: [], systemMemoryMB: Infinity }
  const fed = swungBand(mix, enough, workSpread)
  if (!likely || !fed) return null
  const memory = machine.unfed.length > 0 ? 0 : 1 / (mixNeeds(mix, machine).get('memory') ?? 0)
  if (memory >= fed.conversions.high) return fed
  const withoutEngine = { ...machine, engines: [], unfed: [] }
  const software = swungBand(mix, withoutEngine, workSpread)!.conversions
  const capped = (end: keyof Estimate) =>
    Math.min(fed.conversions[end], Math.max(memory, software[end]))
  return {
    conversions: { low: capped('low'), likely: capped('likely'), high: capped('high') },
    binds: likely.binds,
  }
}

/**
 * Engine rates, session limit, work left to the processor, capacity and software work are swung to
 * their ends one at a time, and the swings added by the root of the sum of squares, in logarithms.
 */
function swungBand(
  classes: readonly MixClass[],
  machine: ConversionMachine,
  workSpread: Estimate,
): { readonly conversions: Estimate; readonly binds: Unit } | null {
  if (!machine.processor) return null
  const mix = alikeForEngines(classes)
  const likely = mixCapacity(mix, machine)
  if (!likely || likely.conversions <= 0)
    return likely ? { conversions: exactly(0), binds: likely.binds } : null
  const step = { low: -1, likely: 0, high: 1 }
  const endOf = (value: number): keyof Estimate =>
    value < 0 ? 'low' : value > 0 ? 'high' : 'likely'
  const conversions = band(
    {
      rates: step,
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
          ends: {
            rates: endOf(values.rates),
            sessionCap: endOf(values.cap),
            host: endOf(values.host),
          },
        },
      )?.conversions || 1e-9,
    'log',
  )
  return { conversions, binds: likely.binds }
}
