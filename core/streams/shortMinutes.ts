import { cellsOf, chancesAbove, compoundLoad, loadRoom, type Lump } from '../household/compoundLoad'
import { drawsAt, minutesShort, withBusyDays } from '../household/minutesShort'
import type { Estimate } from '../figure'
import type { Occupancy, WatchingWeek } from '../household/watchingWeek'
import type { ConversionMachine } from './conversionMachine'
import type { Demand, SessionLoad } from './demand'
import { machineShare } from './engineCapacity'

/** A session's share of the machine is told in steps of a two-hundredth, rounded up. */
export const shareStep = 1 / 200

export interface ShortMinutes {
  /** a month's, over the whole year */
  readonly perMonth: Estimate
  /** of an ordinary month, likely */
  readonly ordinary: number
  /** if every day were a busy one, likely; null when there are no habits of busy days */
  readonly busy: number | null
}

/** By habit: what its sessions take of the machine, in cells; what is short by itself, or that nothing does, takes more than there is. */
export function lumpsOf(demand: Demand, machine: ConversionMachine): Lump[][] {
  const processor = machine.processor?.likely ?? 0
  const shares = new Map<SessionLoad, Lump[]>()
  const lumpOf = (share: number, chance: number): Lump => ({ chance, cells: Number.isFinite(share) ? cellsOf(share, shareStep) : Infinity })
  const lumps = (load: SessionLoad): Lump[] => {
    const { work, task, chance, tooLow } = load
    if (tooLow) return [{ chance, cells: Infinity }]
    if (task === null) return [lumpOf(processor > 0 ? work / processor : Infinity, chance)]
    const { engine, software } = machineShare(task, work, machine, processor)
    if (engine === null) return [lumpOf(software, chance)]
    const there = 1 - machine.fallbackShare
    return [lumpOf(engine, chance * there), ...(there < 1 ? [lumpOf(software, chance * (1 - there))] : [])]
  }
  return demand.loads.map(loads => merged(loads.flatMap((load) => {
    const known = shares.get(load) ?? lumps(load)
    shares.set(load, known)
    return known
  })))
}

/** Limits, in cells, of machines that are so many times this one. */
function cellsOfMachine(times: number): number {
  return Math.floor(times / shareStep + 1e-9)
}

/**
 * Minutes a month in which the conversions together take more than the machine has: Σ over the week's slots of
 * 5 · P(Σ shares > 1) · 4.348; busy days weighted in by the year. A share is the fullest unit's: where classes lean on
 * different units the sum is told too large, never too small.
 * @param conversions the machine's conversions at once with their band, not rounded: only the spread is used
 */
export function shortMinutes(demand: Demand, machine: ConversionMachine, conversions: Estimate, busyDaysPerYear: number): ShortMinutes {
  const { low, likely: middle, high } = conversions
  const times = middle > 0 ? [1, low / middle, high / middle] : [1, 1, 1]
  const { ordinary, busy } = minutesAtTimes(demand, machine, times, busyDaysPerYear)
  const [likely, most, least] = ordinary.map((minutes, end) => busy ? withBusyDays(minutes, busy[end]!, busyDaysPerYear) : minutes) as [number, number, number]
  return { perMonth: { low: Math.min(least, likely), likely, high: Math.max(most, likely) }, ordinary: ordinary[0]!, busy: busy ? busy[0]! : null }
}

function minutesAtTimes(demand: Demand, machine: ConversionMachine, times: readonly number[], busyDaysPerYear: number): { ordinary: number[], busy: number[] | null } {
  const limits = times.map(cellsOfMachine)
  const lumps = lumpsOf(demand, machine)
  const { week } = demand
  const ordinary = minutesShort(week, week.ordinary, lumps, limits)
  return { ordinary, busy: week.busy && busyDaysPerYear > 0 ? busyMinutes(week, week.busy, lumps, limits, ordinary) : null }
}

/** Minutes short a month if the machine were so many times this one. */
export function minutesByCapacity(demand: Demand, machine: ConversionMachine, times: readonly number[], busyDaysPerYear: number): number[] {
  const { ordinary, busy } = minutesAtTimes(demand, machine, times, busyDaysPerYear)
  return ordinary.map((minutes, at) => busy ? withBusyDays(minutes, busy[at]!, busyDaysPerYear) : minutes)
}

/**
 * Chance that the conversions of one slot together take more than the machine has.
 * @returns 0..1
 */
export function shortChance(demand: Demand, occupancy: Occupancy, slot: number, machine: ConversionMachine): number {
  const whole = cellsOfMachine(1)
  return chancesAbove(drawsAt(demand.week, occupancy, lumpsOf(demand, machine), slot), [whole], loadRoom(whole))[0]!
}

/** Distribution of the load of one slot, as shares of the machine. */
export interface SlotLoad {
  /** chance of each step of the load; the first is nothing */
  readonly chances: Float64Array
  /** of the machine, a step */
  readonly step: number
  /** chance of more than the last step */
  readonly beyond: number
}

/** The load of one slot up to so many times the machine. */
export function slotLoad(demand: Demand, occupancy: Occupancy, slot: number, machine: ConversionMachine, times: number): SlotLoad {
  const room = loadRoom(cellsOfMachine(times))
  const { distribution, top } = compoundLoad(drawsAt(demand.week, occupancy, lumpsOf(demand, machine), slot), room)
  const chances = new Float64Array(room.most + 1)
  chances.set(distribution.subarray(0, top + 1))
  return { chances, step: shareStep, beyond: distribution[room.most + 1]! }
}

/** The same with the habits of busy days on top; only the slots that these touch differ. */
function busyMinutes(week: WatchingWeek, busy: Occupancy, lumps: readonly (readonly Lump[])[], limits: readonly number[], ordinary: readonly number[]): number[] {
  const guests = week.habits.filter(({ habit }) => habit.onBusyDays)
  const touched = busy.slots.filter(slot => guests.some(({ slots }) => slots[slot]! > 0))
  const before = minutesShort(week, week.ordinary, lumps, limits, touched)
  const after = minutesShort(week, busy, lumps, limits, touched)
  return ordinary.map((minutes, end) => Math.max(0, minutes - before[end]! + after[end]!))
}

/** Lumps of one size together. */
function merged(lumps: readonly Lump[]): Lump[] {
  const bySize = new Map<number, number>()
  for (const { cells, chance } of lumps) bySize.set(cells, (bySize.get(cells) ?? 0) + chance)
  return [...bySize].map(([cells, chance]) => ({ cells, chance }))
}
