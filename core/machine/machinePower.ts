import { band } from '../band'
import type { Case } from '../catalogue/hardware/hardwarePart'
import type { SystemKind } from '../catalogue/systemKinds'
import { exactly, type Estimate } from '../figure'
import { correctionOf, type Correction } from '../calibration/correction'
import { heldAgainst } from '../calibration/heldTrials'
import type { Machine } from '../plan/machine'
import type { Trial } from '../plan/trials'
import { usualMachine, type MachineBuild } from './machineBuild'
import type { KnownPart } from './knownParts'
import type { DayHours } from './power/dayHours'
import { at230V, dcW, wallW, type SupplyLosses } from './power/supplyCurve'

/** What a processor takes of which nothing is known, watts (DC): idle, and fully busy. */
export const usualProcessorW = { idle: 6, max: 65 } as const

/** Watts of a machine without its drives. */
export interface MachinePower {
  /** where they come from: entered or measured, the base's data sheet, or the sum of its parts */
  readonly basis: 'entered' | 'dataSheet' | 'parts'
  /** DC of all that is in it, with nothing to do and with processor and cards fully busy */
  readonly idleDcW: number
  readonly loadDcW: number
  /** at the wall as entered or on the data sheet; null where it is the sum of parts */
  readonly baseIdleW: number | null
  readonly baseLoadW: number | null
  /** DC: what parts add to that; below nothing where a thriftier processor is put in */
  readonly partsIdleW: number
  /** DC: what the system takes besides a plain server; nothing where idle watts were entered */
  readonly systemW: number
  readonly partsLoadW: number
  readonly losses: SupplyLosses | null
  /** measurements of this machine's watts and warmth */
  readonly trials: readonly Trial[]
}

/**
 * A fan's watts by its speed, DC: 0.6 at 700 turns a minute, 1 at 1100, 1.5 from 1500 on, on
 * straight lines between.
 */
export function fanW(rpm: number): number {
  if (rpm <= 1100) return Math.max(0.2, 0.6 + (0.4 * (rpm - 700)) / 400)
  return Math.min(5, 1 + (0.5 * (rpm - 1100)) / 400)
}
export function caseFansW(housing: Case | null): number {
  return (housing?.fans ?? []).reduce((sum, { rpm }) => sum + fanW(rpm), 0)
}

interface Watts {
  readonly idle: number
  readonly load: number
}

/**
 * What the parts of a list take themselves, without processors and without what replaces a part of
 * the base.
 */
export function addedW(parts: readonly KnownPart[]): Watts {
  let [idle, load] = [0, 0]
  for (const { kind, entry, part } of parts) {
    if (kind === 'processor') continue
    const [each, busy] =
      kind === 'memory' ? [entry.powerW, entry.powerW] : [entry.idleW, entry.loadW]
    // An enclosure with a supply of its own takes from the wall beside; its watts count all the
    // same.
    idle += part.count * each
    load += part.count * busy
  }
  return { idle, load }
}

function lossesOf({ supply }: MachineBuild, mainsVolts: 115 | 230): SupplyLosses | null {
  return supply && { ratingW: supply.ratingW, efficiency: supply.efficiency, mainsVolts }
}

/**
 * Watts that follow from the parts. What was entered or measured goes before everything, a base's
 * data sheet before the sum of
 * its parts; a processor that is put in takes the place of the one that was there, everything else
 * comes on top.
 */
export function machinePower(
  machine: Machine,
  build: MachineBuild,
  {
    mainsVolts,
    system,
    trials = [],
  }: {
    readonly mainsVolts: 115 | 230
    readonly system: SystemKind | null
    readonly trials?: readonly Trial[]
  },
): MachinePower {
  const { base, ownProcessor, processor, isReplaced, parts, housing, isFromParts } = build
  const losses = lossesOf(build, mainsVolts)
  const systemW = machine.boxIdleW === null ? (system?.idleW ?? 0) : 0
  const added = addedW(parts)
  if (isFromParts) {
    const shared = caseFansW(housing)
    const idle = added.idle + shared + (processor?.idleW ?? 0)
    const load = added.load + shared + (processor?.maxW ?? 0)
    const entered = machine.boxIdleW !== null || machine.boxLoadW !== null
    const idleDcW = machine.boxIdleW === null ? idle + systemW : dcW(machine.boxIdleW, losses)
    const loadDcW = Math.max(
      idleDcW,
      machine.boxLoadW === null ? load : dcW(machine.boxLoadW, losses),
    )
    return {
      basis: entered ? 'entered' : 'parts',
      idleDcW,
      loadDcW,
      baseIdleW: machine.boxIdleW,
      baseLoadW: machine.boxLoadW,
      partsIdleW: 0,
      partsLoadW: 0,
      systemW,
      losses,
      trials,
    }
  }
  const baseIdleW = machine.boxIdleW ?? base?.idleW ?? usualMachine.idleW
  const baseLoadW = Math.max(baseIdleW, machine.boxLoadW ?? base?.loadW ?? usualMachine.loadW)
  const before =
    base && !base.processor
      ? { idle: 0, max: 0 }
      : ownProcessor
        ? { idle: ownProcessor.idleW, max: ownProcessor.maxW }
        : usualProcessorW
  const partsIdleW = (isReplaced && processor ? processor.idleW - before.idle : 0) + added.idle
  const partsLoadW = (isReplaced && processor ? processor.maxW - before.max : 0) + added.load
  // The data sheet was read behind the supply that the base comes with.
  const sheetLosses = base
    ? { ratingW: base.inside.supply.ratingW, efficiency: base.inside.supply.efficiency, mainsVolts }
    : losses
  const behind = machine.boxIdleW === null ? sheetLosses : losses
  return {
    basis:
      machine.boxIdleW !== null || machine.boxLoadW !== null || !base ? 'entered' : 'dataSheet',
    baseIdleW,
    baseLoadW,
    partsIdleW,
    partsLoadW,
    systemW,
    losses,
    trials,
    idleDcW: dcW(baseIdleW, behind) + partsIdleW + systemW,
    loadDcW: dcW(baseLoadW, machine.boxLoadW === null ? sheetLosses : losses) + partsLoadW,
  }
}

/** States that a machine is in over a day. */
export const powerStateIds = ['converting', 'watching', 'idle', 'asleep', 'off'] as const
export type PowerStateId = (typeof powerStateIds)[number]

/** Watts at the wall with drives, by state of the day. */
export type StateWatts = Readonly<Record<PowerStateId, Estimate>>

/** At the wall while it is off, W; and what a network port that listens takes besides. */
export const offW: Estimate = { low: 0, likely: 1, high: 2 }
export const listeningW: Estimate = { low: 1, likely: 2, high: 3 }

/** At the wall while it is off, W. */
export function wattsOff({ wakesOnCall }: Pick<DayHours, 'wakesOnCall'>): Estimate {
  return wakesOnCall
    ? {
        low: offW.low + listeningW.low,
        likely: offW.likely + listeningW.likely,
        high: offW.high + listeningW.high,
      }
    : offW
}

/** Watts of all drives, DC, by what they do. */
export interface DrivesW {
  readonly idleW: Estimate
  /** one title is read */
  readonly readW: Estimate
  readonly activeW: Estimate
  readonly asleepW: Estimate
  /** how many drives they are */
  readonly count: number
}

type WallPower = Pick<MachinePower, 'basis' | 'idleDcW' | 'loadDcW' | 'losses' | 'trials'>

/** What machine and drives take (DC), added up, at the wall. */
function atWall({ basis, losses }: WallPower, machineW: number, drivesW: Estimate): Estimate {
  // Watts that were read at the wall hold what 230 V gives already.
  const gain = basis === 'parts' ? at230V : exactly(at230V.likely)
  return band(
    { drivesW, gain },
    values => wallW(Math.max(0, machineW + values.drivesW), losses, values.gain),
    'linear',
  )
}

/** What readings at the wall make of the machine at rest, and while it converts. */
export interface WattCorrections {
  readonly resting: Correction | null
  readonly converting: Correction | null
}

/**
 * What readings at the wall make of the watts: those at rest correct every state in which the
 * machine rests, whatever the drives do.
 */
export function wattCorrections(power: WallPower, drives: DrivesW): WattCorrections {
  const { trials, losses } = power
  const held = (figure: 'idleW' | 'convertingW', machineW: number, drivesW: Estimate) => {
    const own = trials.filter(trial => trial.figure === figure)
    return own.length === 0
      ? null
      : correctionOf(
          figure,
          atWall(power, machineW, drivesW),
          own.flatMap(trial => {
            const share =
              trial.drivesIn === null || drives.count === 0 ? 1 : trial.drivesIn / drives.count
            return heldAgainst(trial, wallW(Math.max(0, machineW + share * drivesW.likely), losses))
          }),
        )
  }
  return {
    resting: held('idleW', power.idleDcW, drives.idleW),
    converting: held('convertingW', power.loadDcW, drives.activeW),
  }
}

/** An estimate times a factor that was measured on another one of its kind. */
function alike({ low, likely, high }: Estimate, correction: Correction | null): Estimate {
  if (!correction) return { low, likely, high }
  const { factor } = correction
  return { low: likely * factor.low, likely: likely * factor.likely, high: likely * factor.high }
}

/**
 * Watts at the wall by state of the day: idle with all drives turning, watching with those at work
 * that a title is read from, converting with all drives at work, on with the drives that turn
 * asleep, and off. What machine and drives take (DC) is added up first; the supply's losses follow
 * from the sum.
 */
export function stateWatts(
  power: WallPower,
  drives: DrivesW,
  { wakesOnCall }: Pick<DayHours, 'wakesOnCall'>,
): StateWatts {
  const { idleDcW, loadDcW } = power
  const { resting, converting } = wattCorrections(power, drives)
  const idle = alike(atWall(power, idleDcW, drives.idleW), resting)
  const watching = alike(atWall(power, idleDcW, drives.readW), resting)
  const busy = alike(atWall(power, loadDcW, drives.activeW), converting)
  return {
    // At work a machine never takes less than while it is only read from.
    converting: {
      low: Math.max(busy.low, watching.low),
      likely: Math.max(busy.likely, watching.likely),
      high: Math.max(busy.high, watching.high),
    },
    watching,
    idle,
    asleep: alike(atWall(power, idleDcW, drives.asleepW), resting),
    off: wattsOff({ wakesOnCall }),
  }
}

/** Watts over the whole day. */
export function averageW(
  watts: StateWatts,
  hours: DayHours,
  end: keyof Estimate = 'likely',
): number {
  return powerStateIds.reduce((sum, id) => sum + watts[id][end] * hours[id], 0) / 24
}
