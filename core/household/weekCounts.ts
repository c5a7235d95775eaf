import { slotMinutes, slotsPerWeek, weeksPerMonth } from '../units/week'
import { addChance } from './poissonBinomial'
import type { WatchingWeek, Occupancy } from './weekHabits'

/** How many of the watchers do something (watch, watch away, have a conversion) over the week. */
export interface WeekCounts {
  /** expected number, slot by slot */
  readonly expected: Float64Array
  /**
   * largest 95 % and 99 % level of any slot, and the slot where it stands: of several the one where
   * most are expected
   */
  readonly level95: number
  readonly slot95: number
  readonly level99: number
  readonly slot99: number
  /** minutes a month in which more than 0, 1, 2 … do it */
  readonly minutesAbove: readonly number[]
}

/**
 * Counts over the week: exact at each slot by the Poisson-binomial over watchers.
 * @param weights by habit: the share of its sessions that count, 0..1
 */
export function weekCounts(
  week: WatchingWeek,
  occupancy: Occupancy,
  weights: readonly number[],
): WeekCounts {
  const expected = new Float64Array(slotsPerWeek)
  const tails = new Float64Array(week.watchers.length + 1)
  const sums = new Float64Array(week.watchers.length)
  const distribution = new Float64Array(week.watchers.length + 2)
  // Those who may do it in the slot that is gone through.
  const doing = new Int32Array(week.watchers.length)
  let best95: Peak = { level: 0, slot: 0, mean: 0 }
  let best99 = best95
  let most = 0
  for (const { first: slot, slots, going } of occupancy.alike) {
    let many = 0
    for (const at of going) {
      const { watcher } = week.habits[at]!
      const chance = occupancy.habits[at]![slot]! * weights[at]!
      if (chance > 0 && sums[watcher] === 0) doing[many++] = watcher
      sums[watcher]! += chance
    }
    distribution[0] = 1
    let of = 0
    let mean = 0
    for (let at = 0; at < many; at++) {
      const chance = Math.min(1, sums[doing[at]!]!)
      sums[doing[at]!] = 0
      addChance(distribution, of++, chance)
      mean += chance
    }
    if (of === 0) continue
    for (const same of slots) expected[same] = mean
    most = Math.max(most, of)
    let [level95, level99, below] = [0, 0, 0]
    for (let count = 0; count < of; count++) {
      below += distribution[count]!
      tails[count]! += slots.length * Math.max(0, 1 - below)
      if (below < 0.95 - 1e-12) level95 = count + 1
      if (below < 0.99 - 1e-12) level99 = count + 1
    }
    if (isAbove(best95, level95, mean)) best95 = { level: level95, slot, mean }
    if (isAbove(best99, level99, mean)) best99 = { level: level99, slot, mean }
  }
  return {
    expected,
    level95: best95.level,
    slot95: best95.slot,
    level99: best99.level,
    slot99: best99.slot,
    minutesAbove: Array.from(tails.subarray(0, most), sum => sum * slotMinutes * weeksPerMonth),
  }
}

interface Peak {
  readonly level: number
  readonly slot: number
  readonly mean: number
}

/**
 * Whether a slot comes before the best so far: by its level; among equals by how many are expected.
 */
function isAbove(best: Peak, level: number, mean: number): boolean {
  return level > best.level || (level === best.level && mean > best.mean + 1e-12)
}

/** The smallest number that is exceeded for at most so many minutes a month. */
export function levelByMinutes(counts: WeekCounts, minutesAccepted: number): number {
  const level = counts.minutesAbove.findIndex(minutes => minutes <= minutesAccepted + 1e-9)
  return level < 0 ? counts.minutesAbove.length : level
}

/** Slots of an aligned quarter of an hour. */
const quarterSlots = 15 / slotMinutes

/** The aligned quarter hour with the highest mean; the earliest of equals. */
export function busiestQuarter(expected: Float64Array): {
  readonly minuteOfWeek: number
  readonly mean: number
} {
  let best = { minuteOfWeek: 0, mean: 0 }
  for (let slot = 0; slot < slotsPerWeek; slot += quarterSlots) {
    const mean = (expected[slot]! + expected[slot + 1]! + expected[slot + 2]!) / quarterSlots
    if (mean > best.mean + 1e-12) best = { minuteOfWeek: slot * slotMinutes, mean }
  }
  return best
}
