import type { Figure } from '../../figure'
import type { Finding } from '../../finding'
import type { Plan } from '../../plan/planSchema'
import { counted } from '../../units/counted'
import type { Format } from '../../units/format'
import type { Verdict } from '../../verdict'
import { overallAnswer, overallWords } from '../../verdictClauses'
import { basisWords } from '../basisWords'
import type { CalibrationRow } from '../calibrationRows'

/** A heading with what stands under it. */
export interface ReportPart {
  readonly id: string
  readonly heading: string
  readonly lines: readonly string[]
}

/** The report of a plan for somebody outside: one page. */
export interface OnePage {
  readonly title: string
  readonly day: string
  /** the answer in a sentence */
  readonly answer: string
  readonly parts: readonly ReportPart[]
  readonly verdicts: readonly Verdict[]
}

export interface OnePageQuestion {
  readonly plan: Plan
  readonly figures: Readonly<Record<string, Figure>>
  readonly verdicts: readonly Verdict[]
  /** the worst first */
  readonly findings: readonly Finding[]
  readonly rows: readonly CalibrationRow[]
  /** what the machine and the layout are called */
  readonly names: { readonly machine: string; readonly layout: string }
  readonly atOnce: { readonly home: number; readonly away: number }
  /** names of persons and places too */
  readonly withNames: boolean
  readonly format: Format
  readonly today: string
}

/** Findings that the page tells. */
const mostRisks = 3

/** A figure with its range, 'X (Y to Z)'; null where it does not apply. */
function told(figure: Figure | undefined, format: Format): string | null {
  if (!figure || figure.value === null || figure.low === null || figure.high === null) return null
  const value = format.quantity(figure.value, figure.unit)
  return figure.low === figure.high
    ? value
    : `${value} (${format.span({ low: figure.low, high: figure.high }, figure.unit)})`
}

const some = (...lines: readonly (string | null | false)[]): string[] =>
  lines.filter((line): line is string => line !== null && line !== false)

function needLines({ plan, figures, atOnce, withNames, format }: OnePageQuestion): string[] {
  const { viewers, places } = plan.household
  const people = viewers.length > 0 ? counted(viewers.length, 'person', 'people') : null
  const named =
    withNames && viewers.length > 0 ? `: ${viewers.map(({ name }) => name).join(', ')}` : ''
  const where =
    withNames && places.length > 0 ? ` (${places.map(({ name }) => name).join(', ')})` : ''
  const kept = told(figures['library.contentTB'], format)
  const later = told(figures['library.contentAtHorizonTB'], format)
  const { value: asked = null } = figures['streams.asked'] ?? {}
  return some(
    people &&
      `${people}${named}, of whom ${format.number(atOnce.home)} watch at home and ` +
        `${format.number(atOnce.away)} away${where} at once.`,
    kept &&
      `A library of ${kept} today, and of ${later ?? 'not known how much'} in ` +
        `${counted(plan.choices.horizonYears, 'year')}.`,
    asked !== null &&
      (asked === 0
        ? 'Nothing has to be converted while it plays.'
        : `${counted(asked, 'conversion')} at once, because not every device plays every title.`),
  )
}

function doesLines({ figures, format }: OnePageQuestion): string[] {
  const loss = figures['drives.lossChanceAtHorizon']
  return some(
    told(figures['streams.possible'], format) &&
      `It converts ${told(figures['streams.possible'], format)} at once.`,
    told(figures['drives.roomTB'], format) &&
      `It has room for ${told(figures['drives.roomTB'], format)}.`,
    told(figures['network.awayStreams'], format) &&
      `The upload carries ${told(figures['network.awayStreams'], format)} away.`,
    loss?.value !== null && loss !== undefined
      ? `The chance that failing drives cost data within the horizon is ${format.share(loss.value!)}.`
      : null,
  )
}

function costLines({ figures, plan, format }: OnePageQuestion): string[] {
  const money = (id: string) => {
    const value = figures[id]?.value ?? null
    return value === null ? null : format.money(value)
  }
  return some(
    money('ownership.purchase') && `${money('ownership.purchase')} to pay now.`,
    money('ownership.electricityPerYear') &&
      `${money('ownership.electricityPerYear')} a year for electricity.`,
    money('ownership.horizonTotal') &&
      `${money('ownership.horizonTotal')} in ${counted(plan.choices.horizonYears, 'year')}, with all that.`,
  )
}

/** What can go wrong, each with what stands against it; the worst first. */
function riskLines({ findings }: OnePageQuestion): string[] {
  return findings
    .slice(0, mostRisks)
    .map(({ sentence, fixes }) => (fixes[0] ? `${sentence} ${fixes[0].sentence}` : sentence))
}

function openLines({ plan, withNames, format: { number: n } }: OnePageQuestion): string[] {
  const { stillOpen, steps, signedOn } = plan.commissioning
  const done = steps.filter(({ state }) => state === 'done').length
  return some(
    signedOn !== '' ? `It is in use since ${signedOn}.` : null,
    done > 0 && signedOn === '' && `${n(done)} steps of the run-book are done.`,
    ...(withNames
      ? stillOpen.map(({ what, by }) => `${what}${by ? `, by ${by}` : ''}.`)
      : stillOpen.length > 0
        ? [`${counted(stillOpen.length, 'thing')} left open at sign-off.`]
        : []),
  )
}

/**
 * A plan on one page for somebody outside: what is needed, the answer, what it does and costs, what
 * can go wrong, and what of it is measured. No names unless they are asked for; never who watched
 * what.
 */
export function onePage(question: OnePageQuestion): OnePage {
  const { plan, verdicts, names, rows, format, today, withNames } = question
  const { answer, because } = overallAnswer(verdicts, plan.brief.budget !== null)
  const part = (id: string, heading: string, lines: readonly string[]): ReportPart[] =>
    lines.length > 0 ? [{ id, heading, lines }] : []
  return {
    title: withNames ? plan.name : 'A home media server',
    day: today,
    answer: `${overallWords[answer]}${because ? `, because ${because}` : ''}.`,
    verdicts,
    parts: [
      ...part('need', 'What is needed', needLines(question)),
      ...part('machine', 'The machine', [
        `${names.machine}; drives: ${names.layout}.`,
        ...verdicts.filter(({ state }) => state !== 'unknown').map(({ sentence }) => sentence),
      ]),
      ...part('does', 'What it does', doesLines(question)),
      ...part('costs', 'What it costs', costLines(question)),
      ...part('risks', 'What can go wrong', riskLines(question)),
      ...part('open', 'Where it stands', openLines(question)),
      ...part('basis', 'What is measured', [basisWords(rows, format)]),
    ],
  }
}
