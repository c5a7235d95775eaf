import type { Telling } from '../domain'
import { declareFigure } from '../expressions/declareFigure'
import { field, workedOut } from '../expressions/expression'
import { whatConverts } from '../expressions/inputs/conversionInputs'
import type { Format } from '../units/format'
import type { DayFacts } from './dayFacts'

/** The hours of a day in words. */
export function tellDay(
  { converting: { perDay, from } }: DayFacts,
  _: object,
  format: Format,
): Telling {
  return {
    figures: () => [
      declareFigure(
        () =>
          from === 'entered'
            ? field('choices.convertingHoursPerDay', [perDay, 'h'])
            : workedOut(perDay, 'h', {
                inputs: ['choices.convertingHoursPerDay', 'household.converted', ...whatConverts],
                says:
                  from === 'habits'
                    ? 'the chance that anything is converted, added up over the week, to a ' +
                      'tenth of an hour on a mean day'
                    : perDay > 0
                      ? 'a planning value, as no habits are entered'
                      : 'no conversion is needed',
              }),
        {
          id: 'day.convertingHours',
          label: 'Hours converting',
          unit: 'h',
          basis: from === 'usual' ? 'default' : from === 'entered' ? 'entered' : 'computed',
        },
        format,
      ),
    ],
    verdicts: [],
    findings: [],
  }
}
