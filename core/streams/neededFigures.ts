import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  figureOf,
  product,
  quoted,
  quotient,
  roundedUp,
  workedOut,
  type Expression,
  type Input,
} from '../expressions/expression'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { Figure } from '../figure'
import { certainAtMost, habitTimeInputs } from '../household/peakFigures'
import type { Choices } from '../plan/choices'
import type { Format } from '../units/format'
import { slotMinutes, weekTimeText } from '../units/week'
import { whatConverts } from '../expressions/inputs/conversionInputs'
import { habitConvertingId } from './conversionsNeeded'
import type { StreamsFacts, StreamsSlice } from './streamsFacts'

const exact =
  'The number that needs converting is Poisson-binomial over the viewers, worked out ' +
  'exactly for each of the 2016 five-minute slots, whether or not this machine can convert ' +
  'it; the largest level of any slot counts.'

/** The figures of the conversions needed. */
export function neededFigures(
  { needed, demand }: StreamsFacts,
  slice: StreamsSlice,
  format: Format,
): Figure[] {
  const { fromHabits, heads } = needed
  if (!fromHabits || !demand) return answeredFigures(needed, slice, format)
  const { number: n } = format
  const { school, minutesShortTarget } = slice
  const { week, convertingShares } = demand
  const { counts, parts } = fromHabits
  const peak = counts.slot95
  const peakFigures = parts.map(({ watcher, habits }) =>
    declareFigure(
      () =>
        chosen(
          whatConverts,
          certainAtMost(
            habits.map(({ at, chance: own }) => {
              const { index, habit } = week.habits[at]!
              return product(
                workedOut(own, 'share', {
                  inputs: habitTimeInputs(index),
                  before: `${quoted(habit.name || 'habit')} going on`,
                }),
                figureOf(habitConvertingId(index), [convertingShares[at]!, 'share'], {
                  before: 'converted',
                }),
              )
            }),
          ),
        ),
      {
        id: `streams.peak.${watcher}`,
        label: `${week.watchers[watcher]!.name} converting, ${weekTimeText(peak * slotMinutes)}`,
        unit: 'share',
      },
      format,
    ),
  )
  const level = (share: '95' | '99', value: number, slot: number): Figure => {
    const chances =
      slot === peak
        ? `chances ${parts.map(({ chance }) => n(chance, 3)).join(', ') || 'none'} → `
        : ''
    return declareFigure(
      () =>
        workedOut(value, 'conversions', {
          inputs: [
            ...(slot === peak ? peakFigures.map(({ id }) => ({ figure: id })) : []),
            ...whatConverts,
          ],
          says:
            `${weekTimeText(slot * slotMinutes)}: ${chances}no more than ${value} are converted ` +
            `in ${share} weeks of 100`,
        }),
      {
        id: `streams.asked${share}`,
        label: `Conversions, ${share} % level`,
        unit: 'conversions',
        source: exact,
      },
      format,
    )
  }
  const bySchool: Readonly<Record<Choices['school'], { inputs: readonly Input[]; says: string }>> =
    {
      level95: { inputs: [{ figure: 'streams.asked95' }], says: 'the 95 % level' },
      level99: { inputs: [{ figure: 'streams.asked99' }], says: 'the 99 % level' },
      headCount: {
        inputs: [{ figure: 'streams.askedHeadCount' }],
        says: 'every viewer with any conversion',
      },
      minutesShort: {
        inputs: ['choices.minutesShortTarget', ...whatConverts],
        says: `more convert for at most ${n(minutesShortTarget)} minutes a month`,
      },
      // Habits are not planned for then.
      atOnce: { inputs: [], says: '' },
    }
  const { inputs, says } = bySchool[school]
  return [
    ...peakFigures,
    declareFigure(
      () =>
        workedOut(needed.needed, 'conversions', {
          inputs: [...inputs, 'choices.school'],
          says: `${says}: ${needed.needed}`,
        }),
      { id: 'streams.asked', label: 'Conversions needed', unit: 'conversions' },
      format,
    ),
    level('95', counts.level95, counts.slot95),
    level('99', counts.level99, counts.slot99),
    declareFigure(
      () =>
        workedOut(heads, 'conversions', {
          inputs: [...whatConverts, 'choices.school'],
          says: `viewers with any conversion in their habits: ${heads}`,
        }),
      {
        id: 'streams.askedHeadCount',
        label: 'Conversions if every viewer watches',
        unit: 'conversions',
        note: 'Guests are not included.',
      },
      format,
    ),
  ]
}

type Conversions = Expression<DimensionsOf<'conversions'>>

function answeredFigures(
  { heads }: StreamsFacts['needed'],
  { household: { viewers, converted, watchingHome, watchingAway }, school }: StreamsSlice,
  format: Format,
): Figure[] {
  const answered = watchingHome + watchingAway
  const asAnswered: Conversions = workedOut(converted, 'conversions', {
    inputs: ['household.converted'],
    says: `as answered: ${converted}`,
  })
  const everyOne = roundedUp(
    quotient(
      product(
        workedOut(viewers.length, 'viewers', { inputs: ['household.viewers'] }),
        workedOut(converted, 'conversions', {
          inputs: ['household.converted'],
          bare: true,
          after: 'converted',
        }),
      ),
      workedOut(answered, 'viewers', {
        inputs: ['household.watchingHome', 'household.watchingAway'],
        bare: true,
        after: 'watching',
      }),
    ),
  )
  const decides: readonly Input[] = [
    'household.viewers',
    'household.watchingHome',
    'household.watchingAway',
    'household.habits',
    'choices.school',
  ]
  // More than all viewers cannot convert, whatever was answered.
  const capped: Conversions = workedOut(heads, 'conversions', {
    inputs: ['household.viewers', 'household.converted'],
    says: `every viewer: ${heads}`,
  })
  const isScaled = answered > 0 && viewers.length > 0
  const isCapped = isScaled && Math.ceil((viewers.length * converted) / answered) > heads
  const headsExpression = chosen(decides, !isScaled ? asAnswered : isCapped ? capped : everyOne)
  const why = 'This needs habits. None are entered, or the planning rule does not use them.'
  const everyHead = school === 'headCount' && viewers.length > 0
  return [
    declareFigure(
      () => (everyHead ? headsExpression : chosen(decides, asAnswered)),
      { id: 'streams.asked', label: 'Conversions needed', unit: 'conversions' },
      format,
    ),
    declareFigure(
      () => headsExpression,
      {
        id: 'streams.askedHeadCount',
        label: 'Conversions if every viewer watches',
        unit: 'conversions',
      },
      format,
    ),
    ...(['95', '99'] as const).map(share =>
      absentFigure(why, {
        id: `streams.asked${share}`,
        label: `Conversions, ${share} % level`,
        unit: 'conversions',
        inputs: ['household.habits', 'choices.school'],
        formula: 'level of the number converting, by habits',
      }),
    ),
  ]
}
