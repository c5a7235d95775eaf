import type { DomainAssessment } from '../domainAssessment'
import { figure, noFigure, type Figure } from '../figure'
import type { Finding } from '../finding'
import type { Choices } from '../plan/choices'
import { homePlace, type Household } from '../plan/household'
import { formatNumber as n } from '../units/formatNumber'
import { slotMinutes, weekTimeText } from '../units/week'
import { householdFindings } from './householdFindings'
import { watchingFigures } from './peakFigures'
import { busiestQuarter, levelByMinutes, weekCounts, type WeekCounts } from './weekCounts'
import type { WatchingWeek } from './watchingWeek'

export interface HouseholdAssessment extends DomainAssessment {
  /** viewers to plan for by the chosen school */
  readonly atOnce: { readonly home: number, readonly away: number }
  /** the numbers follow from habits; else from the answers of the busy evening */
  readonly fromHabits: boolean
  /** expected number watching, slot by slot of the ordinary week */
  readonly expected: { readonly home: Float64Array, readonly away: Float64Array }
}

/** Whether the numbers follow from habits under this school. */
export function followsHabits(week: WatchingWeek, { school }: Pick<Choices, 'school'>): boolean {
  return school !== 'atOnce' && week.habits.some(({ habit }) => !habit.onBusyDays)
}

/** A number to plan for by the school: of counts over the week, and of heads. */
export function bySchool(counts: WeekCounts, heads: number, { school, minutesShortTarget }: Pick<Choices, 'school' | 'minutesShortTarget'>): number {
  if (school === 'headCount') return heads
  if (school === 'level99') return counts.level99
  return school === 'minutesShort' ? levelByMinutes(counts, minutesShortTarget) : counts.level95
}

const schoolTexts = { level95: 'not exceeded in 95 of 100 such moments', level99: 'not exceeded in 99 of 100 such moments', minutesShort: 'exceeded for no more minutes a month than are accepted', headCount: 'everyone at once', atOnce: 'as answered' } as const

/** Who watches at once, by the school the plan follows. */
export function assessHousehold(household: Household, choices: Choices, week: WatchingWeek): HouseholdAssessment {
  const { viewers } = household
  const headsAway = viewers.filter(viewer => viewer.place !== homePlace).length
  const headsHome = viewers.length - headsAway
  const all = weekCounts(week, week.ordinary, week.habits.map(() => 1))
  const home = weekCounts(week, week.ordinary, week.habits.map(({ watcher }) => week.watchers[watcher]!.isAway ? 0 : 1))
  const away = weekCounts(week, week.ordinary, week.habits.map(({ watcher }) => week.watchers[watcher]!.isAway ? 1 : 0))
  const fromHabits = followsHabits(week, choices)
  const everyHead = choices.school === 'headCount' && viewers.length > 0
  const atOnce = everyHead
    ? { home: headsHome, away: headsAway }
    : fromHabits
      ? { home: bySchool(home, headsHome, choices), away: bySchool(away, headsAway, choices) }
      : { home: household.watchingHome, away: household.watchingAway }

  const figures: Figure[] = [
    viewers.length
      ? figure(viewers.length, {
          id: 'household.headCount', label: 'Head count', unit: 'viewers', inputs: ['household.viewers'],
          formula: `${headsHome} at home + ${headsAway} away = ${viewers.length}`,
          note: 'Everyone at once, which seldom happens: the cautious school plans for it. Guests are counted apart.',
        })
      : noFigure('No viewers are listed yet; the numbers watching at once are used as answered.', {
          id: 'household.headCount', label: 'Head count', unit: 'viewers', inputs: ['household.viewers'], formula: 'viewers at home + viewers away',
        }),
    ...watchingFigures(week, all.slot95),
    ...levelFigures(week, all),
    busiestFigure(all),
    ...(['home', 'away'] as const).map((side) => {
      const label = side === 'home' ? 'Watching at once, at home' : 'Watching at once, away'
      const id = side === 'home' ? 'household.watchingHomeAtOnce' : 'household.watchingAwayAtOnce'
      const answered = side === 'home' ? 'household.watchingHome' : 'household.watchingAway'
      return figure(atOnce[side], {
        id, label, unit: 'viewers',
        inputs: everyHead ? ['household.viewers', 'choices.school'] : fromHabits ? ['household.habits', 'household.viewers', 'choices.school'] : [answered, 'choices.school'],
        formula: everyHead
          ? `every viewer ${side === 'home' ? 'at home' : 'away'} = ${atOnce[side]}`
          : fromHabits ? `${schoolTexts[choices.school]}, at its worst moment of the week: ${atOnce[side]}` : `as answered = ${atOnce[side]}`,
      })
    }),
  ]
  return {
    atOnce, fromHabits, figures, verdicts: [],
    expected: { home: home.expected, away: away.expected },
    findings: [...householdFindings(household, week), ...answerFindings(household, fromHabits)],
  }
}

function levelFigures(week: WatchingWeek, counts: WeekCounts): Figure[] {
  return (['95', '99'] as const).map((share) => {
    const [level, slot] = share === '95' ? [counts.level95, counts.slot95] : [counts.level99, counts.slot99]
    const parts = { id: `household.watching${share}`, label: `Watching, ${share} % level`, unit: 'viewers' }
    if (!week.habits.length) return noFigure('No habits are entered yet.', { ...parts, inputs: ['household.habits'], formula: 'level of the number watching, by habits' })
    const chances = week.ordinary.watching.map(slots => slots[slot]!).filter(chance => chance > 0)
    return figure(level, {
      ...parts,
      inputs: [...(slot === counts.slot95 ? week.watchers.flatMap((_, at) => week.ordinary.watching[at]![slot]! > 0 ? [`household.peak.${at}`] : []) : []), 'household.habits', 'household.viewers'],
      formula: `${weekTimeText(slot * slotMinutes)}: chances ${chances.map(chance => n(chance, 3)).join(', ') || 'none'} → at most ${level} watch in ${share} of 100 such moments`,
      source: 'The number watching is Poisson-binomial over the viewers, worked out exactly by convolution for each of the 2016 five-minute slots; the largest level of any slot counts.',
    })
  })
}

function busiestFigure(counts: WeekCounts): Figure {
  const busiest = busiestQuarter(counts.expected)
  const parts = { id: 'household.busiestExpected', label: 'Expected at the busiest quarter hour', unit: 'viewers', inputs: ['household.habits', 'household.viewers'] }
  return busiest.mean === 0
    ? noFigure('No habits are entered yet.', { ...parts, formula: 'mean number watching' })
    : figure(busiest.mean, { ...parts, formula: `${weekTimeText(busiest.minuteOfWeek)} to ${weekTimeText(busiest.minuteOfWeek + 15)}: ${n(busiest.mean, 3)} on average`, note: 'Sum of the viewers\' chances, the mean of three slots.' })
}

function answerFindings({ viewers, watchingHome, watchingAway, converted }: Household, fromHabits: boolean): Finding[] {
  const answered = watchingHome + watchingAway
  const findings: Finding[] = []
  if (fromHabits) return findings
  if (converted > answered) {
    findings.push({
      severity: 'warning', code: 'CONVERTED_OVER_WATCHING',
      sentence: `${converted} conversions are asked, but only ${answered} watch at once.`,
      from: ['household.converted', 'household.watchingHome', 'household.watchingAway'],
      cures: [{ sentence: 'Lower the conversions, or raise how many watch at once.' }],
    })
  }
  if (viewers.length > 0 && answered > viewers.length) {
    findings.push({
      severity: 'caution', code: 'WATCHING_OVER_VIEWERS',
      sentence: `${answered} watch at once, but the household lists ${viewers.length} viewers.`,
      from: ['household.viewers', 'household.watchingHome', 'household.watchingAway'],
      cures: [{ sentence: 'Add the missing viewers, or lower how many watch at once.' }],
    })
  }
  return findings
}
