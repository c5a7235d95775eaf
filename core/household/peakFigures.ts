import { declareFigure } from '../expressions/declareFigure'
import { likelyOf } from '../expressions/evaluate'
import {
  chosen,
  constant,
  least,
  quoted,
  sumTold,
  workedOut,
  type Expression,
} from '../expressions/expression'
import type { PlanPath } from '../expressions/planPath'
import type { Pure } from '../expressions/unitTypes'
import type { Figure } from '../figure'
import type { Format } from '../units/format'
import { slotMinutes, weekTimeText } from '../units/week'
import type { WatchingWeek, Occupancy } from './weekHabits'

/** Fields that decide when a habit goes on. */
export function habitTimeInputs(index: number): PlanPath[] {
  return (['earliest', 'latest', 'minutes', 'chance', 'days'] as const).map(
    field => `household.habits.${index}.${field}` as const,
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

/** A viewer's chance in a moment: the habits behind it, at most 1. */
export const certainAtMost = (chances: readonly Expression<Pure>[]): Expression<Pure> => {
  const all = sumTold(chances, 'share', 6)
  return likelyOf(all) > 1 ? least(constant(1, 'share'), all) : all
}

/** For each watcher at a moment: the chance to be watching, with the habits that make it up. */
export function watchingFigures(week: WatchingWeek, slot: number, format: Format): Figure[] {
  return slotParts(week, week.ordinary, slot).map(({ watcher, habits }) =>
    declareFigure(
      () =>
        chosen(
          ['household.habits', 'household.viewers'],
          certainAtMost(
            habits.map(({ at, chance: own }) =>
              workedOut(own, 'share', {
                inputs: habitTimeInputs(week.habits[at]!.index),
                before: quoted(week.habits[at]!.habit.name || 'habit'),
              }),
            ),
          ),
        ),
      {
        id: `household.peak.${watcher}`,
        label: `${week.watchers[watcher]!.name}, ${weekTimeText(slot * slotMinutes)}`,
        unit: 'share',
        source:
          'With the start uniform between earliest a and latest b and a length L: chance × ' +
          '(min(b, t) − max(a, t − L)) ÷ (b − a). One viewer watches one thing at a time: at ' +
          'most 1.',
      },
      format,
    ),
  )
}
