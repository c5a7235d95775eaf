import { counted } from '../units/counted'
import type { Telling } from '../domain'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import { field, sum, workedOut, type Input } from '../expressions/expression'
import type { Figure } from '../figure'
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
    figures: () => [
      headFigure(facts, format),
      ...watchingFigures(facts.week, facts.counts.slot95, format),
      ...levelFigures(facts, format),
      busiestFigure(facts, format),
      watchedFigure(facts, format),
      ...atOnceFigures(facts, slice, format),
    ],
    verdicts: [],
    findings: [...householdFindings(slice.household, facts.week), ...answerFindings(facts, slice)],
  }
}

function headFigure({ heads }: HouseholdFacts, format: Format): Figure {
  const parts = { id: 'household.headCount', label: 'Head count', unit: 'viewers' } as const
  const inputs: readonly Input[] = ['household.viewers']
  if (heads.home + heads.away === 0)
    return absentFigure(
      'No viewers are listed yet; the numbers watching at once are used as answered.',
      { ...parts, inputs, formula: 'viewers at home + viewers away' },
    )
  return declareFigure(
    () =>
      sum(
        workedOut(heads.home, 'viewers', { inputs, bare: true, after: 'at home' }),
        workedOut(heads.away, 'viewers', { inputs, bare: true, after: 'away' }),
      ),
    {
      ...parts,
      note:
        'Everyone at once, which is rare; cautious planners allow for it. Guests are not ' +
        'included.',
    },
    format,
  )
}

const weekOf: readonly Input[] = ['household.habits', 'household.viewers']

/** What follows from habits is nothing while none of them ever happens. */
function nobodyEver(
  parts: { readonly id: string; readonly label: string; readonly unit: 'viewers' },
  format: Format,
): Figure {
  return declareFigure(
    () => workedOut(0, 'viewers', { inputs: weekOf, says: 'Nobody ever watches.' }),
    { ...parts, note: noneHappens },
    format,
  )
}

function levelFigures({ week, counts, anyHappens }: HouseholdFacts, format: Format): Figure[] {
  const { number: n } = format
  return (['95', '99'] as const).map(share => {
    const [level, slot] =
      share === '95' ? [counts.level95, counts.slot95] : [counts.level99, counts.slot99]
    const parts = {
      id: `household.watching${share}`,
      label: `Watching, ${share} % level`,
      unit: 'viewers',
    } as const
    if (!week.habits.length)
      return absentFigure(noHabits, {
        ...parts,
        inputs: weekOf,
        formula: 'level of the number watching, by habits',
      })
    if (!anyHappens) return nobodyEver(parts, format)
    const chances = week.ordinary.watching.map(slots => slots[slot]!).filter(chance => chance > 0)
    const behind =
      slot === counts.slot95
        ? week.watchers.flatMap((_, at) =>
            week.ordinary.watching[at]![slot]! > 0 ? [{ figure: `household.peak.${at}` }] : [],
          )
        : []
    return declareFigure(
      () =>
        workedOut(level, 'viewers', {
          inputs: [...behind, ...weekOf],
          says:
            `${weekTimeText(slot * slotMinutes)}: chances ` +
            `${chances.map(chance => n(chance, 3)).join(', ') || 'none'} → no more than ` +
            `${level} watch in ${share} weeks of 100`,
        }),
      {
        ...parts,
        source:
          'The number watching is Poisson-binomial over the viewers, worked out exactly by ' +
          'convolution for each of the 2016 five-minute slots; the largest level of any slot ' +
          'counts.',
      },
      format,
    )
  })
}

function busiestFigure({ week, busiest, anyHappens }: HouseholdFacts, format: Format): Figure {
  const parts = {
    id: 'household.busiestExpected',
    label: 'Expected at the busiest quarter hour',
    unit: 'viewers',
  } as const
  if (!week.habits.length)
    return absentFigure(noHabits, { ...parts, inputs: weekOf, formula: 'mean number watching' })
  if (!anyHappens) return nobodyEver(parts, format)
  return declareFigure(
    () =>
      workedOut(busiest.mean, 'viewers', {
        inputs: weekOf,
        says:
          `${weekTimeText(busiest.minuteOfWeek)} to ${weekTimeText(busiest.minuteOfWeek + 15)}: ` +
          `${format.number(busiest.mean, 3)} on average`,
      }),
    { ...parts, note: "Sum of the viewers' chances, the mean of three slots." },
    format,
  )
}

/** Hours of a day in which anybody watches. */
function watchedFigure({ watched: { perDay, from } }: HouseholdFacts, format: Format): Figure {
  const parts = {
    id: 'household.watchedHours',
    label: 'Hours somebody watches',
    unit: 'h',
    basis: from === 'usual' ? 'default' : from === 'entered' ? 'entered' : 'computed',
  } as const
  return declareFigure(
    () =>
      from === 'entered'
        ? field('choices.watchingHoursPerDay', [perDay, 'h'])
        : workedOut(perDay, 'h', {
            inputs: [
              'choices.watchingHoursPerDay',
              ...weekOf,
              ...(from === 'usual'
                ? (['household.watchingHome', 'household.watchingAway'] as const)
                : []),
            ],
            says:
              from === 'habits'
                ? 'the chance that anybody watches, added up over the week, to a tenth of an ' +
                  'hour on a mean day'
                : perDay > 0
                  ? 'a planning value, as no habits are entered'
                  : 'nobody is said to watch',
          }),
    parts,
    format,
  )
}

function atOnceFigures(
  { atOnce, atOnceFrom, fromHabits }: HouseholdFacts,
  { school }: HouseholdSlice,
  format: Format,
): Figure[] {
  return (['home', 'away'] as const).map(side => {
    const here = side === 'home' ? 'at home' : 'away'
    const answered = side === 'home' ? 'household.watchingHome' : 'household.watchingAway'
    const limit: readonly Input[] = school === 'minutesShort' ? ['choices.minutesShortTarget'] : []
    const from: Readonly<
      Record<HouseholdFacts['atOnceFrom'], { inputs: readonly Input[]; says: string }>
    > = {
      heads: { inputs: ['household.viewers'], says: `every viewer ${here}: ${atOnce[side]}` },
      habits: {
        inputs: [...weekOf, ...limit],
        says: `${schoolTexts[school]}, at its worst moment of the week: ${atOnce[side]}`,
      },
      answers: { inputs: [answered], says: `as answered: ${atOnce[side]}` },
    }
    const { inputs, says } = from[atOnceFrom]
    // Which of the three counts follows from the planning rule, and from whether there are any
    // habits or viewers.
    const decides: readonly Input[] = ['choices.school', ...(fromHabits ? [] : weekOf)]
    return declareFigure(
      () => workedOut(atOnce[side], 'viewers', { inputs: [...inputs, ...decides], says }),
      {
        id: side === 'home' ? 'household.watchingHomeAtOnce' : 'household.watchingAwayAtOnce',
        label: `Watching at once, ${here}`,
        unit: 'viewers',
      },
      format,
    )
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
            sentence: `${answered} watch at once, but the household lists ${counted(viewers.length, 'viewer')}.`,
            from: ['household.viewers', 'household.watchingHome', 'household.watchingAway'],
            fixes: ['Add the missing viewers, or lower how many watch at once.'],
          }),
        ]
      : []),
  ]
}
