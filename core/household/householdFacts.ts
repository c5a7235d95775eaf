import type { Choices } from '../plan/choices'
import { homePlace } from '../plan/constants'
import type { Household } from '../plan/household'
import { bySchool } from './bySchool'
import { busiestQuarter, weekCounts, type WeekCounts } from './weekCounts'
import { hoursAnybody, hoursPerDay, usualWatchedHours, type HoursPerDay } from './watchedHours'
import { watchingWeek } from './watchingWeek'
import type { WatchingWeek } from './weekHabits'

/** How many watch at once, by the planning rule. */
export interface AtOnce {
  readonly home: number
  readonly away: number
}

export interface HouseholdSlice {
  readonly household: Household
  readonly school: Choices['school']
  readonly minutesShortTarget: number
  /** null where it follows from the habits */
  readonly watchingHoursPerDay: number | null
}

/** Who watches when, and how many at once. */
export interface HouseholdFacts {
  readonly week: WatchingWeek
  /** how many watch, over the ordinary week */
  readonly counts: WeekCounts
  /** listed viewers */
  readonly heads: AtOnce
  /** viewers to plan for by the chosen school */
  readonly atOnce: AtOnce
  readonly atOnceFrom: 'heads' | 'habits' | 'answers'
  /** the numbers follow from habits; else from the answers of the busy evening */
  readonly fromHabits: boolean
  /** a habit of ordinary days is entered, and may happen */
  readonly anyHappens: boolean
  /** expected number watching, slot by slot of the ordinary week */
  readonly expected: { readonly home: Float64Array; readonly away: Float64Array }
  readonly busiest: { readonly minuteOfWeek: number; readonly mean: number }
  /** hours of a day in which anybody watches */
  readonly watched: HoursPerDay
}

/** Whether the numbers follow from habits under this school. */
export function followsHabits(week: WatchingWeek, school: Choices['school']): boolean {
  return school !== 'atOnce' && hasHabits(week)
}

/** Whether any habit of ordinary days is entered. */
export function hasHabits({ habits }: Pick<WatchingWeek, 'habits'>): boolean {
  return habits.some(({ habit }) => !habit.onBusyDays)
}

/** Who watches at once, by the school the plan follows. */
export function householdFacts({
  household,
  school,
  minutesShortTarget,
  watchingHoursPerDay,
}: HouseholdSlice): HouseholdFacts {
  const { viewers } = household
  const week = watchingWeek(household)
  const away = viewers.filter(viewer => viewer.place !== homePlace).length
  const heads = { home: viewers.length - away, away }
  const countsOf = (weight: (isAway: boolean) => number) =>
    weekCounts(
      week,
      week.ordinary,
      week.habits.map(({ watcher }) => weight(week.watchers[watcher]!.isAway)),
    )
  const counts = countsOf(() => 1)
  const sides = {
    home: countsOf(isAway => (isAway ? 0 : 1)),
    away: countsOf(isAway => (isAway ? 1 : 0)),
  }
  const fromHabits = followsHabits(week, school)
  const atOnceFrom =
    school === 'headCount' && viewers.length > 0 ? 'heads' : fromHabits ? 'habits' : 'answers'
  const level = (side: 'home' | 'away') =>
    bySchool(sides[side], heads[side], { school, minutesShortTarget })
  return {
    week,
    counts,
    heads,
    fromHabits,
    atOnceFrom,
    atOnce:
      atOnceFrom === 'heads'
        ? heads
        : atOnceFrom === 'habits'
          ? { home: level('home'), away: level('away') }
          : { home: household.watchingHome, away: household.watchingAway },
    anyHappens: week.ordinary.slots.length > 0,
    expected: { home: sides.home.expected, away: sides.away.expected },
    busiest: busiestQuarter(counts.expected),
    watched: hoursPerDay(
      watchingHoursPerDay,
      hasHabits(week) ? hoursAnybody(counts) : null,
      // Where nobody is said to watch, no hour is spent so.
      viewers.length > 0 || household.watchingHome + household.watchingAway > 0
        ? usualWatchedHours
        : 0,
    ),
  }
}
