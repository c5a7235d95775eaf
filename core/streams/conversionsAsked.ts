import { bySchool } from '../household/assessHousehold'
import { habitTimeInputs, slotParts } from '../household/peakFigures'
import { weekCounts } from '../household/weekCounts'
import { figure, noFigure, type Figure } from '../figure'
import type { Choices } from '../plan/choices'
import type { Household } from '../plan/household'
import { formatNumber as n } from '../units/formatNumber'
import { slotMinutes, weekTimeText } from '../units/week'
import type { Demand } from './demand'

export interface ConversionsAsked { readonly asked: number, readonly figures: readonly Figure[] }

/** Figure ids of a habit's share of conversions, made by the playability matrix. */
export function habitConvertingId(index: number): string {
  return `playback.converting.${index}`
}

/** Conversions asked at once, from habits, devices and titles; under the chosen school and under the others. */
export function askedFromHabits(demand: Demand, choices: Choices): ConversionsAsked {
  const { week, convertingShares } = demand
  const counts = weekCounts(week, week.ordinary, convertingShares)
  const heads = new Set(week.habits.filter(({ watcher }, at) => week.watchers[watcher]!.listed && convertingShares[at]! > 1e-9).map(({ watcher }) => watcher)).size
  const asked = bySchool(counts, heads, choices)
  const peak = counts.slot95
  const parts = slotParts(week, week.ordinary, peak).flatMap((part) => {
    const habits = part.habits.filter(({ at }) => convertingShares[at]! > 0)
    return habits.length ? [{ ...part, habits, chance: Math.min(1, habits.reduce((sum, { at, chance }) => sum + chance * convertingShares[at]!, 0)) }] : []
  })
  const peakFigures = parts.map(({ watcher, chance, habits }) => figure(chance, {
    id: `streams.peak.${watcher}`, label: `${week.watchers[watcher]!.name} converting, ${weekTimeText(peak * slotMinutes)}`, unit: 'share',
    inputs: habits.flatMap(({ at }) => [habitConvertingId(week.habits[at]!.index), ...habitTimeInputs(week.habits[at]!.index)]),
    formula: `${habits.map(({ at, chance: own }) => `${week.habits[at]!.habit.name || 'habit'}: going on ${n(own, 3)} × converted ${n(convertingShares[at]!, 3)}`).join(' + ')} = ${n(chance, 3)}`,
  }))
  const exact = 'The number converting is Poisson-binomial over the viewers, worked out exactly for each of the 2016 five-minute slots; the largest level of any slot counts.'
  const level = (share: '95' | '99', value: number, slot: number): Figure => figure(value, {
    id: `streams.asked${share}`, label: `Conversions, ${share} % level`, unit: 'conversions', source: exact,
    inputs: [...(slot === peak ? peakFigures.map(entry => entry.id) : []), 'household.habits', 'library.holdings'],
    formula: slot === peak
      ? `${weekTimeText(slot * slotMinutes)}: chances ${parts.map(({ chance }) => n(chance, 3)).join(', ') || 'none'} → at most ${value} convert in ${share} of 100 such moments`
      : `${weekTimeText(slot * slotMinutes)}: at most ${value} convert in ${share} of 100 such moments`,
  })
  const formulas: Readonly<Record<Choices['school'], string>> = {
    level95: `95 % level at its worst moment = ${asked}`, level99: `99 % level at its worst moment = ${asked}`, headCount: `every viewer with any conversion = ${asked}`,
    minutesShort: `more than ${asked} convert for at most ${n(choices.minutesShortTarget)} minutes a month = ${asked}`, atOnce: '',
  }
  const behind: Readonly<Record<Choices['school'], string[]>> = {
    level95: ['streams.asked95'], level99: ['streams.asked99'], headCount: ['streams.askedHeadCount'], minutesShort: ['choices.minutesShortTarget', 'household.habits'], atOnce: [],
  }
  return {
    asked,
    figures: [
      ...peakFigures,
      figure(asked, { id: 'streams.asked', label: 'Conversions asked', unit: 'conversions', inputs: [...behind[choices.school], 'choices.school'], formula: formulas[choices.school] }),
      level('95', counts.level95, counts.slot95),
      level('99', counts.level99, counts.slot99),
      figure(heads, {
        id: 'streams.askedHeadCount', label: 'Conversions if every head watches', unit: 'conversions', inputs: ['household.viewers', 'household.habits', 'library.holdings'],
        formula: `viewers with any conversion in their habits = ${heads}`, note: 'Guests are counted apart.',
      }),
    ],
  }
}

/** Conversions asked at once, from the three answers of the busy evening. */
export function askedFromAnswers(household: Household, { school }: Pick<Choices, 'school'>): ConversionsAsked {
  const { viewers, converted, watchingHome, watchingAway } = household
  const answered = watchingHome + watchingAway
  const everyHead = school === 'headCount' && viewers.length > 0
  const heads = answered > 0 && viewers.length > 0 ? Math.min(viewers.length, Math.ceil(viewers.length * converted / answered)) : converted
  const asked = everyHead ? heads : converted
  const inputs = ['household.converted', 'household.watchingHome', 'household.watchingAway', 'household.headCount']
  const formula = answered > 0 && viewers.length > 0 ? `${viewers.length} heads × ${converted} converted ÷ ${answered} watching, rounded up = ${heads}` : `as answered = ${heads}`
  const why = 'No habits are entered, or the evening as answered is planned for.'
  return {
    asked,
    figures: [
      figure(asked, {
        id: 'streams.asked', label: 'Conversions asked', unit: 'conversions',
        inputs: everyHead ? [...inputs, 'choices.school'] : ['household.converted', 'choices.school'],
        formula: everyHead && answered > 0 ? formula : `as answered = ${asked}`,
      }),
      figure(heads, { id: 'streams.askedHeadCount', label: 'Conversions if every head watches', unit: 'conversions', inputs, formula }),
      noFigure(why, { id: 'streams.asked95', label: 'Conversions, 95 % level', unit: 'conversions', inputs: ['household.habits'], formula: 'level of the number converting, by habits' }),
      noFigure(why, { id: 'streams.asked99', label: 'Conversions, 99 % level', unit: 'conversions', inputs: ['household.habits'], formula: 'level of the number converting, by habits' }),
    ],
  }
}
