import type { Telling } from '../domain'
import { figure, noFigure, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { slotMinutes, weekTimeText } from '../units/week'
import { householdFindings } from './householdFindings'
import type { HouseholdFacts, HouseholdSlice } from './householdFacts'
import { watchingFigures } from './peakFigures'

const schoolTexts = {
  level95: 'not exceeded in 95 weeks of 100',
  level99: 'not exceeded in 99 weeks of 100',
  minutesShort: 'exceeded for no more minutes a month than are accepted',
  headCount: 'everyone at once',
  atOnce: 'as answered',
} as const
const noHabits = 'No habits are entered yet.'
const noneHappens =
  'None of the habits ever happens: each has a chance of 0, no day, or is for guest days only.'

/** The household's facts in words. */
export function tellHousehold(
  facts: HouseholdFacts,
  slice: HouseholdSlice,
  format: Format,
): Telling {
  return {
    figures: [
      headFigure(facts),
      ...watchingFigures(facts.week, facts.counts.slot95, format),
      ...levelFigures(facts, format),
      busiestFigure(facts, format),
      ...atOnceFigures(facts, slice),
    ],
    verdicts: [],
    findings: [...householdFindings(slice.household, facts.week), ...answerFindings(facts, slice)],
  }
}

function headFigure({ heads }: HouseholdFacts): Figure {
  const parts = {
    id: 'household.headCount',
    label: 'Head count',
    unit: 'viewers',
    inputs: ['household.viewers'],
  }
  const sum = heads.home + heads.away
  return sum > 0
    ? figure(sum, {
        ...parts,
        formula: `${heads.home} at home + ${heads.away} away = ${sum}`,
        note:
          'Everyone at once, which is rare; cautious planners allow for it. Guests are not ' +
          'included.',
      })
    : noFigure('No viewers are listed yet; the numbers watching at once are used as answered.', {
        ...parts,
        formula: 'viewers at home + viewers away',
      })
}

function levelFigures(
  { week, counts, anyHappens }: HouseholdFacts,
  { number: n }: Format,
): Figure[] {
  return (['95', '99'] as const).map(share => {
    const [level, slot] =
      share === '95' ? [counts.level95, counts.slot95] : [counts.level99, counts.slot99]
    const parts = {
      id: `household.watching${share}`,
      label: `Watching, ${share} % level`,
      unit: 'viewers',
    }
    if (!week.habits.length)
      return noFigure(noHabits, {
        ...parts,
        inputs: ['household.habits'],
        formula: 'level of the number watching, by habits',
      })
    if (!anyHappens)
      return figure(0, {
        ...parts,
        inputs: ['household.habits'],
        formula: 'nobody ever watches = 0',
        note: noneHappens,
      })
    const chances = week.ordinary.watching.map(slots => slots[slot]!).filter(chance => chance > 0)
    return figure(level, {
      ...parts,
      inputs: [
        ...(slot === counts.slot95
          ? week.watchers.flatMap((_, at) =>
              week.ordinary.watching[at]![slot]! > 0 ? [`household.peak.${at}`] : [],
            )
          : []),
        'household.habits',
        'household.viewers',
      ],
      formula:
        `${weekTimeText(slot * slotMinutes)}: chances ` +
        `${chances.map(chance => n(chance, 3)).join(', ') || 'none'} → no more than ${level} ` +
        `watch in ${share} weeks of 100`,
      source:
        'The number watching is Poisson-binomial over the viewers, worked out exactly by ' +
        'convolution for each of the 2016 five-minute slots; the largest level of any slot ' +
        'counts.',
    })
  })
}

function busiestFigure(
  { week, busiest, anyHappens }: HouseholdFacts,
  { number: n }: Format,
): Figure {
  const parts = {
    id: 'household.busiestExpected',
    label: 'Expected at the busiest quarter hour',
    unit: 'viewers',
    inputs: ['household.habits', 'household.viewers'],
  }
  if (!week.habits.length) return noFigure(noHabits, { ...parts, formula: 'mean number watching' })
  if (!anyHappens)
    return figure(0, { ...parts, formula: 'nobody ever watches = 0', note: noneHappens })
  return figure(busiest.mean, {
    ...parts,
    formula:
      `${weekTimeText(busiest.minuteOfWeek)} to ${weekTimeText(busiest.minuteOfWeek + 15)}: ` +
      `${n(busiest.mean, 3)} on average`,
    note: "Sum of the viewers' chances, the mean of three slots.",
  })
}

function atOnceFigures(
  { atOnce, atOnceFrom }: HouseholdFacts,
  { school }: HouseholdSlice,
): Figure[] {
  return (['home', 'away'] as const).map(side => {
    const here = side === 'home' ? 'at home' : 'away'
    const parts = {
      id: side === 'home' ? 'household.watchingHomeAtOnce' : 'household.watchingAwayAtOnce',
      label: `Watching at once, ${here}`,
      unit: 'viewers',
    }
    const answered = side === 'home' ? 'household.watchingHome' : 'household.watchingAway'
    const from = {
      heads: {
        inputs: ['household.viewers', 'choices.school'],
        formula: `every viewer ${here} = ${atOnce[side]}`,
      },
      habits: {
        inputs: ['household.habits', 'household.viewers', 'choices.school'],
        formula: `${schoolTexts[school]}, at its worst moment of the week: ${atOnce[side]}`,
      },
      answers: { inputs: [answered, 'choices.school'], formula: `as answered = ${atOnce[side]}` },
    }
    return figure(atOnce[side], { ...parts, ...from[atOnceFrom] })
  })
}

function answerFindings(
  { fromHabits }: HouseholdFacts,
  { household: { viewers, watchingHome, watchingAway, converted } }: HouseholdSlice,
): Finding[] {
  const answered = watchingHome + watchingAway
  if (fromHabits) return []
  return [
    ...(converted > answered
      ? [
          finding('warning', 'CONVERTED_OVER_WATCHING', {
            sentence: `${converted} conversions are needed, but only ${answered} watch at once.`,
            from: ['household.converted', 'household.watchingHome', 'household.watchingAway'],
            fixes: ['Lower the conversions, or raise how many watch at once.'],
          }),
        ]
      : []),
    ...(viewers.length > 0 && answered > viewers.length
      ? [
          finding('caution', 'WATCHING_OVER_VIEWERS', {
            sentence: `${answered} watch at once, but the household lists ${viewers.length} viewers.`,
            from: ['household.viewers', 'household.watchingHome', 'household.watchingAway'],
            fixes: ['Add the missing viewers, or lower how many watch at once.'],
          }),
        ]
      : []),
  ]
}
