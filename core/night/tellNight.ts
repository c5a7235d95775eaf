import type { Telling } from '../domain'
import { declareFigure } from '../expressions/declareFigure'
import { chosen, constant, sum, workedOut } from '../expressions/expression'
import type { Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { clockText } from '../units/week'
import type { NightFacts } from './nightFacts'
import type { DaySpan } from './quietHours'

const span = ({ from, minutes }: DaySpan) =>
  `from ${clockText(from)} to ${clockText(from + minutes)}`

/** The first press of play waits for drives that sleep, and for a machine that sleeps, s. */
export const drivesWakeS = { low: 8, likely: 10, high: 12 } as const
export const machineWakesS = { low: 20, likely: 40, high: 60 } as const

/** Less watching than this in a week is not told: five minutes. */
export const cutHoursTold = 1 / 12

function findings(
  { off, wakesOnCall, cutHours, quiet, arrivals }: NightFacts,
  { hours }: Format,
): Finding[] {
  if (!off) return []
  const wait = 'The first press of play then waits 20 to 60 s.'
  return [
    ...(cutHours >= cutHoursTold
      ? [
          finding(wakesOnCall ? 'caution' : 'warning', 'OFF_WHILE_WATCHING', {
            sentence:
              `The machine is off ${span(off)}, and by the habits ${hours(cutHours)} of watching ` +
              `a week fall into that. ${wakesOnCall ? wait : 'Nothing plays then.'}`,
            from: ['choices.offHoursPerDay', 'choices.offFrom', 'household.habits'],
            fixes: [
              quiet
                ? `Let it be off ${span(quiet)}: nobody watches then, and it wakes at ` +
                  `${clockText(quiet.from + quiet.minutes)}.`
                : 'Somebody may watch at any hour: let it run through, or let a call wake it.',
            ],
          }),
        ]
      : []),
    ...(arrivals.length > 0
      ? [
          finding('warning', 'OFF_WHILE_ARRIVING', {
            sentence:
              `The machine is off ${span(off)}, and this arrives then: ${arrivals.join(', ')}. ` +
              'It waits, or is lost.',
            from: ['choices.offHoursPerDay', 'choices.offFrom', 'drives.arrivals'],
            fixes: [
              quiet
                ? `Let it be off ${span(quiet)}: nothing arrives then, and nobody watches.`
                : 'Move it to hours in which the machine is on, or let it wake earlier.',
            ],
          }),
        ]
      : []),
  ]
}

/** How long play may wait at its first press, at the worst moment of the day. */
function firstPressFigure({ off, asleep, wakesOnCall }: NightFacts, format: Format): Figure {
  const waits = [
    ...(asleep || (off && wakesOnCall)
      ? [constant(drivesWakeS, 's', { after: 'for the drives' })]
      : []),
    ...(off && wakesOnCall ? [constant(machineWakesS, 's', { after: 'for the machine' })] : []),
  ]
  const inputs = [
    'choices.asleepHoursPerDay',
    'choices.offHoursPerDay',
    { figure: 'day.convertingHours' },
    { figure: 'household.watchedHours' },
    'choices.wakesOnCall',
  ] as const
  return declareFigure(
    () =>
      chosen(
        inputs,
        waits.length > 0
          ? sum(...waits)
          : workedOut(0, 's', { inputs, says: 'Drives and machine never sleep.' }),
      ),
    {
      id: 'night.firstPressS',
      label: 'First press of play, at most',
      unit: 's',
      source: 'Planning values for drives that spin up and a machine that a call wakes.',
      ...(off && !wakesOnCall
        ? { note: `While it is off, ${span(off)}, no press starts it: see the hours off.` }
        : {}),
    },
    format,
  )
}

/** What the hours off cut. */
export function tellNight(facts: NightFacts, _: object, format: Format): Telling {
  return {
    figures: () => [
      declareFigure(
        () =>
          workedOut(facts.cutHours, 'h', {
            inputs: [
              'household.habits',
              'household.viewers',
              'choices.offHoursPerDay',
              'choices.offFrom',
              { figure: 'day.convertingHours' },
              { figure: 'household.watchedHours' },
            ],
            says: facts.off
              ? `The machine is off ${span(facts.off)}; the habits of an ordinary week in these hours`
              : 'The machine runs through.',
          }),
        {
          id: 'night.cutHours',
          label: 'Watching a week while it is off',
          unit: 'h',
        },
        format,
      ),
      firstPressFigure(facts, format),
    ],
    verdicts: [],
    findings: findings(facts, format),
  }
}
