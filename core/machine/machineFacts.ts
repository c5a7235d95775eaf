import { entryOf } from '../catalogue/catalogue'
import type { SystemKind } from '../catalogue/systemKinds'
import { weeksPerMonth } from '../units/time'
import { automaticSystem } from '../plan/constants'
import { ofMark, type Trials } from '../calibration/heldTrials'
import type { Machine } from '../plan/machine'
import { driveBays } from './assembly/driveBays'
import type { DriveForms } from './assembly/driveForms'
import { hardwareOf, type Hardware } from './hardware'
import { machineBuild, type MachineBuild } from './machineBuild'
import { machineMark } from './machineMark'
import type { PartLists } from './knownParts'
import {
  machinePower,
  stateWatts,
  type DrivesW,
  type MachinePower,
  type StateWatts,
} from './machinePower'
import { wallW } from './power/supplyCurve'
import { machinePrices, type PriceLine } from './machinePrices'

export interface MachineSlice extends PartLists {
  readonly machine: Machine
  readonly mainsVolts: 115 | 230
  readonly systemKind: string
  readonly systemKinds: readonly SystemKind[]
  readonly copyOnWrite: boolean
  /** reference streams */
  readonly servicesLoad: number
  readonly wakesOnCall: boolean
  readonly watchedHoursPerDay: number
  /** drives in the machine, by the place that they want, and their watts, DC */
  readonly driveForms: DriveForms
  /** drives beside it, in cases of their own */
  readonly inOwnCase: number
  readonly drivesW: DrivesW
  readonly trials: Trials
}

/** What the machine is built of, what it holds, draws and costs. */
export interface MachineFacts {
  readonly build: MachineBuild
  /** the kind of system on it; null where the plan names one that is not in the catalogue */
  readonly system: SystemKind | null
  /** by which measurements of this very machine are known */
  readonly mark: string
  readonly hardware: Hardware
  readonly prices: readonly PriceLine[]
  readonly power: MachinePower
  /** at the wall with drives, by state of the day */
  readonly watts: StateWatts
  /** bays that are left for a 3.5" drive; below nothing by the drives that find none */
  readonly freeBays: number
  /** drives that find a place, in it or beside it, and the bays that are left */
  readonly placesForDrives: number
  /**
   * restarts a month while somebody watches, where others work or play on it; null where it only
   * serves
   */
  readonly cutOffPerMonth: number | null
  /** the watts at work that were entered are below those at rest */
  readonly loadBelowIdle: boolean
}

/**
 * The kind of system of a plan; where it follows the machine, an appliance keeps its maker's own.
 */
export function systemOf(
  kind: string,
  { base }: Pick<MachineBuild, 'base'>,
  kinds: readonly SystemKind[],
): SystemKind | null {
  return entryOf(
    kinds,
    kind === automaticSystem ? (base?.class === 'appliance' ? 'maker' : 'server') : kind,
  )
}

/**
 * Restarts a month that fall into hours in which somebody watches, if they come at any hour alike.
 * @example cutOffPerMonth(2, 5) // 2 × 4.35 × 5 ÷ 24 = 1.81
 */
export function cutOffPerMonth(restartsPerWeek: number, watchedHoursPerDay: number): number {
  return (restartsPerWeek * weeksPerMonth * watchedHoursPerDay) / 24
}

export function machineFacts(slice: MachineSlice): MachineFacts {
  const { machine, mainsVolts, driveForms } = slice
  const build = machineBuild(machine, slice)
  const system = systemOf(slice.systemKind, build, slice.systemKinds)
  const mark = machineMark(build, system)
  const trials = ofMark(slice.trials, mark)
  const power = machinePower(machine, build, { mainsVolts, system, trials })
  const freeBays = driveBays(build, driveForms).free
  return {
    build,
    power,
    system,
    mark,
    hardware: hardwareOf(machine, build, {
      makersSystem: system?.memory === 'appliance',
      copyOnWrite: slice.copyOnWrite,
      servicesLoad: slice.servicesLoad,
      trials,
    }),
    prices: machinePrices(machine, build),
    watts: stateWatts(power, slice.drivesW, slice),
    freeBays,
    placesForDrives: driveForms.count + slice.inOwnCase + freeBays,
    cutOffPerMonth:
      machine.usedHoursPerDay > 0
        ? cutOffPerMonth(machine.restartsPerWeek, slice.watchedHoursPerDay)
        : null,
    loadBelowIdle:
      machine.boxLoadW !== null &&
      machine.boxLoadW <
        wallW(power.idleDcW - power.partsIdleW - power.systemW, power.losses) - 1e-6,
  }
}
