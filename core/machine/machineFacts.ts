import type { Estimate } from '../figure'
import type { Machine } from '../plan/machine'
import { hardwareOf, type Hardware } from './hardware'
import { machineBuild, type MachineBuild, type PartLists } from './machineBuild'
import { machinePower, powerStates, type MachinePower, type PowerState } from './machinePower'
import { machinePrices, type PriceLine } from './machinePrices'

export interface MachineSlice extends PartLists {
  readonly machine: Machine
  readonly convertingHoursPerDay: number
  /** drives in the machine, and their watts, DC */
  readonly driveCount: number
  readonly drivesIdleW: Estimate
  readonly drivesActiveW: Estimate
}

/** What the machine is built of, what it holds, draws and costs. */
export interface MachineFacts {
  readonly build: MachineBuild
  readonly hardware: Hardware
  readonly prices: readonly PriceLine[]
  readonly power: MachinePower
  /** at the wall with drives, by state of the day */
  readonly states: readonly [PowerState, PowerState]
  readonly freeBays: number
  /** the watts at work that were entered are below those at rest */
  readonly loadBelowIdle: boolean
}

export function machineFacts(slice: MachineSlice): MachineFacts {
  const { machine, convertingHoursPerDay, driveCount, drivesIdleW, drivesActiveW } = slice
  const build = machineBuild(machine, slice)
  const power = machinePower(machine, build)
  return {
    build, power,
    hardware: hardwareOf(machine, build),
    prices: machinePrices(machine, build),
    states: powerStates(power, { idleW: drivesIdleW, activeW: drivesActiveW }, convertingHoursPerDay),
    freeBays: build.bays - driveCount,
    loadBelowIdle: machine.boxLoadW !== null && machine.boxLoadW < power.baseIdleW,
  }
}
