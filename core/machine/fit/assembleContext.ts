import { assembly, type Assembly } from '../assembly/assembly'
import { caseFansW, fanW } from '../machinePower'
import { memoryNeed } from '../memory/memoryNeed'
import { cupboardRiseK, driveRiseK } from '../place/heat'
import { driveDb, fanDb, soundSum, noiseAtEar, noiseCeiling } from '../place/noise'
import { startSurge, type StartQuestion } from '../power/startSurge'
import type { FitContext, HeatFacts, NoiseFacts } from './fitContext'
import type { FitSlice } from './fitSlice'

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

/** A value that is worked out when it is first asked for. */
function lazily<Value extends object>(make: () => Value): () => Value {
  let known: Value | undefined
  return () => (known ??= make())
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
