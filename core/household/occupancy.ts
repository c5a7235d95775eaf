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

/** What a watcher's habits add up to, slot by slot; it may exceed certainty. */
function sumOf(entries: readonly WeekHabit[]): Float64Array {
  if (entries.length < 2) return entries[0]?.slots ?? never
  const sum = entries[0]!.slots.slice()
  for (const { slots, going } of entries.slice(1))
    for (const slot of going) sum[slot]! += slots[slot]!
  return sum
}

/** A sum of chances with nothing above certainty; the very same where nothing is. */
function clipped(sum: Float64Array, entries: readonly WeekHabit[]): Float64Array {
  let within: Float64Array | null = null
  for (const { going } of entries)
    for (const slot of going)
      if (sum[slot]! > 1) {
        within ??= sum.slice()
        within[slot] = 1
      }
  return within ?? sum
}

/**
 * Of the habits that are counted. A watcher without any of them shares one empty week, and one with
 * a single habit shares that habit's: a week is long, and an edit makes every one of them anew.
 */
export function occupancyOf(
  { watchers, habits }: Pick<WatchingWeek, 'watchers' | 'habits'>,
  counts: (habit: Habit) => boolean,
): Occupancy {
  const counted = habits.map(({ habit }) => counts(habit))
  const own: WeekHabit[][] = watchers.map(() => [])
  const anybody = new Uint8Array(slotsPerWeek)
  habits.forEach((entry, at) => {
    if (!counted[at]) return
    own[entry.watcher]!.push(entry)
    for (const slot of entry.going) anybody[slot] = 1
  })
  const sums = own.map(sumOf)
  const scaled = habits.map((entry, at) =>
    counted[at] ? withinCertainty(entry, sums[entry.watcher]!) : never,
  )
  const slots = slotsOf(anybody)
  return {
    watching: own.map((entries, watcher) => clipped(sums[watcher]!, entries)),
    habits: scaled,
    slots,
    alike: alikeSlots(
      habits.flatMap(({ going }, at) => (counted[at] ? [{ at, chances: scaled[at]!, going }] : [])),
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
  habits: readonly {
    readonly at: number
    readonly chances: Float64Array
    readonly going: readonly number[]
  }[],
  slots: readonly number[],
): AlikeSlots[] {
  const marks = new Float64Array(slotsPerWeek)
  habits.forEach(({ chances, going }, at) => {
    const weight = Math.sqrt(at + 2)
    for (const slot of going) marks[slot]! += chances[slot]! * weight
  })
  const isSame = (slot: number, other: number): boolean => {
    if (marks[slot] !== marks[other]) return false
    for (const { chances } of habits) if (chances[slot] !== chances[other]) return false
    return true
  }
  const goingIn = (slot: number): number[] => {
    const going: number[] = []
    for (const { at, chances } of habits) if (chances[slot]! > 0) going.push(at)
    return going
  }
  const alike: { first: number; slots: number[]; going: number[] }[] = []
  const byTime: (typeof alike | undefined)[] = []
  for (const slot of slots) {
    const known = (byTime[slot % slotsPerDay] ??= [])
    let same = 0
    while (same < known.length && !isSame(known[same]!.first, slot)) same++
    if (same < known.length) known[same]!.slots.push(slot)
    else alike.push((known[same] = { first: slot, slots: [slot], going: goingIn(slot) }))
  }
  return alike
}
