import type { Habit } from '../plan/household'
import { slotsPerWeek } from '../units/week'
import {
  type AlikeSlots,
  type Occupancy,
  slotsOf,
  slotsPerDay,
  type WatchingWeek,
  type WeekHabit,
} from './weekHabits'

export const never = new Float64Array(slotsPerWeek)

/**
 * A habit's chances, scaled down where those of its watcher's habits add up to more than certainty;
 * the very same where they never do.
 */
function withinCertainty({ slots: own, going }: WeekHabit, sum: Float64Array): Float64Array {
  let scaled: Float64Array | null = null
  for (const slot of going) {
    if (sum[slot]! <= 1) continue
    scaled ??= own.slice()
    scaled[slot] = own[slot]! / sum[slot]!
  }
  return scaled ?? own
}

/** Of the habits that are counted. A watcher without any of them shares one empty week. */
export function occupancyOf(
  { watchers, habits }: Pick<WatchingWeek, 'watchers' | 'habits'>,
  counts: (habit: Habit) => boolean,
): Occupancy {
  const watches = new Set(habits.flatMap(({ habit, watcher }) => (counts(habit) ? [watcher] : [])))
  const watching = watchers.map((_, watcher) =>
    watches.has(watcher) ? new Float64Array(slotsPerWeek) : never,
  )
  const anybody = new Uint8Array(slotsPerWeek)
  for (const { habit, watcher, slots, going } of habits) {
    if (!counts(habit)) continue
    const sum = watching[watcher]!
    for (const slot of going) {
      sum[slot]! += slots[slot]!
      anybody[slot] = 1
    }
  }
  const scaled = habits.map(entry =>
    counts(entry.habit) ? withinCertainty(entry, watching[entry.watcher]!) : never,
  )
  for (const { habit, watcher, going } of habits) {
    if (!counts(habit)) continue
    const sum = watching[watcher]!
    for (const slot of going) if (sum[slot]! > 1) sum[slot] = 1
  }
  const slots = slotsOf(anybody)
  return {
    watching,
    habits: scaled,
    slots,
    alike: alikeSlots(
      habits.flatMap(({ habit, going }, at) =>
        counts(habit) ? [{ chances: scaled[at]!, going }] : [],
      ),
      slots,
    ),
  }
}

/**
 * Slots that are the same in every chance. They are compared by a sum of their chances first,
 * weighted so that unlike slots
 * hardly share it, and only then chance by chance.
 */
function alikeSlots(
  habits: readonly { readonly chances: Float64Array; readonly going: readonly number[] }[],
  slots: readonly number[],
): AlikeSlots[] {
  const marks = new Float64Array(slotsPerWeek)
  habits.forEach(({ chances, going }, at) => {
    const weight = Math.sqrt(at + 2)
    for (const slot of going) marks[slot]! += chances[slot]! * weight
  })
  const alike: { first: number; slots: number[] }[] = []
  const byTime: (typeof alike | undefined)[] = []
  for (const slot of slots) {
    const known = (byTime[slot % slotsPerDay] ??= [])
    const same = known.find(
      ({ first }) =>
        marks[first] === marks[slot] &&
        habits.every(({ chances }) => chances[slot] === chances[first]),
    )
    if (same) {
      same.slots.push(slot)
      continue
    }
    const entry = { first: slot, slots: [slot] }
    known.push(entry)
    alike.push(entry)
  }
  return alike
}
