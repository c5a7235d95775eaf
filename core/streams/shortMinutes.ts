import { cellsOf, chancesAbove, loadRoom, type Lump } from '../household/compoundLoad'
import { drawsAt, minutesShort, withBusyDays } from '../household/minutesShort'
import type { Estimate } from '../figure'
import { band } from '../band'
import type { Occupancy, WatchingWeek } from '../household/watchingWeek'
import type { Demand } from './demand'

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

/**
 * Minutes a month in which the conversions together take more than the machine has: Σ over the week's slots of
 * 5 · P(Σ shares > 1) · 4.348, the shares being work ÷ capacity; busy days weighted in by the year.
 * The band: capacity and mean work swung to the ends of theirs, as everywhere; work is in the same units as capacity.
 * @param capacity reference streams, likely > 0
 * @param meanWork of the mix; only its spread is used
 */
export function shortMinutes(demand: Demand, capacity: Estimate, meanWork: Estimate, busyDaysPerYear: number): ShortMinutes {
  const spread = band({ capacity, work: meanWork }, values => values.capacity / values.work, 'log')
  const limits = [spread.likely, spread.low, spread.high].map(end => Math.floor(end / spread.likely / shareStep + 1e-9))
  const lumps = lumpsOf(demand, capacity.likely)
  const { week } = demand
  const ordinary = minutesShort(week, week.ordinary, lumps, limits)
  const busy = week.busy && busyDaysPerYear > 0 ? busyMinutes(week, week.busy, lumps, limits, ordinary) : null
  const [likely, high, low] = ordinary.map((minutes, end) => busy ? withBusyDays(minutes, busy[end]!, busyDaysPerYear) : minutes) as [number, number, number]
  return { perMonth: { low: Math.min(low, likely), likely, high: Math.max(high, likely) }, ordinary: ordinary[0]!, busy: busy ? busy[0]! : null }
}
/** By habit: what its sessions take of the machine, in cells; what is short by itself takes more than there is. */
function lumpsOf(demand: Demand, capacity: number): Lump[][] {
  return demand.loads.map(loads => merged(loads.map(({ work, chance, tooLow }): Lump => ({ chance, cells: tooLow ? Infinity : cellsOf(work / capacity, shareStep) }))))
}

/**
 * Chance that the conversions of one slot together take more than the machine has.
 * @param capacity reference streams, > 0
 * @returns 0..1
 */
export function shortChance(demand: Demand, occupancy: Occupancy, slot: number, capacity: number): number {
  const whole = Math.round(1 / shareStep)
  return chancesAbove(drawsAt(demand.week, occupancy, lumpsOf(demand, capacity), slot), [whole], loadRoom(whole))[0]!
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
