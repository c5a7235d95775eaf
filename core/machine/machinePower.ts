import { band } from '../band'
import type { Estimate } from '../figure'
import type { Machine } from '../plan/machine'
import { usualMachine, type MachineBuild } from './machineBuild'

/** Efficiency of a usual supply at these loads, to get from the watts of parts and drives (DC) to watts at the wall. */
export const supplyEfficiency = 0.85

/** What a processor takes of which nothing is known, watts (DC): idle, and fully busy. */
export const usualProcessorW = { idle: 6, max: 65 } as const

/** Watts of a machine without its drives, and of what is in it. */
export interface MachinePower {
  /** at the wall: the base as it comes, with nothing to do, and fully busy */
  readonly baseIdleW: number
  readonly baseLoadW: number
  /** DC: what the parts add to it; below nothing where a thriftier processor is put in */
  readonly partsIdleW: number
  readonly partsLoadW: number
}

/**
 * Watts that follow from the parts: a processor that is put in takes the place of the one that was there, cards and memory
 * come on top.
 */
export function machinePower(machine: Machine, build: MachineBuild): MachinePower {
  const { base, ownProcessor, processor, isReplaced, parts } = build
  const baseIdleW = machine.boxIdleW ?? base?.idleW ?? usualMachine.idleW
  const before = base && !base.processor ? { idle: 0, max: 0 } : ownProcessor ? { idle: ownProcessor.idleW, max: ownProcessor.maxW } : usualProcessorW
  let partsIdleW = isReplaced && processor ? processor.idleW - before.idle : 0
  let partsLoadW = isReplaced && processor ? processor.maxW - before.max : 0
  for (const { kind, entry, part } of parts) {
    if (kind === 'card') {
      partsIdleW += part.count * entry.idleW
      partsLoadW += part.count * entry.loadW
    }
    if (kind === 'memory') {
      partsIdleW += part.count * entry.powerW
      partsLoadW += part.count * entry.powerW
    }
  }
  return { baseIdleW, baseLoadW: Math.max(baseIdleW, machine.boxLoadW ?? base?.loadW ?? usualMachine.loadW), partsIdleW, partsLoadW }
}

/** The machine with its drives at the wall, in one state. */
export interface PowerState {
  readonly id: 'idle' | 'converting'
  readonly hoursPerDay: number
  readonly watts: Estimate
}

/**
 * Watts at the wall by state of the day: idle with all drives turning, and converting with all drives at work.
 * @param drives watts of all drives, DC
 */
export function powerStates({ baseIdleW, baseLoadW, partsIdleW, partsLoadW }: MachinePower, drives: { readonly idleW: Estimate, readonly activeW: Estimate }, convertingHoursPerDay: number): readonly [PowerState, PowerState] {
  const at = (wallW: number, partsW: number, drivesW: Estimate) => band({ drivesW }, values => Math.max(0, wallW + (partsW + values.drivesW) / supplyEfficiency), 'linear')
  const idle = at(baseIdleW, partsIdleW, drives.idleW)
  const busy = at(baseLoadW, partsLoadW, drives.activeW)
  return [
    { id: 'idle', hoursPerDay: 24 - convertingHoursPerDay, watts: idle },
    { id: 'converting', hoursPerDay: convertingHoursPerDay, watts: { low: Math.max(busy.low, idle.low), likely: Math.max(busy.likely, idle.likely), high: Math.max(busy.high, idle.high) } },
  ]
}
