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
import { habitConvertingId, type ConversionsNeeded } from './conversionsNeeded'
import type { Demand } from './demand'
import type { StreamsFacts, StreamsSlice } from './streamsFacts'

const exact =
  'The number that needs converting is Poisson-binomial over the viewers, worked out ' +
  'exactly for each of the 2016 five-minute slots, whether or not this machine can convert ' +
  'it; the largest level of any slot counts.'

/** What the figures of a household with habits are told from. */
interface Told {
  readonly demand: Demand
  readonly fromHabits: NonNullable<ConversionsNeeded['fromHabits']>
  readonly format: Format
}

/** The figures of the conversions needed. */
export function neededFigures(
  { needed, demand, keepsVideo }: StreamsFacts,
  slice: StreamsSlice,
  format: Format,
): Figure[] {
  const { fromHabits, heads } = needed
  if (!fromHabits || !demand)
    return keepsVideo ? answeredFigures(needed, slice, format) : nothingFigures(format)
  const told = { demand, fromHabits, format }
  const peaks = convertingFigures(told)
  return [
    ...peaks,
    askedFigure(needed.needed, slice, format),
    levelFigure('95', peaks, told),
    levelFigure('99', peaks, told),
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

/** Each viewer's chance to be converting at the worst moment, with the habits behind it. */
function convertingFigures({ demand, fromHabits: { counts, parts }, format }: Told): Figure[] {
  const { week, convertingShares } = demand
  return parts.map(({ watcher, habits }) =>
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
        label:
          `${week.watchers[watcher]!.name} converting, ` +
          weekTimeText(counts.slot95 * slotMinutes),
        unit: 'share',
      },
      format,
    ),
  )
}

/** The number converting that is not exceeded in so many weeks of 100. */
function levelFigure(
  share: '95' | '99',
  peaks: readonly Figure[],
  { fromHabits: { counts, parts }, format }: Told,
): Figure {
  const [level, slot] =
    share === '95' ? [counts.level95, counts.slot95] : [counts.level99, counts.slot99]
  const isPeak = slot === counts.slot95
  const told = parts.map(({ chance }) => format.number(chance, 3)).join(', ') || 'none'
  return declareFigure(
    () =>
      workedOut(level, 'conversions', {
        inputs: [...(isPeak ? peaks.map(({ id }) => ({ figure: id })) : []), ...whatConverts],
        says:
          `${weekTimeText(slot * slotMinutes)}: ${isPeak ? `chances ${told} → ` : ''}no more ` +
          `than ${level} are converted in ${share} weeks of 100`,
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

/** The conversions to plan for, by the planning rule. */
function askedFigure(
  needed: number,
  { school, minutesShortTarget }: StreamsSlice,
  format: Format,
): Figure {
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
        says: `more convert for at most ${format.number(minutesShortTarget)} minutes a month`,
      },
      // Habits are not planned for then.
      atOnce: { inputs: [], says: '' },
    }
  const { inputs, says } = bySchool[school]
  return declareFigure(
    () =>
      workedOut(needed, 'conversions', {
        inputs: [...inputs, 'choices.school'],
        says: `${says}: ${needed}`,
      }),
    { id: 'streams.asked', label: 'Conversions needed', unit: 'conversions' },
    format,
  )
}

type Conversions = Expression<DimensionsOf<'conversions'>>

const levelsNeedHabits =
  'This needs habits. None are entered, or the planning rule does not use them.'

const absentLevels = () =>
  (['95', '99'] as const).map(share =>
    absentFigure(levelsNeedHabits, {
      id: `streams.asked${share}`,
      label: `Conversions, ${share} % level`,
      unit: 'conversions',
      inputs: ['household.habits', 'choices.school'],
      formula: 'level of the number converting, by habits',
    }),
  )

/** Where nothing is kept whose picture could need converting. */
function nothingFigures(format: Format): Figure[] {
  const nothing = workedOut(0, 'conversions', {
    inputs: [
      'library.holdings',
      'library.otherTB',
      'household.converted',
      'household.viewers',
      'household.habits',
      'choices.school',
    ],
    says: 'Nothing is kept whose picture could need converting: 0',
  })
  return [
    declareFigure(
      () => nothing,
      { id: 'streams.asked', label: 'Conversions needed', unit: 'conversions' },
      format,
    ),
    declareFigure(
      () => nothing,
      {
        id: 'streams.askedHeadCount',
        label: 'Conversions if every viewer watches',
        unit: 'conversions',
      },
      format,
    ),
    ...absentLevels(),
  ]
}

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
    'library.holdings',
    'library.otherTB',
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
    ...absentLevels(),
  ]
}
