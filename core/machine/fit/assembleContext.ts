import { exactly } from '../../figure'
import { correctionOf, type Correction } from '../../calibration/correction'
import { heldAgainst } from '../../calibration/heldTrials'
import { assembly, type Assembly } from '../assembly/assembly'
import type { MachineBuild } from '../machineBuild'
import { averageW, caseFansW, fanW } from '../machinePower'
import { memoryNeed } from '../memory/memoryNeed'
import { cupboardRiseK, driveRiseK } from '../place/heat'
import { isInCupboard } from '../place/standsIn'
import { driveDb, fanDb, soundSum, noiseAtEar, noiseCeiling } from '../place/noise'
import { startSurge, type StartQuestion, type StartSurge } from '../power/startSurge'
import { wallW } from '../power/supplyCurve'
import type { FitContext, HeatFacts, NoiseFacts } from './fitContext'
import type { FitSlice } from './fitSlice'

/** Sound of a base's own cooler, which no list of parts names. */
export const baseCoolerDb = 22
function noiseOf(
  { build, brief, drives }: FitSlice,
  { cooler, housing, supply, bays }: Assembly,
): NoiseFacts {
  const sources: NoiseFacts['sources'][number][] = []
  const slow = drives.spinning - drives.fast
  // A lined case takes something off all that sounds in it; which drives hang outside is not known.
  const damped = (db: number) => Math.max(0, db - (housing?.dampsDb ?? 0))
  const ofDrive = (db: number) => (bays.turningOutside > 0 ? db : damped(db))
  if (slow > 0) sources.push({ what: 'drives', count: slow, db: ofDrive(driveDb.slow.seeking) })
  if (drives.fast > 0)
    sources.push({ what: 'drives', count: drives.fast, db: ofDrive(driveDb.fast.seeking) })
  if (drives.inOwnCase > 0)
    sources.push({ what: 'drives', count: drives.inOwnCase, db: driveDb.slow.seeking })
  for (const fan of housing?.fans ?? [])
    sources.push({ what: 'fans', count: 1, db: damped(fanDb(fan.rpm, fan.sizeMm)) })
  for (const { kind, entry, part } of build.parts) {
    if (kind === 'fan')
      sources.push({ what: 'fans', count: part.count, db: damped(fanDb(entry.rpm, entry.sizeMm)) })
    if (kind === 'enclosure' && entry.noiseDb > 0)
      sources.push({ what: 'enclosure', count: part.count, db: entry.noiseDb })
  }
  if (supply && supply.noiseDb > 0)
    sources.push({ what: 'supply', count: 1, db: damped(supply.noiseDb) })
  const coolerDb = cooler
    ? cooler.noiseDb
    : build.base && !build.passivelyCooled && build.base.bays > 0
      ? baseCoolerDb
      : 0
  if (coolerDb > 0) sources.push({ what: 'cooler', count: 1, db: damped(coolerDb) })
  const each = sources.flatMap(({ count, db }) => Array.from({ length: count }, () => db))
  return {
    sources,
    sumDb: soundSum(each),
    atEarDb: noiseAtEar(each, {
      distanceM: brief.earDistanceM,
      inCupboard: isInCupboard(brief),
    }),
    ceilingDb: noiseCeiling(brief),
  }
}

/** Air in an enclosure by its bays: a single drive has none, two or three little. */
function enclosureAir(bays: number): keyof typeof driveRiseK {
  return bays < 2 ? 'none' : bays < 4 ? 'slow' : 'across'
}

/**
 * What air does at the drives in the machine: as the case has it, or better by fans that are added
 * where mounts are free.
 */
function airInside({ housing, build }: Assembly): keyof typeof driveRiseK {
  if (!housing) return 'slow'
  const added = build.parts.reduce(
    (sum, { kind, part }) => (kind === 'fan' ? sum + part.count : sum),
    0,
  )
  return Math.min(added, housing.fanMounts - housing.fans.length) > 0 ? 'across' : housing.airflow
}

/** Air where it does least at any drive: each is cooled where it hangs. */
function airAtDrives(assembled: Assembly): keyof typeof driveRiseK {
  const { turningInside, turningOutside, flashInside, flashOutside } = assembled.bays
  const outside = assembled.build.parts.flatMap(({ kind, entry }) =>
    kind === 'enclosure' ? [enclosureAir(entry.bays)] : [],
  )
  // A drive in a case of its own is like one in an enclosure with one bay.
  const { inOwnCase } = assembled.drives
  // SSDs do not mind: they are looked at where nothing turns.
  const turns = turningInside + turningOutside + inOwnCase > 0
  const hasOutside = turns ? turningOutside > 0 : flashOutside > 0
  const hasInside = turns ? turningInside > 0 : flashInside > 0 || !hasOutside
  return [
    ...(hasInside ? [airInside(assembled)] : []),
    ...(hasOutside ? outside : []),
    ...(inOwnCase > 0 ? [enclosureAir(1)] : []),
  ].reduce((worst, air) => (driveRiseK[air] > driveRiseK[worst] ? air : worst))
}

function heatOf({ brief, watts, hours, power }: FitSlice, assembled: Assembly): HeatFacts {
  const mean = averageW(watts, hours)
  const riseK = isInCupboard(brief)
    ? cupboardRiseK(mean, { panelM2: brief.cupboardM2, vented: brief.cupboardVented })
    : 0
  const air = airAtDrives(assembled)
  const rise = correctionOf(
    'driveRise',
    exactly(driveRiseK[air]),
    power.trials.flatMap(trial =>
      trial.figure === 'driveRise' ? heldAgainst(trial, driveRiseK[air]) : [],
    ),
  )
  const atDrives = rise?.corrected.likely ?? driveRiseK[air]
  return {
    averageW: mean,
    riseK,
    air,
    rise,
    driveRiseK: atDrives,
    warmestC: brief.roomHighC + riseK + atDrives,
  }
}

/** Drives that the machine's supply feeds, by what they take. */
interface Fed {
  readonly turning: number
  /** idle and at work */
  readonly turningW: readonly [idle: number, active: number]
  readonly flashW: readonly [idle: number, active: number]
}

/** An enclosure with a supply of its own feeds its drives; all others hang on the machine's. */
function fedDrives({ build, drives }: FitSlice, { bays }: Assembly): Fed {
  const byPort = build.parts.some(({ kind, entry }) => kind === 'enclosure' && !entry.ownSupply)
  const flash = drives.count - drives.spinning
  const turning = drives.spinning - (byPort ? 0 : bays.turningOutside)
  const [turningShare, flashShare] = [
    drives.spinning > 0 ? turning / drives.spinning : 0,
    flash > 0 ? (flash - (byPort ? 0 : bays.flashOutside)) / flash : 0,
  ]
  return {
    turning,
    turningW: [drives.turningIdleW * turningShare, drives.turningActiveW * turningShare],
    flashW: [
      (drives.idleW - drives.turningIdleW - drives.ownCaseIdleW) * flashShare,
      (drives.activeW - drives.turningActiveW - drives.ownCaseActiveW) * flashShare,
    ],
  }
}

/** Watts, idle and at work, that enclosures with a supply of their own take from the wall. */
function besideW({ parts }: MachineBuild): readonly [idle: number, load: number] {
  return parts.reduce<readonly [number, number]>(
    ([idle, load], { kind, entry, part }) =>
      kind === 'enclosure' && entry.ownSupply
        ? [idle + part.count * entry.idleW, load + part.count * entry.loadW]
        : [idle, load],
    [0, 0],
  )
}

function startOf(
  { machine, build, power, drives }: FitSlice,
  { processor, housing }: Assembly,
  { turning: spinning, turningW, flashW }: Fed,
): StartQuestion {
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
    // Which drives hang outside is not known: those that take most count as inside.
    surges: drives.surges.slice(0, spinning),
    together: Math.max(1, Math.min(machine.startTogether ?? spinning, Math.max(1, spinning))),
    idleEachW: spinning > 0 ? turningW[0] / spinning : 0,
    // SSDs take no more at the start than at any time.
    restW: power.idleDcW - besideW(build)[0] + rise + flashW[0],
    rest12W: (processor?.maxW ?? rise) + cardsIdleW + fansW,
  }
}

/** A value that is worked out when it is first asked for. */
function lazily<Value extends object>(make: () => Value): () => Value {
  let known: Value | undefined
  return () => (known ??= make())
}

/** The start as readings of its peak at the wall corrected it. */
function measuredSurge(
  planned: StartSurge,
  { trials, losses }: FitSlice['power'],
): StartSurge & { readonly measured: Correction | null } {
  const peaks = trials.filter(({ figure }) => figure === 'startW')
  if (peaks.length === 0) return { ...planned, measured: null }
  const atWallW = wallW(planned.watts, losses)
  const measured = correctionOf(
    'startW',
    exactly(atWallW),
    peaks.flatMap(trial => heldAgainst(trial, atWallW)),
  )
  const factor = measured?.factor.likely ?? 1
  return {
    ...planned,
    watts: planned.watts * factor,
    amps12: planned.amps12 * factor,
    measured,
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
    redundant,
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
  const fed = fedDrives(slice, assembled)
  const start = startOf(slice, assembled, fed)
  const besideLoadW = besideW(slice.build)[1]
  const [surge, memory, noise, heat] = [
    lazily(() => measuredSurge(startSurge(start), power)),
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
    redundant,
    layoutId,
    conversionsNeeded,
    hardwareConversion,
    serverPortMbps,
    freeBays,
    start,
    besideLoadW,
    convertingWallW: slice.watts.converting.likely,
    runningW: power.loadDcW - besideLoadW + fed.turningW[1] + fed.flashW[1],
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
