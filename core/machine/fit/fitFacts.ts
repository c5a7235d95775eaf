import type { FitSlice } from './fitSlice'
import { worseState, type VerdictState } from '../../verdict'
import { assembly, type Assembly } from '../assembly/assembly'
import { fitState } from '../fitState'
import { caseFansW, fanW } from '../machinePower'
import { memoryNeed } from '../memory/memoryNeed'
import { cupboardRiseK, driveRiseK } from '../place/heat'
import { driveDb, fanDb, noiseAtEar, noiseCeiling, soundSum } from '../place/noise'
import { startSurge, type StartQuestion } from '../power/startSurge'
import { laneMBps, type FitContext, type HeatFacts, type NoiseFacts } from './fitContext'
import type { FitRule, FitState, Judgement } from './fitRule'
import { fitRules } from './fitRules'

/** A rule with what it says of the machine. */
export interface Judged {
  readonly rule: FitRule
  readonly judgement: Judgement
}
/** The same as plain data. */
export interface JudgedFacts extends Judgement {
  readonly id: string
}

export interface FitFacts {
  readonly context: FitContext
  /** of the rules that have something to say, in the order of the report */
  readonly judged: readonly JudgedFacts[]
  readonly state: VerdictState
  /**
   * MB/s of the slowest controller card, and of the slowest enclosure with drives in it; null where
   * there is none
   */
  readonly controllerMBps: number | null
  readonly enclosureMBps: number | null
}

/** Sound of a base's own cooler, which no list of parts names. */
export const baseCoolerDb = 22

function noiseOf(
  { build, brief, drives }: FitSlice,
  { cooler, housing, supply }: Assembly,
): NoiseFacts {
  const sources: NoiseFacts['sources'][number][] = []
  const slow = drives.spinning - drives.fast
  if (slow > 0) sources.push({ what: 'drives', count: slow, db: driveDb.slow.seeking })
  if (drives.fast > 0)
    sources.push({ what: 'drives', count: drives.fast, db: driveDb.fast.seeking })
  for (const fan of housing?.fans ?? [])
    sources.push({ what: 'fans', count: 1, db: fanDb(fan.rpm, fan.sizeMm) })
  for (const { kind, entry, part } of build.parts) {
    if (kind === 'fan')
      sources.push({ what: 'fans', count: part.count, db: fanDb(entry.rpm, entry.sizeMm) })
    if (kind === 'enclosure' && entry.noiseDb > 0)
      sources.push({ what: 'enclosure', count: part.count, db: entry.noiseDb })
  }
  if (supply && supply.noiseDb > 0) sources.push({ what: 'supply', count: 1, db: supply.noiseDb })
  const coolerDb = cooler
    ? cooler.noiseDb
    : build.base && !build.passivelyCooled && build.base.bays > 0
      ? baseCoolerDb
      : 0
  if (coolerDb > 0) sources.push({ what: 'cooler', count: 1, db: coolerDb })
  const each = sources.flatMap(({ count, db }) => Array.from({ length: count }, () => db))
  return {
    sources,
    sumDb: soundSum(each),
    atEarDb: noiseAtEar(each, {
      distanceM: brief.earDistanceM,
      inCupboard: brief.place === 'cupboard',
    }),
    ceilingDb: noiseCeiling(brief),
  }
}

/**
 * What air does at the drives: as the case has it, or better by fans that are added where mounts
 * are free.
 */
function riseAtDrives({ housing, build }: Assembly): number {
  if (!housing) return driveRiseK.slow
  const added = build.parts.reduce(
    (sum, { kind, part }) => (kind === 'fan' ? sum + part.count : sum),
    0,
  )
  return driveRiseK[
    Math.min(added, housing.fanMounts - housing.fans.length) > 0 ? 'across' : housing.airflow
  ]
}

function heatOf({ brief, states: [idle, converting] }: FitSlice, assembled: Assembly): HeatFacts {
  const averageW =
    (idle.watts.likely * idle.hoursPerDay + converting.watts.likely * converting.hoursPerDay) / 24
  const riseK =
    brief.place === 'cupboard'
      ? cupboardRiseK(averageW, { panelM2: brief.cupboardM2, vented: brief.cupboardVented })
      : 0
  const atDrives = riseAtDrives(assembled)
  return {
    averageW,
    riseK,
    driveRiseK: atDrives,
    warmestC: brief.roomHighC + riseK + atDrives,
    coldestC: brief.roomLowC + riseK + atDrives,
  }
}

function startOf(
  { machine, build, power, drives }: FitSlice,
  { processor, housing, enclosedDrives }: Assembly,
): StartQuestion {
  const spinning = Math.max(0, drives.spinning - enclosedDrives)
  const rise = processor ? processor.maxW - processor.idleW : power.loadDcW - power.idleDcW
  const cardsIdleW = build.parts.reduce(
    (sum, { kind, entry, part }) =>
      kind === 'card' || kind === 'controller' || kind === 'networkCard'
        ? sum + part.count * entry.idleW
        : sum,
    0,
  )
  const fansW =
    caseFansW(housing) +
    build.parts.reduce(
      (sum, { kind, entry, part }) => (kind === 'fan' ? sum + part.count * fanW(entry.rpm) : sum),
      0,
    )
  return {
    spinning,
    together: Math.max(1, Math.min(machine.startTogether ?? spinning, Math.max(1, spinning))),
    idleEachW: drives.count > 0 ? drives.idleW / drives.count : 0,
    restW: power.idleDcW + rise,
    rest12W: (processor?.maxW ?? rise) + cardsIdleW + fansW,
  }
}

/** What the rules look at. */
export function fitContext(slice: FitSlice): FitContext {
  const {
    machine,
    brief,
    power,
    system,
    copyOnWrite,
    parity,
    layoutId,
    conversionsNeeded,
    hardwareConversion,
    serverPortMbps,
    freeBays,
    drives,
    services,
    engineGB,
  } = slice
  const assembled = assembly(slice.build, drives)
  const start = startOf(slice, assembled)
  const inside = drives.count > 0 ? (drives.count - assembled.enclosedDrives) / drives.count : 0
  const [surge, memory, noise, heat] = [
    lazily(() => startSurge(start)),
    lazily(() =>
      memoryNeed({
        makersSystem: system?.memory === 'appliance',
        copyOnWrite,
        conversions: conversionsNeeded,
        services,
        engineGB,
        rawTB: drives.rawTB,
      }),
    ),
    lazily(() => noiseOf(slice, assembled)),
    lazily(() => heatOf(slice, assembled)),
  ]
  return {
    ...assembled,
    machine,
    brief,
    power,
    system,
    copyOnWrite,
    parity,
    layoutId,
    conversionsNeeded,
    hardwareConversion,
    serverPortMbps,
    freeBays,
    start,
    runningW: power.loadDcW + drives.activeW * inside,
    // A search asks only a few rules of most machines.
    get surge() {
      return surge()
    },
    get memory() {
      return memory()
    },
    get noise() {
      return noise()
    },
    get heat() {
      return heat()
    },
  }
}

/** A value that is worked out when it is first asked for. */
function lazily<Value extends object>(make: () => Value): () => Value {
  let known: Value | undefined
  return () => (known ??= make())
}

/** What every rule says of a machine; those that have nothing to say are left out. */
export function judgeFit(context: FitContext, rules: readonly FitRule[] = fitRules): Judged[] {
  return rules.flatMap(rule => {
    const judgement = rule.judge(context)
    return judgement ? [{ rule, judgement }] : []
  })
}

/**
 * The state of fit: that of the bays, worse where a rule fails: impossible where the machine cannot
 * be put together or does not start.
 */
export function stateOfFit(
  judged: readonly Judged[],
  { drives, freeBays }: Pick<FitContext, 'drives' | 'freeBays'>,
): VerdictState {
  const byBays = fitState(drives.count, freeBays)
  const failing = judged.filter(({ judgement }) => judgement.state === 'fail')
  if (failing.some(({ rule }) => rule.stops)) return 'impossible'
  return failing.length > 0 ? worseState(byBays, 'short') : byBays
}

export function fitFacts(slice: FitSlice): FitFacts {
  const context = fitContext(slice)
  const judged = judgeFit(context)
  return {
    context,
    judged: judged.map(({ rule, judgement }) => ({ id: rule.id, ...judgement })),
    state: stateOfFit(judged, context),
    ...beforeTheDrives(context),
  }
}

/** What stands between the drives and the board. */
function beforeTheDrives({
  places,
  build: { parts },
  enclosedDrives,
}: FitContext): Pick<FitFacts, 'controllerMBps' | 'enclosureMBps'> {
  const controllers = places.flatMap(({ holds, lanes, place, offBy }) =>
    holds?.kind === 'controller' && offBy === null
      ? [
          Math.min(lanes, holds.lanes) *
            (laneMBps[Math.min(place.generation, holds.generation)] ?? 0),
        ]
      : [],
  )
  const enclosures =
    enclosedDrives > 0
      ? parts.flatMap(({ kind, entry }) => (kind === 'enclosure' ? [entry.throughputMBps] : []))
      : []
  return {
    controllerMBps: controllers.length ? Math.min(...controllers) : null,
    enclosureMBps: enclosures.length ? Math.min(...enclosures) : null,
  }
}

/** How many rules pass, warn, fail and cannot be judged. */
export function countStates(judged: readonly Pick<Judgement, 'state'>[]): Record<FitState, number> {
  const counts = { pass: 0, warning: 0, fail: 0, notKnown: 0 }
  for (const { state } of judged) counts[state] += 1
  return counts
}
