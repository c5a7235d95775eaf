import { figure, type Figure } from '../figure'
import type { Format } from '../units/format'
import { slotMinutes, weekTimeText } from '../units/week'
import type { Occupancy, WatchingWeek } from './watchingWeek'

/** Fields that decide when a habit goes on. */
export function habitTimeInputs(index: number): string[] {
  return ['earliest', 'latest', 'minutes', 'chance', 'days'].map(
    field => `household.habits.${index}.${field}`,
  )
}

/** What each watcher's chance in a slot is made of. */
export interface SlotPart {
  readonly watcher: number
  readonly chance: number
  readonly habits: readonly { readonly at: number; readonly chance: number }[]
}

/** The watchers with a chance in a slot, each with the habits behind it. */
export function slotParts(week: WatchingWeek, occupancy: Occupancy, slot: number): SlotPart[] {
  return week.watchers.flatMap((_, watcher) => {
    const habits = week.habits.flatMap((habit, at) =>
      habit.watcher === watcher && occupancy.habits[at]![slot]! > 0
        ? [{ at, chance: occupancy.habits[at]![slot]! }]
        : [],
    )
    return habits.length ? [{ watcher, chance: occupancy.watching[watcher]![slot]!, habits }] : []
  })
}

/** For each watcher at a moment: the chance to be watching, with the habits that make it up. */
export function watchingFigures(week: WatchingWeek, slot: number, { number: n }: Format): Figure[] {
  return slotParts(week, week.ordinary, slot).map(({ watcher, chance, habits }) =>
    figure(chance, {
      id: `household.peak.${watcher}`,
      label: `${week.watchers[watcher]!.name}, ${weekTimeText(slot * slotMinutes)}`,
      unit: 'share',
      inputs: habits.flatMap(({ at }) => habitTimeInputs(week.habits[at]!.index)),
      formula: `${habits.map(({ at, chance: own }) => `${week.habits[at]!.habit.name || 'habit'} ${n(own, 3)}`).join(' + ')}${habits.length > 1 ? ` = ${n(chance, 3)}` : ''}`,
      source:
        'With the start uniform between earliest a and latest b and a length L: chance × ' +
        '(min(b, t) − max(a, t − L)) ÷ (b − a). One viewer watches one thing at a time: at ' +
        'most 1.',
    }),
  )
}
