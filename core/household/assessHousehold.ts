import type { DomainAssessment } from '../domainAssessment'
import { figure, noFigure } from '../figure'
import type { Finding } from '../finding'
import type { Choices } from '../plan/choices'
import type { Household } from '../plan/household'

export interface HouseholdAssessment extends DomainAssessment {
  /** viewers to plan for by the chosen school */
  readonly watchingHome: number
  readonly watchingAway: number
  readonly converting: number
}

/** Who watches at once, by the school the plan follows. */
export function assessHousehold(household: Household, { school }: Pick<Choices, 'school'>): HouseholdAssessment {
  const { viewers, converted } = household
  const answered = household.watchingHome + household.watchingAway
  const headsAway = viewers.filter(viewer => viewer.place === 'away').length
  const headsHome = viewers.length - headsAway
  const everyHead = school === 'headCount' && viewers.length > 0
  const watchingHome = everyHead ? headsHome : household.watchingHome
  const watchingAway = everyHead ? headsAway : household.watchingAway
  const headCountConverting = answered > 0 && viewers.length > 0
    ? Math.min(viewers.length, Math.ceil(viewers.length * converted / answered))
    : converted
  const converting = everyHead ? headCountConverting : converted

  const findings: Finding[] = []
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
  return {
    watchingHome,
    watchingAway,
    converting,
    figures: [
      viewers.length
        ? figure(viewers.length, {
            id: 'household.headCount', label: 'Head count', unit: 'viewers', inputs: ['household.viewers'],
            formula: `${headsHome} at home + ${headsAway} away = ${viewers.length}`,
            note: 'Everyone at once, which seldom happens: the cautious school plans for it.',
          })
        : noFigure('No viewers are listed yet; the numbers watching at once are used as answered.', {
            id: 'household.headCount', label: 'Head count', unit: 'viewers', inputs: ['household.viewers'], formula: 'viewers at home + viewers away',
          }),
      figure(watchingHome, {
        id: 'household.watchingHomeAtOnce', label: 'Watching at once, at home', unit: 'viewers',
        inputs: everyHead ? ['household.viewers', 'choices.school'] : ['household.watchingHome', 'choices.school'],
        formula: everyHead ? `every viewer at home = ${watchingHome}` : `as answered = ${watchingHome}`,
      }),
      figure(watchingAway, {
        id: 'household.watchingAwayAtOnce', label: 'Watching at once, away', unit: 'viewers',
        inputs: everyHead ? ['household.viewers', 'choices.school'] : ['household.watchingAway', 'choices.school'],
        formula: everyHead ? `every viewer away = ${watchingAway}` : `as answered = ${watchingAway}`,
      }),
      figure(converting, {
        id: 'streams.asked', label: 'Conversions asked', unit: 'conversions',
        inputs: everyHead ? ['household.converted', 'household.watchingHome', 'household.watchingAway', 'household.headCount', 'choices.school'] : ['household.converted', 'choices.school'],
        formula: everyHead && answered > 0 ? `${viewers.length} heads × ${converted} converted ÷ ${answered} watching, rounded up = ${converting}` : `as answered = ${converting}`,
      }),
      figure(headCountConverting, {
        id: 'streams.askedHeadCount', label: 'Conversions if every head watches', unit: 'conversions',
        inputs: ['household.converted', 'household.watchingHome', 'household.watchingAway', 'household.headCount'],
        formula: answered > 0 && viewers.length > 0 ? `${viewers.length} heads × ${converted} converted ÷ ${answered} watching, rounded up = ${headCountConverting}` : `as answered = ${headCountConverting}`,
      }),
    ],
    verdicts: [],
    findings,
  }
}
