import { slotMinutes, weeksPerMonth } from '../units/week'
import type { LoadOutcome } from './compoundLoad'
import { HabitSets } from './habitSets'
import { LoadTransform } from './loadTransform'
import { SlotHabits } from './slotHabits'
import type { WatchingWeek, Occupancy, AlikeSlots } from './weekHabits'

/** Who puts how much on, when. */
export interface WeekLoad {
  readonly week: WatchingWeek
  readonly occupancy: Occupancy
  /** by habit: what one of its sessions puts on, in cells */
  readonly outcomes: readonly (readonly LoadOutcome[])[]
}

/** A slot with more sets of habits than this is worked out by the transform of its loads. */
export const maxSetsOfSlot = 256
/** The sets that are kept for one question. */
const maxSets = 4096

/** What loads come to in a month of some slots. */
export type MinutesShort = (occupancy: Occupancy, slots?: readonly AlikeSlots[]) => number[]

/**
 * Minutes of a month in which the loads together exceed a limit: Σ over the slots of 5 · P(Σ >
 * limit) · 4.348.
 * @param limits in cells; the answers have one entry for each
 * @returns what answers for an occupancy, for all of its slots unless some are given
 */
export function minutesShort(
  { week, outcomes }: Omit<WeekLoad, 'occupancy'>,
  limits: readonly number[],
): MinutesShort {
  const least = Math.min(...limits)
  const highest = outcomes.map(list =>
    list.reduce((top, outcome) => (outcome.chance > 0 ? Math.max(top, outcome.cells) : top), 0),
  )
  const loading = watchersThatLoad(
    week,
    outcomes.map((list, at) => (highest[at]! > 0 ? list.length : 0)),
  )
  const slot = new SlotHabits(loading.length, week.habits.length)
  const sets = new HabitSets(outcomes, limits, slot)
  let transform: LoadTransform | null = null
  /** @returns the most that can be put on in it, in cells, and how many sets may go on */
  function fill(
    { habits }: Occupancy,
    at: number,
  ): { readonly most: number; readonly sets: number } {
    slot.clear()
    let most = 0
    let count = 1
    for (const own of loading) {
      let rest = 1
      let worst = 0
      let going = 0
      for (const habit of own) {
        const chance = habits[habit]![at]!
        if (chance === 0) continue
        slot.add(habit, chance)
        going++
        rest -= chance
        worst = Math.max(worst, highest[habit]!)
      }
      if (going === 0) continue
      slot.close(Math.max(0, rest))
      most += worst
      count *= going + 1
    }
    return { most, sets: count }
  }
  function addSlot(sums: number[], { first, slots }: AlikeSlots, occupancy: Occupancy): void {
    const filled = fill(occupancy, first)
    if (filled.most <= least) return
    if (filled.sets <= maxSetsOfSlot && sets.size < maxSets) sets.addTo(sums, slots.length)
    else (transform ??= new LoadTransform(outcomes, limits, slot)).addTo(sums, slots.length)
  }
  return (occupancy, alike = occupancy.alike) => {
    const sums = limits.map(() => 0)
    for (const slots of alike) addSlot(sums, slots, occupancy)
    return sums.map(sum => sum * slotMinutes * weeksPerMonth)
  }
}

/**
 * By watcher: the habits that put something on; those with most outcomes last, since sets that end
 * with them need not be spread out.
 */
function watchersThatLoad({ habits }: WatchingWeek, outcomes: readonly number[]): number[][] {
  const byWatcher = new Map<number, number[]>()
  habits.forEach(({ watcher }, at) => {
    if (outcomes[at]! > 0) byWatcher.set(watcher, [...(byWatcher.get(watcher) ?? []), at])
  })
  const size = (own: readonly number[]) => own.reduce((sum, at) => sum + outcomes[at]!, 0)
  return [...byWatcher.values()].sort((a, b) => size(a) - size(b))
}

/** The outcomes of every watcher in a slot: their habits' outcomes, by the habit's chance. */
export function drawsAt({ week, occupancy, outcomes }: WeekLoad, slot: number): LoadOutcome[][] {
  const draws: LoadOutcome[][] = week.watchers.map(() => [])
  week.habits.forEach(({ watcher }, at) => {
    const chance = occupancy.habits[at]![slot]!
    if (chance === 0) return
    for (const outcome of outcomes[at]!)
      draws[watcher]!.push({ cells: outcome.cells, chance: outcome.chance * chance })
  })
  return draws.filter(draw => draw.length > 0)
}

/** Days of the year that guest days are counted in. */
export const daysOfYear = 365

/** A year's mean of an ordinary and a busy figure: ((365 − N)·ordinary + N·busy) ÷ 365. */
export function withBusyDays(ordinary: number, busy: number, busyDaysPerYear: number): number {
  return ((daysOfYear - busyDaysPerYear) * ordinary + busyDaysPerYear * busy) / daysOfYear
}
