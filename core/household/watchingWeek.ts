import type { Household } from '../plan/household'
import { occupancyOf } from './occupancy'
import { watchersOf, type WatchingWeek } from './weekHabits'

/** Who watches when, over the week, in slots of five minutes. */
export function watchingWeek(household: Household): WatchingWeek {
  const { watchers, habits } = watchersOf(household)
  const ofBusyDays = habits.filter(({ habit }) => habit.onBusyDays)
  return {
    watchers,
    habits,
    ordinary: occupancyOf({ watchers, habits }, habit => !habit.onBusyDays),
    busy: ofBusyDays.length ? occupancyOf({ watchers, habits }, () => true) : null,
    busySlots: [...new Set(ofBusyDays.flatMap(({ going }) => going))],
  }
}
