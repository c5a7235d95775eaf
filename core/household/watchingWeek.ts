import { homePlace, weekdays, type Weekday } from '../plan/constants'
import type { Habit, Household } from '../plan/household'
import { minutesPerDay, slotMinutes, slotsPerWeek } from '../units/week'
import { chanceActive } from './habitChance'

/** Somebody who watches one thing at a time: a listed viewer, or a guest on a busy day. */
export interface Watcher {
  readonly name: string
  /** place of the plan, or 'home' */
  readonly placeId: string
  readonly isAway: boolean
  /** false for a guest without an entry of its own */
  readonly listed: boolean
  readonly lowestRungMbps: number
}

export interface WeekHabit {
  /** index in the plan's habits */
  readonly index: number
  readonly habit: Habit
  /** index in the watchers */
  readonly watcher: number
  /** hours of an ordinary week (or of a busy day's week) that it takes on average */
  readonly hoursPerWeek: number
  /** chance that it goes on, slot by slot, whatever else its watcher does */
  readonly slots: Float64Array
}

/** Chances for each slot of the week. A watcher is one draw: at most 1, the habit chosen in proportion. */
export interface Occupancy {
  /** by watcher */
  readonly watching: readonly Float64Array[]
  /** by habit: it goes on, and is the one chosen; adds up to the watcher's chance */
  readonly habits: readonly Float64Array[]
  /** the slots in which anybody may watch */
  readonly slots: readonly number[]
  /** by slot: the first slot at the same time of another day in which every chance is the same; itself when there is none */
  readonly sameAs: Int16Array
}

export interface WatchingWeek {
  readonly watchers: readonly Watcher[]
  readonly habits: readonly WeekHabit[]
  readonly ordinary: Occupancy
  /** the week with the habits of busy days on top; null when there are none */
  readonly busy: Occupancy | null
}

const dayOrder = Object.keys(weekdays) as Weekday[]

/** Latest start on an endless line: before the earliest start it means past midnight. */
export function latestAfter(earliest: number, latest: number): number {
  return latest < earliest ? latest + minutesPerDay : latest
}

/** Chance that a habit is going on, slot by slot over the week; wraps past midnight and past Sunday. */
export function habitSlots({ earliest, latest, minutes, chance, days }: Pick<Habit, 'earliest' | 'latest' | 'minutes' | 'chance' | 'days'>): Float64Array {
  const slots = new Float64Array(slotsPerWeek)
  const end = latestAfter(earliest, latest)
  const times = { earliest, latest: end, minutes, chance }
  const first = Math.ceil(earliest / slotMinutes)
  const last = Math.ceil((end + minutes) / slotMinutes)
  for (const day of days) {
    const offset = dayOrder.indexOf(day) * minutesPerDay / slotMinutes
    for (let slot = first; slot < last; slot++) {
      slots[(offset + slot) % slotsPerWeek]! += chanceActive(slot * slotMinutes, times)
    }
  }
  return slots
}

/** The watchers of a household, and the habits that have one. A habit of a busy day without a viewer is a guest of its own, at home. */
function watchersOf(household: Household): { watchers: Watcher[], habits: WeekHabit[] } {
  const watchers: Watcher[] = household.viewers.map(viewer => ({
    name: viewer.name || 'Viewer', placeId: viewer.place, isAway: viewer.place !== homePlace, listed: true, lowestRungMbps: viewer.lowestRungMbps,
  }))
  const habits = household.habits.flatMap((habit, index) => {
    const viewer = household.viewers.findIndex(candidate => candidate.id === habit.viewer)
    if (viewer < 0 && !(habit.onBusyDays && habit.viewer === '')) return []
    const watcher = viewer < 0
      ? watchers.push({ name: habit.name || 'Guest', placeId: homePlace, isAway: false, listed: false, lowestRungMbps: 0 }) - 1
      : viewer
    return [{ index, habit, watcher, hoursPerWeek: habit.days.length * habit.chance * habit.minutes / 60, slots: habitSlots(habit) }]
  })
  return { watchers, habits }
}

const never = new Float64Array(slotsPerWeek)

/** A habit's chances, scaled down where those of its watcher's habits add up to more than certainty; the very same where they never do. */
function withinCertainty(own: Float64Array, sum: Float64Array, slots: readonly number[]): Float64Array {
  let scaled: Float64Array | null = null
  for (const slot of slots) {
    if (own[slot] === 0 || sum[slot]! <= 1) continue
    scaled ??= own.slice()
    scaled[slot] = own[slot]! / sum[slot]!
  }
  return scaled ?? own
}

function occupancyOf(watchers: readonly Watcher[], habits: readonly WeekHabit[], counts: (habit: Habit) => boolean): Occupancy {
  const watching = watchers.map(() => new Float64Array(slotsPerWeek))
  const going = new Uint8Array(slotsPerWeek)
  for (const { habit, watcher, slots } of habits) {
    if (!counts(habit)) continue
    const sum = watching[watcher]!
    for (let slot = 0; slot < slotsPerWeek; slot++) {
      if (slots[slot] === 0) continue
      sum[slot]! += slots[slot]!
      going[slot] = 1
    }
  }
  const slots: number[] = []
  for (let slot = 0; slot < slotsPerWeek; slot++) if (going[slot] === 1) slots.push(slot)
  const scaled = habits.map(({ habit, watcher, slots: own }) => counts(habit) ? withinCertainty(own, watching[watcher]!, slots) : never)
  for (const sum of watching) for (const slot of slots) if (sum[slot]! > 1) sum[slot] = 1
  return { watching, habits: scaled, slots, sameAs: sameSlots(scaled, slots) }
}

const slotsPerDay = minutesPerDay / slotMinutes

/** Most days of a week are alike, so what is worked out for one slot serves the same time of other days. */
function sameSlots(chances: readonly Float64Array[], slots: readonly number[]): Int16Array {
  const same = Int16Array.from({ length: slotsPerWeek }, (_, slot) => slot)
  for (const slot of slots) {
    for (let earlier = slot % slotsPerDay; earlier < slot; earlier += slotsPerDay) {
      if (same[earlier] === earlier && chances.every(own => own[slot] === own[earlier])) {
        same[slot] = earlier
        break
      }
    }
  }
  return same
}

/** Who watches when, over the week, in slots of five minutes. */
export function watchingWeek(household: Household): WatchingWeek {
  const { watchers, habits } = watchersOf(household)
  return {
    watchers,
    habits,
    ordinary: occupancyOf(watchers, habits, habit => !habit.onBusyDays),
    busy: habits.some(({ habit }) => habit.onBusyDays) ? occupancyOf(watchers, habits, () => true) : null,
  }
}
