import { habitTimeInputs } from '../household/peakFigures'
import { figure, noFigure, type Figure } from '../figure'
import type { Choices } from '../plan/choices'
import type { Format } from '../units/format'
import { slotMinutes, weekTimeText } from '../units/week'
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
  if (!fromHabits || !demand) return answeredFigures(needed, slice)
  const { number: n } = format
  const { school, minutesShortTarget } = slice
  const { week, convertingShares } = demand
  const { counts, parts } = fromHabits
  const peak = counts.slot95
  const peakFigures = parts.map(({ watcher, chance, habits }) =>
    figure(chance, {
      id: `streams.peak.${watcher}`,
      label: `${week.watchers[watcher]!.name} converting, ${weekTimeText(peak * slotMinutes)}`,
      unit: 'share',
      inputs: habits.flatMap(({ at }) => [
        habitConvertingId(week.habits[at]!.index),
        ...habitTimeInputs(week.habits[at]!.index),
      ]),
      formula:
        `${habits.map(({ at, chance: own }) => `${week.habits[at]!.habit.name || 'habit'}: going on ${n(own, 3)} × converted ` + `${n(convertingShares[at]!, 3)}`).join(' + ')} ` +
        `= ${n(chance, 3)}`,
    }),
  )
  const level = (share: '95' | '99', value: number, slot: number): Figure =>
    figure(value, {
      id: `streams.asked${share}`,
      label: `Conversions, ${share} % level`,
      unit: 'conversions',
      source: exact,
      inputs: [
        ...(slot === peak ? peakFigures.map(entry => entry.id) : []),
        'household.habits',
        'library.holdings',
      ],
      formula:
        `${weekTimeText(slot * slotMinutes)}: ` +
        `${slot === peak ? `chances ${parts.map(({ chance }) => n(chance, 3)).join(', ') || 'none'} → ` : ''}no ` +
        `more than ${value} are converted in ${share} weeks of 100`,
    })
  const formulas: Readonly<Record<Choices['school'], string>> = {
    level95: `95 % level at its worst moment = ${needed.needed}`,
    level99: `99 % level at its worst moment = ${needed.needed}`,
    headCount: `every viewer with any conversion = ${needed.needed}`,
    minutesShort:
      `more than ${needed.needed} convert for at most ${n(minutesShortTarget)} minutes a ` +
      `month = ${needed.needed}`,
    atOnce: '',
  }
  const behind: Readonly<Record<Choices['school'], string[]>> = {
    level95: ['streams.asked95'],
    level99: ['streams.asked99'],
    headCount: ['streams.askedHeadCount'],
    minutesShort: ['choices.minutesShortTarget', 'household.habits'],
    atOnce: [],
  }
  return [
    ...peakFigures,
    figure(needed.needed, {
      id: 'streams.asked',
      label: 'Conversions needed',
      unit: 'conversions',
      inputs: [...behind[school], 'choices.school'],
      formula: formulas[school],
    }),
    level('95', counts.level95, counts.slot95),
    level('99', counts.level99, counts.slot99),
    figure(heads, {
      id: 'streams.askedHeadCount',
      label: 'Conversions if every viewer watches',
      unit: 'conversions',
      inputs: ['household.viewers', 'household.habits', 'library.holdings'],
      formula: `viewers with any conversion in their habits = ${heads}`,
      note: 'Guests are not included.',
    }),
  ]
}

function answeredFigures(
  { needed, heads }: StreamsFacts['needed'],
  { household: { viewers, converted, watchingHome, watchingAway }, school }: StreamsSlice,
): Figure[] {
  const answered = watchingHome + watchingAway
  const everyHead = school === 'headCount' && viewers.length > 0
  const inputs = [
    'household.converted',
    'household.watchingHome',
    'household.watchingAway',
    'household.headCount',
  ]
  const formula =
    answered > 0 && viewers.length > 0
      ? `${viewers.length} viewers × ${converted} converted ÷ ${answered} watching, rounded ` +
        `up = ${heads}`
      : `as answered = ${heads}`
  const why = 'This needs habits. None are entered, or the planning rule does not use them.'
  return [
    figure(needed, {
      id: 'streams.asked',
      label: 'Conversions needed',
      unit: 'conversions',
      inputs: everyHead ? [...inputs, 'choices.school'] : ['household.converted', 'choices.school'],
      formula: everyHead && answered > 0 ? formula : `as answered = ${needed}`,
    }),
    figure(heads, {
      id: 'streams.askedHeadCount',
      label: 'Conversions if every viewer watches',
      unit: 'conversions',
      inputs,
      formula,
    }),
    ...(['95', '99'] as const).map(share =>
      noFigure(why, {
        id: `streams.asked${share}`,
        label: `Conversions, ${share} % level`,
        unit: 'conversions',
        inputs: ['household.habits'],
        formula: 'level of the number converting, by habits',
      }),
    ),
  ]
}
