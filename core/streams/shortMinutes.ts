import {
  cellsOf,
  chancesAbove,
  compoundLoad,
  loadRoom,
  type LoadOutcome,
} from '../household/compoundLoad'
import { drawsAt, minutesShort, withBusyDays } from '../household/minutesShort'
import type { Estimate } from '../figure'
import type { Occupancy, AlikeSlots } from '../household/weekHabits'
import type { ConversionMachine } from './conversionMachine'
import type { ConversionOption, Demand, SessionLoad } from './demand'
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

/**
 * By habit: what its sessions take of the machine, in cells. A stream steps down to the least that
 * its viewer accepts; what
 * the machine is too slow for even then, or unable to do, takes more than there is.
 */
export function outcomesOf(demand: Demand, machine: ConversionMachine): LoadOutcome[][] {
  const processor = machine.processor?.likely ?? 0
  const there = 1 - machine.fallbackShare
  const shares = new Map<string, { readonly engine: number | null; readonly software: number }>()
  const shareOf = ({ key, task, work }: ConversionOption) => {
    const known = shares.get(key) ?? machineShare(task, work, machine)
    shares.set(key, known)
    return known
  }
  const lumpOf = (share: number, chance: number): LoadOutcome => ({
    chance,
    cells: Number.isFinite(share) ? cellsOf(share, shareStep) : Infinity,
  })
  const outcomes = ({ work, options, chance }: SessionLoad): LoadOutcome[] => {
    if (options.length === 0) return [lumpOf(processor > 0 ? work / processor : Infinity, chance)]
    const each = options.map(shareOf)
    const engine = Math.min(...each.map(share => share.engine ?? Infinity))
    const software = Math.min(...each.map(share => share.software))
    if (engine === Infinity) return [lumpOf(software, chance)]
    return [
      lumpOf(engine, chance * there),
      ...(there < 1 ? [lumpOf(software, chance * (1 - there))] : []),
    ]
  }
  return demand.loads.map(loads => merged(loads.flatMap(outcomes)))
}

/** Limits, in cells, of machines that are so many times this one. */
function cellsOfMachine(times: number): number {
  return Math.floor(times / shareStep + 1e-9)
}

/**
 * Minutes a month in which the conversions together take more than the machine has: Σ over the
 * week's slots of
 * 5 · P(Σ shares > 1) · 4.348; busy days weighted in by the year. A share is the fullest unit's:
 * where classes lean on
 * different units the sum is told too large, never too small.
 * @param conversions the machine's conversions at once with their band, not rounded: only the
 *   spread is used
 */
export function shortMinutes(
  demand: Demand,
  machine: ConversionMachine,
  {
    conversions,
    busyDaysPerYear,
  }: { readonly conversions: Estimate; readonly busyDaysPerYear: number },
): ShortMinutes {
  const { low, likely: middle, high } = conversions
  const times = middle > 0 ? [1, low / middle, high / middle] : [1, 1, 1]
  const { ordinary, busy } = minutesAtTimes(demand, machine, { times, busyDaysPerYear })
  const [likely, most, least] = ordinary.map((minutes, end) =>
    busy ? withBusyDays(minutes, busy[end]!, busyDaysPerYear) : minutes,
  ) as [number, number, number]
  return {
    perMonth: { low: Math.min(least, likely), likely, high: Math.max(most, likely) },
    ordinary: ordinary[0]!,
    busy: busy ? busy[0]! : null,
  }
}

interface Times {
  readonly times: readonly number[]
  readonly busyDaysPerYear: number
}

function minutesAtTimes(
  demand: Demand,
  machine: ConversionMachine,
  { times, busyDaysPerYear }: Times,
): { ordinary: number[]; busy: number[] | null } {
  const limits = times.map(cellsOfMachine)
  const outcomes = outcomesOf(demand, machine)
  const { week } = demand
  const short = minutesShort({ week, outcomes }, limits)
  if (!week.busy || busyDaysPerYear === 0) return { ordinary: short(week.ordinary), busy: null }
  // The habits of busy days change few slots: the others are worked out once for both.
  const touched = new Set(week.busySlots)
  const [changed, same] = [true, false].map(isTouched =>
    week.busy!.alike.filter(({ first }) => touched.has(first) === isTouched),
  ) as [AlikeSlots[], AlikeSlots[]]
  const rest = short(week.ordinary, same)
  const plus = (minutes: readonly number[]) => minutes.map((more, at) => rest[at]! + more)
  return {
    ordinary: plus(short(week.ordinary, changed)),
    busy: plus(short(week.busy, changed)),
  }
}

/** Minutes short a month if the machine were so many times this one. */
export function minutesByCapacity(
  demand: Demand,
  machine: ConversionMachine,
  { times, busyDaysPerYear }: Times,
): number[] {
  const { ordinary, busy } = minutesAtTimes(demand, machine, { times, busyDaysPerYear })
  return ordinary.map((minutes, at) =>
    busy ? withBusyDays(minutes, busy[at]!, busyDaysPerYear) : minutes,
  )
}

/** One slot of the week, ordinary or with the habits of busy days. */
export interface Moment {
  readonly occupancy: Occupancy
  readonly slot: number
}

/**
 * Chance that the conversions of one slot together take more than the machine has.
 * @returns 0..1
 */
export function shortChance(
  demand: Demand,
  { occupancy, slot }: Moment,
  machine: ConversionMachine,
): number {
  const whole = cellsOfMachine(1)
  return chancesAbove(
    drawsAt({ week: demand.week, occupancy, outcomes: outcomesOf(demand, machine) }, slot),
    [whole],
    loadRoom(whole),
  )[0]!
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
export function slotLoad(
  demand: Demand,
  { occupancy, slot, times }: Moment & { readonly times: number },
  machine: ConversionMachine,
): SlotLoad {
  const room = loadRoom(cellsOfMachine(times))
  const { distribution, top } = compoundLoad(
    drawsAt({ week: demand.week, occupancy, outcomes: outcomesOf(demand, machine) }, slot),
    room,
  )
  const chances = new Float64Array(room.most + 1)
  chances.set(distribution.subarray(0, top + 1))
  return { chances, step: shareStep, beyond: distribution[room.most + 1]! }
}

/** Lumps of one size together. */
function merged(outcomes: readonly LoadOutcome[]): LoadOutcome[] {
  const bySize = new Map<number, number>()
  for (const { cells, chance } of outcomes) bySize.set(cells, (bySize.get(cells) ?? 0) + chance)
  return [...bySize].map(([cells, chance]) => ({ cells, chance }))
}
