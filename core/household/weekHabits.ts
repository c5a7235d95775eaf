import type { Habit, Household } from '../plan/household'
import { homePlace, usualLowestMbps, weekdays, type Weekday } from '../plan/constants'
import { minutesPerDay, slotsPerWeek, slotMinutes } from '../units/week'
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
  /** the slots in which it may go on, in their order */
  readonly going: readonly number[]
}

export interface WatchingWeek {
  readonly watchers: readonly Watcher[]
  readonly habits: readonly WeekHabit[]
  readonly ordinary: Occupancy
  /** the week with the habits of busy days on top; null when there are none */
  readonly busy: Occupancy | null
  /** the slots in which a habit of busy days may go on */
  readonly busySlots: readonly number[]
}

export const dayOrder = Object.keys(weekdays) as Weekday[]

/** Latest start on an endless line: before the earliest start it means past midnight. */
export function latestAfter(earliest: number, latest: number): number {
  return latest < earliest ? latest + minutesPerDay : latest
}

/**
 * Chance that a habit is going on, slot by slot over the week; wraps past midnight and past Sunday.
 */
export function habitSlots({
  earliest,
  latest,
  minutes,
  chance,
  days,
}: Pick<Habit, 'earliest' | 'latest' | 'minutes' | 'chance' | 'days'>): Float64Array {
  const slots = new Float64Array(slotsPerWeek)
  const end = latestAfter(earliest, latest)
  const times = { earliest, latest: end, minutes, chance }
  const first = Math.ceil(earliest / slotMinutes)
  const last = Math.ceil((end + minutes) / slotMinutes)
  const ofOneDay = Array.from({ length: Math.max(0, last - first) }, (_, at) =>
    chanceActive((first + at) * slotMinutes, times),
  )
  for (const day of days) {
    const offset = first + dayOrder.indexOf(day) * slotsPerDay
    for (let at = 0; at < ofOneDay.length; at++)
      slots[(offset + at) % slotsPerWeek]! += ofOneDay[at]!
  }
  return slots
}

/** By habit: an edit changes one of them, and plans share the others. */
export const knownTimes = new WeakMap<Habit, Pick<WeekHabit, 'slots' | 'going'>>()
export function timesOf(habit: Habit): Pick<WeekHabit, 'slots' | 'going'> {
  const known = knownTimes.get(habit)
  if (known) return known
  const slots = habitSlots(habit)
  const times = { slots, going: slotsOf(slots) }
  knownTimes.set(habit, times)
  return times
}

/**
 * The watchers of a household, and the habits that have one. A habit of a busy day without a viewer
 * is a guest of its own, at home.
 */
export function watchersOf(household: Household): { watchers: Watcher[]; habits: WeekHabit[] } {
  const watchers: Watcher[] = household.viewers.map(viewer => ({
    name: viewer.name || 'Viewer',
    placeId: viewer.place,
    isAway: viewer.place !== homePlace,
    listed: true,
    lowestRungMbps: viewer.lowestRungMbps,
  }))
  const habits = household.habits.flatMap((habit, index) => {
    const viewer = household.viewers.findIndex(candidate => candidate.id === habit.viewer)
    if (viewer < 0 && !(habit.onBusyDays && habit.viewer === '')) return []
    const watcher =
      viewer < 0
        ? watchers.push({
            name: habit.name || 'Guest',
            placeId: homePlace,
            isAway: false,
            listed: false,
            lowestRungMbps: usualLowestMbps,
          }) - 1
        : viewer
    return [
      {
        index,
        habit,
        watcher,
        hoursPerWeek: (habit.days.length * habit.chance * habit.minutes) / 60,
        ...timesOf(habit),
      },
    ]
  })
  return { watchers, habits }
}

export const slotsPerDay = minutesPerDay / slotMinutes

/** The slots with a chance. */
export function slotsOf(chances: ArrayLike<number>): number[] {
  const slots: number[] = []
  for (let slot = 0; slot < slotsPerWeek; slot++) if (chances[slot]! > 0) slots.push(slot)
  return slots
}

/**
 * Slots in which every chance is the same: most days of a week are alike, so what is worked out for
 * one serves them all.
 */
export interface AlikeSlots {
  readonly first: number
  readonly slots: readonly number[]
  /** the habits that may go on in them, by their index */
  readonly going: readonly number[]
}

/**
 * Chances for each slot of the week. A watcher is one draw: at most 1, the habit chosen in
 * proportion.
 */
export interface Occupancy {
  /** by watcher */
  readonly watching: readonly Float64Array[]
  /** by habit: it goes on, and is the one chosen; adds up to the watcher's chance */
  readonly habits: readonly Float64Array[]
  /** the slots in which anybody may watch */
  readonly slots: readonly number[]
  /**
   * those slots, with all that are at the same time of another day and the same in every chance as
   * one
   */
  readonly alike: readonly AlikeSlots[]
}
